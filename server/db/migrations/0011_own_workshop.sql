CREATE TABLE "workshop" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"name" text NOT NULL,
	"region" text NOT NULL,
	"time_zone" text NOT NULL,
	"currency" text NOT NULL,
	"tax_share" double precision NOT NULL,
	"unit_set" text NOT NULL,
	"working_days" integer[] NOT NULL,
	"day_start_h" double precision NOT NULL,
	"day_end_h" double precision NOT NULL,
	"break_h" double precision NOT NULL,
	"rate_cents" integer NOT NULL,
	"hours_per_day" double precision NOT NULL,
	"own" text[] DEFAULT '{}' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"building_width_m" double precision DEFAULT 20 NOT NULL,
	"building_length_m" double precision DEFAULT 12 NOT NULL,
	"plan_version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "workshop_one_row" CHECK ("workshop"."id" = 1),
	CONSTRAINT "workshop_day" CHECK ("workshop"."day_end_h" - "workshop"."day_start_h" - "workshop"."break_h" > 0),
	CONSTRAINT "workshop_building" CHECK ("workshop"."building_width_m" > 0 and "workshop"."building_length_m" > 0)
);
--> statement-breakpoint
CREATE TABLE "invitation" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"person_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"until" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"by_id" uuid NOT NULL,
	CONSTRAINT "invitation_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
ALTER TABLE "job" DROP CONSTRAINT "job_state";--> statement-breakpoint
ALTER TABLE "person" ALTER COLUMN "password_hash" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "place" ADD COLUMN "alignment" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "place" ADD COLUMN "closed" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "component" ADD COLUMN "lent" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "component" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "variant" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "authorisation" ADD COLUMN "valid_from" date;--> statement-breakpoint
ALTER TABLE "authorisation" ADD COLUMN "given_by" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "authorisation" ADD COLUMN "paper" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "authorisation" ADD COLUMN "ended_on" date;--> statement-breakpoint
ALTER TABLE "authorisation" ADD COLUMN "ended_why" text;--> statement-breakpoint
ALTER TABLE "authorisation" ADD COLUMN "at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "day_hours" double precision;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "rate_cents" integer;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "invitation_person" ON "invitation" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "invitation_by" ON "invitation" USING btree ("by_id");--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_state" CHECK ("job"."state" in ('enquiry','sizing','offered','agreed','waitingForClient','waitingForPart','waitingOutside','building','proving','handedOver','cancelled'));--> statement-breakpoint
ALTER TABLE "authorisation" ADD CONSTRAINT "authorisation_order" CHECK ("authorisation"."valid_from" is null or "authorisation"."valid_from" <= "authorisation"."valid_until");--> statement-breakpoint
ALTER TABLE "authorisation" ADD CONSTRAINT "authorisation_ended_why" CHECK (("authorisation"."ended_on" is null) = ("authorisation"."ended_why" is null));
--> statement-breakpoint
-- Databases from before workshops had a record of their own keep what they reckoned with until now.
INSERT INTO "workshop" ("name", "region", "time_zone", "currency", "tax_share", "unit_set", "working_days", "day_start_h", "day_end_h", "break_h", "rate_cents", "hours_per_day", "building_width_m", "building_length_m")
SELECT 'Tarrow Quay Works', 'eu', 'Europe/Lisbon', 'EUR', 0.23, 'metric', '{1,2,3,4,5}', 8, 16.5, 1, 5800, 13, 23, 12.8 WHERE EXISTS (SELECT 1 FROM "person");
--> statement-breakpoint
-- The day it is in the workshop.
CREATE FUNCTION workshop_today() RETURNS date LANGUAGE sql STABLE AS $$
  SELECT (now() AT TIME ZONE coalesce((SELECT time_zone FROM workshop), 'UTC'))::date
$$;
--> statement-breakpoint
-- High-voltage authorisations that have begun and were not ended, and until when they run.
CREATE VIEW hv_authorised AS
SELECT person_id, max(valid_until) AS until FROM authorisation
WHERE ended_on IS NULL AND (valid_from IS NULL OR valid_from <= workshop_today())
GROUP BY person_id;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION live_pair_on(wanted uuid) RETURNS boolean LANGUAGE sql VOLATILE AS $$
  SELECT count(DISTINCT e.person_id) >= 2 AND count(DISTINCT a.person_id) >= 1
    FROM time_entry e
    LEFT JOIN hv_authorised a ON a.person_id = e.person_id AND a.until >= workshop_today()
    WHERE e.stage_id = wanted AND e."to" IS NULL AND e.kind <> 'waiting'
$$;
--> statement-breakpoint
-- Whoever confirms holds the authorisations it rests on: one that is being ended at that moment is waited for, and then
-- does not count; one that is ended a moment later finds the stage confirmed.
CREATE OR REPLACE FUNCTION live_stage_guard() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.live_hv AND ((NEW.state = 'inHand' AND OLD.state = 'waiting') OR (NEW.hv_confirmed AND NOT OLD.hv_confirmed)) THEN
    PERFORM 1 FROM authorisation a JOIN time_entry e ON e.person_id = a.person_id
      WHERE e.stage_id = NEW.id AND e."to" IS NULL ORDER BY a.id FOR SHARE OF a;
    IF NOT live_pair_on(NEW.id) THEN
      RAISE EXCEPTION 'live high-voltage work needs an authorised person and a second one clocked on' USING ERRCODE = 'DJ002';
    END IF;
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
-- An authorisation that is ended ends the confirmations that rested on it, those that are just being made too: every live
-- stage of the person is waited for, confirmed or not.
CREATE FUNCTION authorisation_ended() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  one uuid;
BEGIN
  FOR one IN SELECT s.id FROM stage s JOIN time_entry e ON e.stage_id = s.id
    WHERE e.person_id = OLD.person_id AND e."to" IS NULL AND s.live_hv ORDER BY s.id FOR NO KEY UPDATE OF s LOOP
    UPDATE stage SET hv_confirmed = false WHERE id = one AND hv_confirmed AND NOT live_pair_on(one);
  END LOOP;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER authorisation_ended AFTER UPDATE OR DELETE ON authorisation FOR EACH ROW EXECUTE FUNCTION authorisation_ended();
