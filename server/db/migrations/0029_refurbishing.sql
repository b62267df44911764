CREATE TABLE "refurbishing" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"serial_id" uuid NOT NULL,
	"what" text NOT NULL,
	"state" text DEFAULT 'open' NOT NULL,
	"bought_cents" bigint,
	"ended" text,
	"warranty_until" date,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_by_id" uuid,
	"ended_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "refurbishing_state" CHECK ("refurbishing"."state" in ('open', 'done', 'givenUp')),
	CONSTRAINT "refurbishing_ended" CHECK (("refurbishing"."state" = 'open') = ("refurbishing"."ended_at" is null) and ("refurbishing"."state" = 'open') = ("refurbishing"."ended" is null))
);
--> statement-breakpoint
CREATE TABLE "refurbishing_hours" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"refurbishing_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"hours" double precision NOT NULL,
	"day" date NOT NULL,
	"what" text DEFAULT '' NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "refurbishing_hours_hours" CHECK ("refurbishing_hours"."hours" > 0 and "refurbishing_hours"."hours" <= 24)
);
--> statement-breakpoint
CREATE TABLE "refurbishing_part" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"refurbishing_id" uuid NOT NULL,
	"component_id" text NOT NULL,
	"quantity" integer NOT NULL,
	"unit_cents" bigint NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "refurbishing_part_quantity" CHECK ("refurbishing_part"."quantity" > 0)
);
--> statement-breakpoint
ALTER TABLE "refurbishing" ADD CONSTRAINT "refurbishing_serial_id_serial_item_id_fk" FOREIGN KEY ("serial_id") REFERENCES "public"."serial_item"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refurbishing" ADD CONSTRAINT "refurbishing_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refurbishing" ADD CONSTRAINT "refurbishing_ended_by_id_person_id_fk" FOREIGN KEY ("ended_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refurbishing_hours" ADD CONSTRAINT "refurbishing_hours_refurbishing_id_refurbishing_id_fk" FOREIGN KEY ("refurbishing_id") REFERENCES "public"."refurbishing"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refurbishing_hours" ADD CONSTRAINT "refurbishing_hours_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refurbishing_part" ADD CONSTRAINT "refurbishing_part_refurbishing_id_refurbishing_id_fk" FOREIGN KEY ("refurbishing_id") REFERENCES "public"."refurbishing"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refurbishing_part" ADD CONSTRAINT "refurbishing_part_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refurbishing_part" ADD CONSTRAINT "refurbishing_part_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "refurbishing_one_open" ON "refurbishing" USING btree ("serial_id") WHERE "refurbishing"."state" = 'open';--> statement-breakpoint
CREATE INDEX "refurbishing_serial" ON "refurbishing" USING btree ("serial_id");--> statement-breakpoint
CREATE INDEX "refurbishing_by" ON "refurbishing" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "refurbishing_ended_by" ON "refurbishing" USING btree ("ended_by_id");--> statement-breakpoint
CREATE INDEX "refurbishing_hours_of" ON "refurbishing_hours" USING btree ("refurbishing_id");--> statement-breakpoint
CREATE INDEX "refurbishing_hours_person" ON "refurbishing_hours" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "refurbishing_part_of" ON "refurbishing_part" USING btree ("refurbishing_id");--> statement-breakpoint
CREATE INDEX "refurbishing_part_component" ON "refurbishing_part" USING btree ("component_id");--> statement-breakpoint
CREATE INDEX "refurbishing_part_by" ON "refurbishing_part" USING btree ("by_id");--> statement-breakpoint
ALTER TABLE "stock_place" DROP CONSTRAINT "stock_place_kind";--> statement-breakpoint
ALTER TABLE "stock_place" ADD CONSTRAINT "stock_place_kind" CHECK ("stock_place"."kind" in ('bin', 'job', 'vehicle', 'supplier', 'client', 'scrap', 'count', 'refurbishing'));
