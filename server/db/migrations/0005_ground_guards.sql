-- Who counts for live work: people at work on the stage. Somebody who is clocked on as waiting does not.
CREATE FUNCTION live_pair_on(wanted uuid) RETURNS boolean LANGUAGE sql VOLATILE AS $$
  SELECT count(DISTINCT e.person_id) >= 2 AND count(DISTINCT a.person_id) >= 1
    FROM time_entry e
    LEFT JOIN authorisation a ON a.person_id = e.person_id AND a.valid_until >= current_date
    WHERE e.stage_id = wanted AND e."to" IS NULL AND e.kind <> 'waiting'
$$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION live_stage_guard() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.live_hv AND ((NEW.state = 'inHand' AND OLD.state = 'waiting') OR (NEW.hv_confirmed AND NOT OLD.hv_confirmed)) THEN
    IF NOT live_pair_on(NEW.id) THEN
      RAISE EXCEPTION 'live high-voltage work needs an authorised person and a second one clocked on' USING ERRCODE = 'DJ002';
    END IF;
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
-- Whoever leaves a confirmed live stage without its pair ends the confirmation, whatever did it.
CREATE FUNCTION live_pair_left() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  confirmed boolean;
BEGIN
  SELECT live_hv AND hv_confirmed INTO confirmed FROM stage WHERE id = OLD.stage_id FOR NO KEY UPDATE;
  IF confirmed AND NOT live_pair_on(OLD.stage_id) THEN
    UPDATE stage SET hv_confirmed = false WHERE id = OLD.stage_id;
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER live_pair_left AFTER UPDATE OR DELETE ON "time_entry" FOR EACH ROW EXECUTE FUNCTION live_pair_left();
--> statement-breakpoint
-- What lines of jobs hold in stores is on the shelf: looked at when the change is whole.
CREATE FUNCTION stock_held() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  wanted text := to_jsonb(NEW) ->> CASE TG_TABLE_NAME WHEN 'component' THEN 'id' ELSE 'component_id' END;
  shelf integer;
BEGIN
  SELECT on_hand INTO shelf FROM component WHERE id = wanted FOR NO KEY UPDATE;
  IF shelf < (SELECT coalesce(sum(quantity), 0) FROM part_line WHERE component_id = wanted AND state = 'inStores') THEN
    RAISE EXCEPTION 'more held than on hand' USING ERRCODE = 'DJ003';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER part_line_stock AFTER INSERT OR UPDATE OF state, quantity, component_id ON "part_line"
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW WHEN (NEW.state = 'inStores') EXECUTE FUNCTION stock_held();
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER component_stock AFTER UPDATE OF on_hand ON "component"
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW WHEN (NEW.on_hand < OLD.on_hand) EXECUTE FUNCTION stock_held();
--> statement-breakpoint
-- Every server hears that a session ended or a person was switched off, and ends what they follow.
CREATE FUNCTION session_ended() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('dajo_session', json_build_object('session', OLD.sid)::text);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER session_ended AFTER DELETE ON "session" FOR EACH ROW EXECUTE FUNCTION session_ended();
--> statement-breakpoint
CREATE FUNCTION person_off() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('dajo_session', json_build_object('person', NEW.id)::text);
  DELETE FROM session WHERE sess ->> 'personId' = NEW.id::text;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER person_off AFTER UPDATE OF active ON "person" FOR EACH ROW WHEN (OLD.active AND NOT NEW.active) EXECUTE FUNCTION person_off();
