CREATE TABLE "log_finding" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"vehicle_id" uuid NOT NULL,
	"figure" text NOT NULL,
	"predicted" double precision,
	"measured" double precision NOT NULL,
	"error" double precision,
	"log" text NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "log_finding_error" CHECK ("log_finding"."error" >= 0)
);
--> statement-breakpoint
ALTER TABLE "log_finding" ADD CONSTRAINT "log_finding_vehicle_id_vehicle_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicle"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "log_finding" ADD CONSTRAINT "log_finding_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "log_finding_vehicle" ON "log_finding" USING btree ("vehicle_id");--> statement-breakpoint
CREATE INDEX "log_finding_by" ON "log_finding" USING btree ("by_id");