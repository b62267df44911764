ALTER TABLE "part_line" DROP COLUMN "serial";
--> statement-breakpoint
-- From here on only the ledger says what is on hand.
CREATE FUNCTION on_hand_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF (TG_OP = 'INSERT' AND NEW.on_hand <> 0) OR (TG_OP = 'UPDATE' AND NEW.on_hand IS DISTINCT FROM OLD.on_hand AND pg_trigger_depth() < 2) THEN
    RAISE EXCEPTION 'what is on hand is counted in by the ledger' USING ERRCODE = 'DJ001';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER on_hand_kept BEFORE INSERT OR UPDATE OF on_hand ON "component" FOR EACH ROW EXECUTE FUNCTION on_hand_kept();
