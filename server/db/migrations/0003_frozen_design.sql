CREATE FUNCTION frozen_design_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.frozen_at IS NOT NULL THEN
    RAISE EXCEPTION 'a sold design never changes' USING ERRCODE = 'DJ001';
  END IF;
  RETURN COALESCE(NEW, OLD);
END $$;
--> statement-breakpoint
CREATE TRIGGER design_kept BEFORE UPDATE OR DELETE ON "design" FOR EACH ROW EXECUTE FUNCTION frozen_design_kept();
