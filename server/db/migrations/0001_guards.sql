CREATE TABLE "session" ("sid" varchar PRIMARY KEY, "sess" json NOT NULL, "expire" timestamptz NOT NULL);
--> statement-breakpoint
CREATE INDEX "session_expire" ON "session" ("expire");
--> statement-breakpoint
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION '% is kept as it was written', TG_TABLE_NAME USING ERRCODE = 'DJ001';
END $$;
--> statement-breakpoint
CREATE TRIGGER event_append_only BEFORE UPDATE OR DELETE ON "event" FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER check_result_kept BEFORE UPDATE OR DELETE ON "check_result" FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE FUNCTION event_tells() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('dajo_event', json_build_object('id', NEW.id, 'resource', NEW.resource, 'job', NEW.job_number, 'what', NEW.what)::text);
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER event_tells AFTER INSERT ON "event" FOR EACH ROW EXECUTE FUNCTION event_tells();
--> statement-breakpoint
CREATE FUNCTION released_kit_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.state <> 'draft' AND (NEW.body IS DISTINCT FROM OLD.body OR NEW.revision IS DISTINCT FROM OLD.revision OR NEW.state = 'draft') THEN
    RAISE EXCEPTION 'a released kit revision never changes' USING ERRCODE = 'DJ001';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER kit_revision_kept BEFORE UPDATE ON "kit_revision" FOR EACH ROW EXECUTE FUNCTION released_kit_kept();
--> statement-breakpoint
CREATE FUNCTION released_lines_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF (SELECT state FROM kit_revision WHERE id = OLD.revision_id) <> 'draft' THEN
    RAISE EXCEPTION 'a released kit revision never changes' USING ERRCODE = 'DJ001';
  END IF;
  RETURN COALESCE(NEW, OLD);
END $$;
--> statement-breakpoint
CREATE TRIGGER kit_line_kept BEFORE UPDATE OR DELETE ON "kit_line" FOR EACH ROW EXECUTE FUNCTION released_lines_kept();
--> statement-breakpoint
CREATE FUNCTION live_stage_guard() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  people integer;
  authorised integer;
BEGIN
  IF NEW.live_hv AND ((NEW.state = 'inHand' AND OLD.state = 'waiting') OR (NEW.hv_confirmed AND NOT OLD.hv_confirmed)) THEN
    SELECT count(DISTINCT e.person_id), count(DISTINCT a.person_id)
      INTO people, authorised
      FROM time_entry e
      LEFT JOIN authorisation a ON a.person_id = e.person_id AND a.valid_until >= current_date
      WHERE e.stage_id = NEW.id AND e."to" IS NULL;
    IF people < 2 OR authorised < 1 THEN
      RAISE EXCEPTION 'live high-voltage work needs an authorised person and a second one clocked on' USING ERRCODE = 'DJ002';
    END IF;
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER live_stage_guard BEFORE UPDATE OF state, hv_confirmed ON "stage" FOR EACH ROW EXECUTE FUNCTION live_stage_guard();
