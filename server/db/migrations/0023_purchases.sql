CREATE TABLE "goods_receipt" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"purchase_id" uuid NOT NULL,
	"note" text NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "goods_receipt_line" (
	"receipt_id" uuid NOT NULL,
	"line_id" uuid NOT NULL,
	"good" integer NOT NULL,
	"damaged" integer NOT NULL,
	"wrong" integer NOT NULL,
	"announced" integer,
	"remark" text DEFAULT '' NOT NULL,
	CONSTRAINT "goods_receipt_line_receipt_id_line_id_pk" PRIMARY KEY("receipt_id","line_id"),
	CONSTRAINT "goods_receipt_line_counted" CHECK ("goods_receipt_line"."good" >= 0 and "goods_receipt_line"."damaged" >= 0 and "goods_receipt_line"."wrong" >= 0)
);
--> statement-breakpoint
CREATE TABLE "offer_round" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"wanted" jsonb NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"closed_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "purchase" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"number" text NOT NULL,
	"supplier_id" text NOT NULL,
	"state" text DEFAULT 'draft' NOT NULL,
	"currency" text NOT NULL,
	"rate_millionths" integer DEFAULT 1000000 NOT NULL,
	"rate_day" date,
	"wanted_on" date,
	"note" text DEFAULT '' NOT NULL,
	"ended_why" text,
	"by_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"sent_at" timestamp with time zone,
	"taken_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "purchase_number_unique" UNIQUE("number"),
	CONSTRAINT "purchase_state" CHECK ("purchase"."state" in ('draft', 'sent', 'confirmed', 'closed', 'cancelled')),
	CONSTRAINT "purchase_rate" CHECK ("purchase"."rate_millionths" > 0),
	CONSTRAINT "purchase_sent" CHECK (("purchase"."state" in ('draft', 'cancelled')) or "purchase"."sent_at" is not null),
	CONSTRAINT "purchase_cancelled" CHECK ("purchase"."state" <> 'cancelled' or "purchase"."ended_why" is not null)
);
--> statement-breakpoint
CREATE TABLE "purchase_invoice" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"purchase_id" uuid NOT NULL,
	"number" text NOT NULL,
	"day" date NOT NULL,
	"lines" jsonb NOT NULL,
	"tax_cents" integer NOT NULL,
	"total_cents" integer NOT NULL,
	"state" text DEFAULT 'open' NOT NULL,
	"why" text DEFAULT '' NOT NULL,
	"by_id" uuid,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"settled_by_id" uuid,
	"settled_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "purchase_invoice_state" CHECK ("purchase_invoice"."state" in ('open', 'agreed', 'refused')),
	CONSTRAINT "purchase_invoice_settled" CHECK (("purchase_invoice"."state" = 'open') = ("purchase_invoice"."settled_by_id" is null))
);
--> statement-breakpoint
CREATE TABLE "purchase_line" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"purchase_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"component_id" text NOT NULL,
	"quantity" integer NOT NULL,
	"price_cents" integer NOT NULL,
	"promised_on" date,
	"first_promised_on" date,
	"dropped" integer DEFAULT 0 NOT NULL,
	CONSTRAINT "purchase_line_quantity" CHECK ("purchase_line"."quantity" > 0),
	CONSTRAINT "purchase_line_price" CHECK ("purchase_line"."price_cents" >= 0),
	CONSTRAINT "purchase_line_dropped" CHECK ("purchase_line"."dropped" between 0 and "purchase_line"."quantity")
);
--> statement-breakpoint
CREATE TABLE "purchase_message" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"purchase_id" uuid NOT NULL,
	"key" text NOT NULL,
	"kind" text NOT NULL,
	"body" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"done_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "purchase_return" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"line_id" uuid NOT NULL,
	"quantity" integer NOT NULL,
	"from_bin" text NOT NULL,
	"reason" text NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "purchase_return_quantity" CHECK ("purchase_return"."quantity" > 0)
);
--> statement-breakpoint
CREATE TABLE "supplier_note" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"supplier_id" text NOT NULL,
	"kind" text NOT NULL,
	"text" text NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended" text,
	"ended_by_id" uuid,
	"ended_at" timestamp with time zone,
	CONSTRAINT "supplier_note_kind" CHECK ("supplier_note"."kind" in ('question', 'promise', 'failure')),
	CONSTRAINT "supplier_note_ended" CHECK (("supplier_note"."ended" is null) = ("supplier_note"."ended_by_id" is null))
);
--> statement-breakpoint
CREATE TABLE "supplier_offer" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"round_id" uuid NOT NULL,
	"supplier_id" text NOT NULL,
	"price_cents" integer NOT NULL,
	"currency" text NOT NULL,
	"rate_millionths" integer DEFAULT 1000000 NOT NULL,
	"rate_day" date,
	"delivery_days" integer NOT NULL,
	"includes" jsonb NOT NULL,
	"valid_until" date,
	"note" text DEFAULT '' NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "supplier_offer_price" CHECK ("supplier_offer"."price_cents" > 0),
	CONSTRAINT "supplier_offer_rate" CHECK ("supplier_offer"."rate_millionths" > 0)
);
--> statement-breakpoint
ALTER TABLE "part_line" ADD COLUMN "purchase_line_id" uuid;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "contact" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "desk_url" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "goods_receipt" ADD CONSTRAINT "goods_receipt_purchase_id_purchase_id_fk" FOREIGN KEY ("purchase_id") REFERENCES "public"."purchase"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_receipt" ADD CONSTRAINT "goods_receipt_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_receipt_line" ADD CONSTRAINT "goods_receipt_line_receipt_id_goods_receipt_id_fk" FOREIGN KEY ("receipt_id") REFERENCES "public"."goods_receipt"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_receipt_line" ADD CONSTRAINT "goods_receipt_line_line_id_purchase_line_id_fk" FOREIGN KEY ("line_id") REFERENCES "public"."purchase_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "offer_round" ADD CONSTRAINT "offer_round_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase" ADD CONSTRAINT "purchase_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase" ADD CONSTRAINT "purchase_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_invoice" ADD CONSTRAINT "purchase_invoice_purchase_id_purchase_id_fk" FOREIGN KEY ("purchase_id") REFERENCES "public"."purchase"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_invoice" ADD CONSTRAINT "purchase_invoice_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_invoice" ADD CONSTRAINT "purchase_invoice_settled_by_id_person_id_fk" FOREIGN KEY ("settled_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_line" ADD CONSTRAINT "purchase_line_purchase_id_purchase_id_fk" FOREIGN KEY ("purchase_id") REFERENCES "public"."purchase"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_line" ADD CONSTRAINT "purchase_line_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_message" ADD CONSTRAINT "purchase_message_purchase_id_purchase_id_fk" FOREIGN KEY ("purchase_id") REFERENCES "public"."purchase"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_return" ADD CONSTRAINT "purchase_return_line_id_purchase_line_id_fk" FOREIGN KEY ("line_id") REFERENCES "public"."purchase_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_return" ADD CONSTRAINT "purchase_return_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_note" ADD CONSTRAINT "supplier_note_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_note" ADD CONSTRAINT "supplier_note_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_note" ADD CONSTRAINT "supplier_note_ended_by_id_person_id_fk" FOREIGN KEY ("ended_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_offer" ADD CONSTRAINT "supplier_offer_round_id_offer_round_id_fk" FOREIGN KEY ("round_id") REFERENCES "public"."offer_round"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_offer" ADD CONSTRAINT "supplier_offer_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "goods_receipt_once" ON "goods_receipt" USING btree ("purchase_id",lower("note"));--> statement-breakpoint
CREATE INDEX "goods_receipt_by" ON "goods_receipt" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "goods_receipt_line_line" ON "goods_receipt_line" USING btree ("line_id");--> statement-breakpoint
CREATE INDEX "offer_round_by" ON "offer_round" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "purchase_supplier" ON "purchase" USING btree ("supplier_id");--> statement-breakpoint
CREATE INDEX "purchase_by" ON "purchase" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "purchase_open" ON "purchase" USING btree ("number") WHERE "purchase"."state" in ('draft', 'sent', 'confirmed');--> statement-breakpoint
CREATE UNIQUE INDEX "purchase_invoice_once" ON "purchase_invoice" USING btree ("purchase_id",lower("number"));--> statement-breakpoint
CREATE INDEX "purchase_invoice_by" ON "purchase_invoice" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "purchase_invoice_settled_by" ON "purchase_invoice" USING btree ("settled_by_id");--> statement-breakpoint
CREATE INDEX "purchase_line_purchase" ON "purchase_line" USING btree ("purchase_id");--> statement-breakpoint
CREATE INDEX "purchase_line_component" ON "purchase_line" USING btree ("component_id");--> statement-breakpoint
CREATE UNIQUE INDEX "purchase_message_once" ON "purchase_message" USING btree ("purchase_id","key");--> statement-breakpoint
CREATE INDEX "purchase_return_line" ON "purchase_return" USING btree ("line_id");--> statement-breakpoint
CREATE INDEX "purchase_return_by" ON "purchase_return" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "supplier_note_supplier" ON "supplier_note" USING btree ("supplier_id");--> statement-breakpoint
CREATE INDEX "supplier_note_by" ON "supplier_note" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "supplier_note_ended_by" ON "supplier_note" USING btree ("ended_by_id");--> statement-breakpoint
CREATE INDEX "supplier_offer_round" ON "supplier_offer" USING btree ("round_id");--> statement-breakpoint
CREATE INDEX "supplier_offer_supplier" ON "supplier_offer" USING btree ("supplier_id");--> statement-breakpoint
ALTER TABLE "part_line" ADD CONSTRAINT "part_line_purchase_line_id_purchase_line_id_fk" FOREIGN KEY ("purchase_line_id") REFERENCES "public"."purchase_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "part_line_purchase_line" ON "part_line" USING btree ("purchase_line_id");--> statement-breakpoint
ALTER TABLE "part_line" ADD CONSTRAINT "part_line_purchase" CHECK ("part_line"."purchase_line_id" is null or "part_line"."state" = 'ordered');--> statement-breakpoint
CREATE TRIGGER goods_receipt_line_kept BEFORE UPDATE OR DELETE ON "goods_receipt_line" FOR EACH ROW EXECUTE FUNCTION ledger_kept();
--> statement-breakpoint
CREATE TRIGGER purchase_return_kept BEFORE UPDATE OR DELETE ON "purchase_return" FOR EACH ROW EXECUTE FUNCTION ledger_kept();
--> statement-breakpoint
-- What was ordered stays as it was ordered.
CREATE FUNCTION purchase_line_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF (SELECT state FROM purchase WHERE id = OLD.purchase_id) <> 'draft' AND (TG_OP = 'DELETE' OR NEW.quantity IS DISTINCT FROM OLD.quantity
    OR NEW.component_id IS DISTINCT FROM OLD.component_id OR NEW.purchase_id IS DISTINCT FROM OLD.purchase_id) THEN
    RAISE EXCEPTION 'what was ordered never changes' USING ERRCODE = 'DJ001';
  END IF;
  RETURN coalesce(NEW, OLD);
END $$;
--> statement-breakpoint
CREATE TRIGGER purchase_line_kept BEFORE UPDATE OR DELETE ON "purchase_line" FOR EACH ROW EXECUTE FUNCTION purchase_line_kept();
