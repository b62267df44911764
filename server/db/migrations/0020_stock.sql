CREATE TABLE "stock_place" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"kind" text NOT NULL,
	"name" text DEFAULT '' NOT NULL,
	"of" text DEFAULT '' NOT NULL,
	"closed" boolean DEFAULT false NOT NULL,
	CONSTRAINT "stock_place_kind" CHECK ("stock_place"."kind" in ('bin', 'job', 'vehicle', 'supplier', 'client', 'scrap', 'count')),
	CONSTRAINT "stock_place_named" CHECK (("stock_place"."kind" = 'bin') = ("stock_place"."name" <> '')),
	CONSTRAINT "stock_place_of" CHECK (("stock_place"."kind" in ('bin', 'scrap', 'count')) = ("stock_place"."of" = ''))
);
--> statement-breakpoint
CREATE TABLE "grading" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"serial_id" uuid NOT NULL,
	"day" date NOT NULL,
	"capacity_ah" double precision NOT NULL,
	"energy_wh" double precision,
	"resistance_ohm" double precision,
	"temperature_c" double precision,
	"current_a" double precision,
	"from_v" double precision,
	"to_v" double precision,
	"method" text NOT NULL,
	"log_file_id" uuid,
	"by_id" uuid,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "grading_capacity" CHECK ("grading"."capacity_ah" > 0),
	CONSTRAINT "grading_resistance" CHECK ("grading"."resistance_ohm" > 0)
);
--> statement-breakpoint
CREATE TABLE "pack" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"by_id" uuid,
	"ended_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "pack_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "pack_module" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"pack_id" uuid NOT NULL,
	"serial_id" uuid NOT NULL,
	"since" timestamp with time zone DEFAULT now() NOT NULL,
	"until" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "serial_item" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"component_id" text NOT NULL,
	"serial" text NOT NULL,
	"batch" text DEFAULT '' NOT NULL,
	"origin" text NOT NULL,
	"origin_note" text DEFAULT '' NOT NULL,
	"place_id" uuid,
	"warranty_until" date,
	"part_line_id" uuid,
	"note" text DEFAULT '' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"find" text GENERATED ALWAYS AS (lower(serial || ' ' || batch || ' ' || origin_note)) STORED,
	CONSTRAINT "serial_item_serial" CHECK ("serial_item"."serial" <> ''),
	CONSTRAINT "serial_item_origin" CHECK ("serial_item"."origin" in ('delivery', 'donor', 'made', 'unknown'))
);
--> statement-breakpoint
CREATE TABLE "stock_balance" (
	"component_id" text NOT NULL,
	"place_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"quantity" integer NOT NULL,
	CONSTRAINT "stock_balance_component_id_place_id_pk" PRIMARY KEY("component_id","place_id"),
	CONSTRAINT "stock_balance_kept" CHECK ("stock_balance"."quantity" >= 0 or "stock_balance"."kind" in ('supplier', 'client', 'count'))
);
--> statement-breakpoint
CREATE TABLE "stock_move" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"by_id" uuid,
	"kind" text NOT NULL,
	"component_id" text NOT NULL,
	"from_id" uuid NOT NULL,
	"to_id" uuid NOT NULL,
	"quantity" integer NOT NULL,
	"part_line_id" uuid,
	"note" text DEFAULT '' NOT NULL,
	CONSTRAINT "stock_move_quantity" CHECK ("stock_move"."quantity" > 0),
	CONSTRAINT "stock_move_places" CHECK ("stock_move"."from_id" <> "stock_move"."to_id"),
	CONSTRAINT "stock_move_kind" CHECK ("stock_move"."kind" in ('opening', 'received', 'moved', 'picked', 'putBack', 'fitted', 'takenOut', 'sent', 'counted', 'scrapped', 'returned', 'sold', 'made'))
);
--> statement-breakpoint
CREATE TABLE "stock_move_serial" (
	"move_id" bigint NOT NULL,
	"serial_id" uuid NOT NULL,
	CONSTRAINT "stock_move_serial_move_id_serial_id_pk" PRIMARY KEY("move_id","serial_id")
);
--> statement-breakpoint
CREATE TABLE "stock_taken" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"component_id" text NOT NULL,
	"from_job_id" uuid NOT NULL,
	"to_job_id" uuid NOT NULL,
	"quantity" integer NOT NULL,
	"from_before" date,
	"from_after" date,
	"to_before" date,
	"to_after" date,
	"why" text DEFAULT '' NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "stock_taken_two" CHECK ("stock_taken"."from_job_id" <> "stock_taken"."to_job_id")
);
--> statement-breakpoint
CREATE TABLE "stocktake" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"place_id" uuid NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"note" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "stocktake_line" (
	"stocktake_id" uuid NOT NULL,
	"component_id" text NOT NULL,
	"expected" integer NOT NULL,
	"counted" integer NOT NULL,
	CONSTRAINT "stocktake_line_stocktake_id_component_id_pk" PRIMARY KEY("stocktake_id","component_id"),
	CONSTRAINT "stocktake_line_counted" CHECK ("stocktake_line"."counted" >= 0)
);
--> statement-breakpoint
ALTER TABLE "part_line" DROP CONSTRAINT "part_line_state";--> statement-breakpoint
ALTER TABLE "part_line" ADD COLUMN "picked_by_id" uuid;--> statement-breakpoint
ALTER TABLE "part_line" ADD COLUMN "picked_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "component" ADD COLUMN "unit_size" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "component" ADD COLUMN "bin_id" uuid;--> statement-breakpoint
ALTER TABLE "component" ADD COLUMN "reorder_at" integer;--> statement-breakpoint
ALTER TABLE "component" ADD COLUMN "reorder_to" integer;--> statement-breakpoint
ALTER TABLE "grading" ADD CONSTRAINT "grading_serial_id_serial_item_id_fk" FOREIGN KEY ("serial_id") REFERENCES "public"."serial_item"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "grading" ADD CONSTRAINT "grading_log_file_id_file_id_fk" FOREIGN KEY ("log_file_id") REFERENCES "public"."file"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "grading" ADD CONSTRAINT "grading_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack" ADD CONSTRAINT "pack_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_module" ADD CONSTRAINT "pack_module_pack_id_pack_id_fk" FOREIGN KEY ("pack_id") REFERENCES "public"."pack"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_module" ADD CONSTRAINT "pack_module_serial_id_serial_item_id_fk" FOREIGN KEY ("serial_id") REFERENCES "public"."serial_item"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "serial_item" ADD CONSTRAINT "serial_item_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "serial_item" ADD CONSTRAINT "serial_item_place_id_stock_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."stock_place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "serial_item" ADD CONSTRAINT "serial_item_part_line_id_part_line_id_fk" FOREIGN KEY ("part_line_id") REFERENCES "public"."part_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_balance" ADD CONSTRAINT "stock_balance_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_balance" ADD CONSTRAINT "stock_balance_place_id_stock_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."stock_place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_from_id_stock_place_id_fk" FOREIGN KEY ("from_id") REFERENCES "public"."stock_place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_to_id_stock_place_id_fk" FOREIGN KEY ("to_id") REFERENCES "public"."stock_place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_part_line_id_part_line_id_fk" FOREIGN KEY ("part_line_id") REFERENCES "public"."part_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move_serial" ADD CONSTRAINT "stock_move_serial_move_id_stock_move_id_fk" FOREIGN KEY ("move_id") REFERENCES "public"."stock_move"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move_serial" ADD CONSTRAINT "stock_move_serial_serial_id_serial_item_id_fk" FOREIGN KEY ("serial_id") REFERENCES "public"."serial_item"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_taken" ADD CONSTRAINT "stock_taken_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_taken" ADD CONSTRAINT "stock_taken_from_job_id_job_id_fk" FOREIGN KEY ("from_job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_taken" ADD CONSTRAINT "stock_taken_to_job_id_job_id_fk" FOREIGN KEY ("to_job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_taken" ADD CONSTRAINT "stock_taken_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stocktake" ADD CONSTRAINT "stocktake_place_id_stock_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."stock_place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stocktake" ADD CONSTRAINT "stocktake_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stocktake_line" ADD CONSTRAINT "stocktake_line_stocktake_id_stocktake_id_fk" FOREIGN KEY ("stocktake_id") REFERENCES "public"."stocktake"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stocktake_line" ADD CONSTRAINT "stocktake_line_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "stock_place_once" ON "stock_place" USING btree ("kind","of") WHERE "stock_place"."kind" <> 'bin';--> statement-breakpoint
CREATE UNIQUE INDEX "stock_place_bin" ON "stock_place" USING btree (lower("name")) WHERE "stock_place"."kind" = 'bin';--> statement-breakpoint
CREATE INDEX "grading_serial" ON "grading" USING btree ("serial_id","at");--> statement-breakpoint
CREATE INDEX "grading_by" ON "grading" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "grading_file" ON "grading" USING btree ("log_file_id");--> statement-breakpoint
CREATE INDEX "pack_module_pack" ON "pack_module" USING btree ("pack_id");--> statement-breakpoint
CREATE INDEX "pack_module_serial" ON "pack_module" USING btree ("serial_id");--> statement-breakpoint
CREATE UNIQUE INDEX "pack_module_in_one" ON "pack_module" USING btree ("serial_id") WHERE "pack_module"."until" is null;--> statement-breakpoint
CREATE UNIQUE INDEX "serial_item_once" ON "serial_item" USING btree ("component_id",lower("serial"));--> statement-breakpoint
CREATE INDEX "serial_item_place" ON "serial_item" USING btree ("place_id","component_id");--> statement-breakpoint
CREATE INDEX "serial_item_part_line" ON "serial_item" USING btree ("part_line_id");--> statement-breakpoint
CREATE INDEX "serial_item_batch" ON "serial_item" USING btree (lower("batch"));--> statement-breakpoint
CREATE INDEX "serial_item_serial" ON "serial_item" USING btree (lower("serial") text_pattern_ops);--> statement-breakpoint
CREATE INDEX "stock_balance_place" ON "stock_balance" USING btree ("place_id");--> statement-breakpoint
CREATE INDEX "stock_move_component" ON "stock_move" USING btree ("component_id","id");--> statement-breakpoint
CREATE INDEX "stock_move_from" ON "stock_move" USING btree ("from_id","id");--> statement-breakpoint
CREATE INDEX "stock_move_to" ON "stock_move" USING btree ("to_id","id");--> statement-breakpoint
CREATE INDEX "stock_move_part_line" ON "stock_move" USING btree ("part_line_id");--> statement-breakpoint
CREATE INDEX "stock_move_by" ON "stock_move" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "stock_move_serial_item" ON "stock_move_serial" USING btree ("serial_id","move_id");--> statement-breakpoint
CREATE INDEX "stock_taken_component" ON "stock_taken" USING btree ("component_id");--> statement-breakpoint
CREATE INDEX "stock_taken_from" ON "stock_taken" USING btree ("from_job_id");--> statement-breakpoint
CREATE INDEX "stock_taken_to" ON "stock_taken" USING btree ("to_job_id");--> statement-breakpoint
CREATE INDEX "stock_taken_by" ON "stock_taken" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "stocktake_place" ON "stocktake" USING btree ("place_id");--> statement-breakpoint
CREATE INDEX "stocktake_by" ON "stocktake" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "stocktake_line_component" ON "stocktake_line" USING btree ("component_id");--> statement-breakpoint
ALTER TABLE "part_line" ADD CONSTRAINT "part_line_picked_by_id_person_id_fk" FOREIGN KEY ("picked_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "component" ADD CONSTRAINT "component_bin_id_stock_place_id_fk" FOREIGN KEY ("bin_id") REFERENCES "public"."stock_place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "part_line_picked_by" ON "part_line" USING btree ("picked_by_id");--> statement-breakpoint
CREATE INDEX "component_bin" ON "component" USING btree ("bin_id");--> statement-breakpoint
ALTER TABLE "part_line" ADD CONSTRAINT "part_line_picked_who" CHECK ("part_line"."state" <> 'picked' or ("part_line"."picked_by_id" is not null and "part_line"."picked_at" is not null));--> statement-breakpoint
ALTER TABLE "part_line" ADD CONSTRAINT "part_line_state" CHECK ("part_line"."state" in ('missing', 'ordered', 'inStores', 'picked', 'fitted'));--> statement-breakpoint
ALTER TABLE "component" ADD CONSTRAINT "component_unit_size" CHECK ("component"."unit_size" in (1, 1000));--> statement-breakpoint
ALTER TABLE "component" ADD CONSTRAINT "component_reorder" CHECK (("component"."reorder_at" is null) = ("component"."reorder_to" is null) and ("component"."reorder_at" is null or ("component"."reorder_at" >= 0 and "component"."reorder_to" > "component"."reorder_at")));
--> statement-breakpoint
CREATE FUNCTION stock_moved() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  from_kind text;
  to_kind text;
BEGIN
  -- Moves of one component come one after the other: whoever comes second sees what the first has left.
  PERFORM 1 FROM component WHERE id = NEW.component_id FOR NO KEY UPDATE;
  SELECT kind INTO from_kind FROM stock_place WHERE id = NEW.from_id;
  SELECT kind INTO to_kind FROM stock_place WHERE id = NEW.to_id;
  INSERT INTO stock_balance (component_id, place_id, kind, quantity) VALUES (NEW.component_id, NEW.to_id, to_kind, NEW.quantity)
    ON CONFLICT (component_id, place_id) DO UPDATE SET quantity = stock_balance.quantity + NEW.quantity;
  UPDATE stock_balance SET quantity = quantity - NEW.quantity WHERE component_id = NEW.component_id AND place_id = NEW.from_id;
  IF NOT FOUND THEN
    INSERT INTO stock_balance (component_id, place_id, kind, quantity) VALUES (NEW.component_id, NEW.from_id, from_kind, -NEW.quantity);
  END IF;
  IF from_kind = 'bin' AND to_kind <> 'bin' THEN
    UPDATE component SET on_hand = on_hand - NEW.quantity WHERE id = NEW.component_id;
  ELSIF to_kind = 'bin' AND from_kind <> 'bin' THEN
    UPDATE component SET on_hand = on_hand + NEW.quantity WHERE id = NEW.component_id;
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER stock_moved AFTER INSERT ON "stock_move" FOR EACH ROW EXECUTE FUNCTION stock_moved();
--> statement-breakpoint
CREATE FUNCTION ledger_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'UPDATE' AND current_setting('dajo.removal', true) = 'on' THEN RETURN NEW; END IF;
  RAISE EXCEPTION '% is kept as it was written', TG_TABLE_NAME USING ERRCODE = 'DJ001';
END $$;
--> statement-breakpoint
CREATE TRIGGER stock_move_kept BEFORE UPDATE OR DELETE ON "stock_move" FOR EACH ROW EXECUTE FUNCTION ledger_kept();
--> statement-breakpoint
CREATE TRIGGER stock_move_serial_kept BEFORE UPDATE OR DELETE ON "stock_move_serial" FOR EACH ROW EXECUTE FUNCTION ledger_kept();
--> statement-breakpoint
CREATE TRIGGER grading_kept BEFORE UPDATE OR DELETE ON "grading" FOR EACH ROW EXECUTE FUNCTION ledger_kept();
--> statement-breakpoint
CREATE TRIGGER stocktake_line_kept BEFORE UPDATE OR DELETE ON "stocktake_line" FOR EACH ROW EXECUTE FUNCTION ledger_kept();
--> statement-breakpoint
CREATE TRIGGER stock_taken_kept BEFORE UPDATE OR DELETE ON "stock_taken" FOR EACH ROW EXECUTE FUNCTION ledger_kept();
--> statement-breakpoint
-- Balances are written by the trigger of the ledger and by nothing else.
CREATE FUNCTION balance_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF pg_trigger_depth() < 2 THEN
    RAISE EXCEPTION 'a balance is the sum of its moves' USING ERRCODE = 'DJ001';
  END IF;
  RETURN coalesce(NEW, OLD);
END $$;
--> statement-breakpoint
CREATE TRIGGER balance_kept BEFORE INSERT OR UPDATE OR DELETE ON "stock_balance" FOR EACH ROW EXECUTE FUNCTION balance_kept();
--> statement-breakpoint
-- A numbered thing goes where its move goes, from where it is.
CREATE FUNCTION serial_moved() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  move stock_move%ROWTYPE;
  item serial_item%ROWTYPE;
BEGIN
  SELECT * INTO move FROM stock_move WHERE id = NEW.move_id;
  SELECT * INTO item FROM serial_item WHERE id = NEW.serial_id FOR UPDATE;
  IF item.component_id <> move.component_id OR coalesce(item.place_id, move.from_id) <> move.from_id THEN
    RAISE EXCEPTION 'this number is not where it is moved from' USING ERRCODE = 'DJ004';
  END IF;
  UPDATE serial_item SET place_id = move.to_id, version = version + 1 WHERE id = item.id;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER serial_moved AFTER INSERT ON "stock_move_serial" FOR EACH ROW EXECUTE FUNCTION serial_moved();
--> statement-breakpoint
-- Nowhere are more numbers than pieces: what goes without its number must have had none. Looked at when the change is whole.
CREATE FUNCTION serials_held() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF EXISTS (
    SELECT 1 FROM (VALUES (NEW.from_id), (NEW.to_id)) AS here(place)
    JOIN stock_place p ON p.id = here.place AND p.kind IN ('bin', 'job', 'vehicle')
    WHERE (SELECT count(*) FROM serial_item i WHERE i.place_id = here.place AND i.component_id = NEW.component_id)
      > coalesce((SELECT quantity FROM stock_balance b WHERE b.place_id = here.place AND b.component_id = NEW.component_id), 0)
  ) THEN
    RAISE EXCEPTION 'more numbers than pieces' USING ERRCODE = 'DJ004';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER serials_held AFTER INSERT ON "stock_move"
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION serials_held();
--> statement-breakpoint
-- Where a number is follows from its moves, and from nothing else.
CREATE FUNCTION serial_place_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.component_id IS DISTINCT FROM OLD.component_id OR (NEW.place_id IS DISTINCT FROM OLD.place_id AND pg_trigger_depth() < 2) THEN
    RAISE EXCEPTION 'a number is moved by the ledger' USING ERRCODE = 'DJ001';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER serial_place_kept BEFORE UPDATE OF place_id, component_id ON "serial_item" FOR EACH ROW EXECUTE FUNCTION serial_place_kept();
--> statement-breakpoint
CREATE OR REPLACE FUNCTION stock_held() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  wanted text := to_jsonb(NEW) ->> CASE TG_TABLE_NAME WHEN 'component' THEN 'id' ELSE 'component_id' END;
  shelf integer;
  size integer;
BEGIN
  SELECT on_hand, unit_size INTO shelf, size FROM component WHERE id = wanted FOR NO KEY UPDATE;
  IF shelf < size * ((SELECT coalesce(sum(quantity), 0) FROM part_line WHERE component_id = wanted AND state = 'inStores')
    + (SELECT coalesce(sum(l.first_pieces), 0) FROM order_line l JOIN kit_order o ON o.id = l.order_id
        WHERE l.component_id = wanted AND o.state = 'ordered')) THEN
    RAISE EXCEPTION 'more held than on hand' USING ERRCODE = 'DJ003';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
-- What was there before the ledger: on the shelf and in vehicles.
INSERT INTO stock_place (kind) VALUES ('count'), ('scrap');
--> statement-breakpoint
INSERT INTO stock_place (kind, name) SELECT 'bin', 'Shelf' WHERE EXISTS (SELECT 1 FROM component WHERE on_hand > 0);
--> statement-breakpoint
CREATE TEMPORARY TABLE was_on_hand ON COMMIT DROP AS SELECT id, on_hand FROM component WHERE on_hand > 0;
--> statement-breakpoint
INSERT INTO stock_move (kind, component_id, from_id, to_id, quantity)
  SELECT 'opening', w.id, (SELECT id FROM stock_place WHERE kind = 'count'), (SELECT id FROM stock_place WHERE name = 'Shelf'), w.on_hand FROM was_on_hand w;
--> statement-breakpoint
UPDATE component c SET on_hand = w.on_hand, bin_id = (SELECT id FROM stock_place WHERE name = 'Shelf') FROM was_on_hand w WHERE c.id = w.id;
--> statement-breakpoint
INSERT INTO stock_place (kind, "of") SELECT DISTINCT 'vehicle', j.vehicle_id::text FROM part_line l JOIN job j ON j.id = l.job_id WHERE l.state = 'fitted';
--> statement-breakpoint
INSERT INTO stock_move (kind, component_id, from_id, to_id, quantity, part_line_id)
  SELECT 'opening', l.component_id, (SELECT id FROM stock_place WHERE kind = 'count'), p.id, l.quantity, l.id
  FROM part_line l JOIN job j ON j.id = l.job_id JOIN stock_place p ON p.kind = 'vehicle' AND p."of" = j.vehicle_id::text WHERE l.state = 'fitted';
--> statement-breakpoint
WITH numbered AS (
  INSERT INTO serial_item (component_id, serial, origin, part_line_id)
    SELECT DISTINCT ON (l.component_id, lower(l.serial)) l.component_id, l.serial, 'unknown', l.id
    FROM part_line l WHERE l.state = 'fitted' AND l.serial <> '' ORDER BY l.component_id, lower(l.serial), l.fitted_at DESC
    RETURNING id, part_line_id
)
INSERT INTO stock_move_serial (move_id, serial_id) SELECT m.id, n.id FROM numbered n JOIN stock_move m ON m.part_line_id = n.part_line_id;
--> statement-breakpoint
INSERT INTO stock_place (kind, "of") SELECT DISTINCT 'client', client_id::text FROM kit_order WHERE state IN ('sent', 'signed');
--> statement-breakpoint
INSERT INTO stock_move (kind, component_id, from_id, to_id, quantity, note)
  SELECT 'opening', l.component_id, (SELECT id FROM stock_place WHERE kind = 'count'), p.id, l.first_pieces, o.number || ' ' || l.id
  FROM order_line l JOIN kit_order o ON o.id = l.order_id JOIN stock_place p ON p.kind = 'client' AND p."of" = o.client_id::text
  WHERE o.state IN ('sent', 'signed') AND l.first_pieces > 0;
--> statement-breakpoint
WITH numbered AS (
  INSERT INTO serial_item (component_id, serial, origin)
    SELECT s.component_id, s.serial, 'unknown' FROM order_serial s JOIN order_line l ON l.id = s.line_id JOIN kit_order o ON o.id = l.order_id
    WHERE o.state IN ('sent', 'signed') AND l.first_pieces > 0 ON CONFLICT DO NOTHING RETURNING id, component_id, serial
)
INSERT INTO stock_move_serial (move_id, serial_id) SELECT m.id, n.id FROM numbered n
  JOIN order_serial s ON s.component_id = n.component_id AND s.serial = n.serial
  JOIN order_line l ON l.id = s.line_id JOIN kit_order o ON o.id = l.order_id
  JOIN stock_move m ON m.kind = 'opening' AND m.note = o.number || ' ' || l.id;
--> statement-breakpoint
SET CONSTRAINTS ALL IMMEDIATE;
--> statement-breakpoint
SET CONSTRAINTS ALL DEFERRED;
