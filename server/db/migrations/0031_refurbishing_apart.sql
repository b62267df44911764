CREATE FUNCTION serial_apart() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM refurbishing r WHERE r.serial_id = NEW.serial_id AND r.state = 'open')
    AND NOT EXISTS (SELECT 1 FROM stock_move m JOIN stock_place p ON p.id = m.to_id WHERE m.id = NEW.move_id AND p.kind = 'bin') THEN
    RAISE EXCEPTION 'what is being refurbished stays in a bin' USING ERRCODE = 'DJ005';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER serial_apart BEFORE INSERT ON "stock_move_serial" FOR EACH ROW EXECUTE FUNCTION serial_apart();
