ALTER TABLE "place" ADD COLUMN "slots" integer;--> statement-breakpoint
ALTER TABLE "place" ADD COLUMN "slot_days" integer[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "stage" ADD COLUMN "firm_id" text;--> statement-breakpoint
ALTER TABLE "stage" ADD COLUMN "firm_days" double precision;--> statement-breakpoint
ALTER TABLE "work_plan" ADD COLUMN "hand" jsonb;--> statement-breakpoint
ALTER TABLE "work_plan" ADD COLUMN "undone_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "stage" ADD CONSTRAINT "stage_firm_id_place_id_fk" FOREIGN KEY ("firm_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "stage_firm" ON "stage" USING btree ("firm_id");--> statement-breakpoint
ALTER TABLE "place" ADD CONSTRAINT "place_slots" CHECK ("place"."slots" > 0);--> statement-breakpoint
ALTER TABLE "stage" ADD CONSTRAINT "stage_firm_days" CHECK (("stage"."firm_id" is null) = ("stage"."firm_days" is null) and "stage"."firm_days" > 0);--> statement-breakpoint
ALTER TABLE "work_plan" ADD CONSTRAINT "work_plan_undone" CHECK ("work_plan"."undone_at" is null or "work_plan"."hand" is not null);