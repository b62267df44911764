CREATE TABLE "time_correction" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"entry_id" bigint NOT NULL,
	"person_id" uuid NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"why" text NOT NULL,
	"before" jsonb,
	"after" jsonb,
	CONSTRAINT "time_correction_what" CHECK ("time_correction"."before" is not null or "time_correction"."after" is not null)
);
--> statement-breakpoint
ALTER TABLE "time_entry" ADD COLUMN "paused" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "time_entry" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "time_correction" ADD CONSTRAINT "time_correction_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "time_correction" ADD CONSTRAINT "time_correction_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "time_correction_entry" ON "time_correction" USING btree ("entry_id");--> statement-breakpoint
CREATE INDEX "time_correction_person" ON "time_correction" USING btree ("person_id","at");--> statement-breakpoint
CREATE INDEX "time_correction_by" ON "time_correction" USING btree ("by_id");--> statement-breakpoint
CREATE TRIGGER time_correction_kept BEFORE UPDATE OR DELETE ON "time_correction" FOR EACH ROW EXECUTE FUNCTION refuse_change();--> statement-breakpoint
CREATE EXTENSION IF NOT EXISTS btree_gist;--> statement-breakpoint
UPDATE "time_entry" a SET "to" = n."from" FROM (
  SELECT id, lead("from") OVER (PARTITION BY person_id ORDER BY "from", id) AS "from" FROM "time_entry"
) n WHERE n.id = a.id AND n."from" < a."to";--> statement-breakpoint
ALTER TABLE "time_entry" ADD CONSTRAINT "time_entry_apart" EXCLUDE USING gist ("person_id" WITH =, tstzrange("from", "to") WITH &&);
