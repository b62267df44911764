CREATE TABLE "vehicle_claim" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"vehicle_id" uuid NOT NULL,
	"figure" text NOT NULL,
	"value" double precision NOT NULL,
	"source" text NOT NULL,
	"says" text NOT NULL,
	"why_not" text,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "vehicle_claim_says" CHECK ("vehicle_claim"."says" <> '' and ("vehicle_claim"."why_not" is null or "vehicle_claim"."why_not" <> ''))
);
--> statement-breakpoint
ALTER TABLE "vehicle_figure" ADD COLUMN "says" text;--> statement-breakpoint
ALTER TABLE "vehicle_claim" ADD CONSTRAINT "vehicle_claim_vehicle_id_vehicle_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicle"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "vehicle_claim" ADD CONSTRAINT "vehicle_claim_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "vehicle_claim_vehicle" ON "vehicle_claim" USING btree ("vehicle_id");--> statement-breakpoint
CREATE INDEX "vehicle_claim_by" ON "vehicle_claim" USING btree ("by_id");