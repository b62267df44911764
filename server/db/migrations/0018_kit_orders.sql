CREATE TABLE "kit_order" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"number" text NOT NULL,
	"client_id" uuid NOT NULL,
	"revision_id" text NOT NULL,
	"variant_id" text NOT NULL,
	"options" jsonb NOT NULL,
	"kind" text NOT NULL,
	"fitter" text NOT NULL,
	"partner_id" uuid,
	"vehicle" text DEFAULT '' NOT NULL,
	"promised_on" date NOT NULL,
	"comes_on" date,
	"job_id" uuid,
	"fitted_by" jsonb NOT NULL,
	"loan_tool" text,
	"loan_due" date,
	"loan_back" date,
	"note" text DEFAULT '' NOT NULL,
	"state" text DEFAULT 'ordered' NOT NULL,
	"cancelled_why" text,
	"by_id" uuid NOT NULL,
	"ordered_at" timestamp with time zone DEFAULT now() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "kit_order_number_unique" UNIQUE("number"),
	CONSTRAINT "kit_order_kind" CHECK ("kit_order"."kind" in ('sent', 'sentThenHere')),
	CONSTRAINT "kit_order_state" CHECK ("kit_order"."state" in ('ordered', 'sent', 'signed', 'cancelled')),
	CONSTRAINT "kit_order_partner_named" CHECK (("kit_order"."fitter" = 'partner') = ("kit_order"."partner_id" is not null)),
	CONSTRAINT "kit_order_cancelled_why" CHECK (("kit_order"."state" = 'cancelled') = ("kit_order"."cancelled_why" is not null))
);
--> statement-breakpoint
CREATE TABLE "order_crate" (
	"order_id" uuid NOT NULL,
	"name" text NOT NULL,
	"length_mm" integer NOT NULL,
	"width_mm" integer NOT NULL,
	"height_mm" integer NOT NULL,
	"mass_kg" double precision NOT NULL,
	CONSTRAINT "order_crate_order_id_name_pk" PRIMARY KEY("order_id","name")
);
--> statement-breakpoint
CREATE TABLE "order_dispatch" (
	"order_id" uuid PRIMARY KEY NOT NULL,
	"carrier" text NOT NULL,
	"missing" jsonb NOT NULL,
	"why" text DEFAULT '' NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "order_dispatch_why" CHECK (jsonb_array_length("order_dispatch"."missing") = 0 or "order_dispatch"."why" <> '')
);
--> statement-breakpoint
CREATE TABLE "order_line" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"order_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"component_id" text NOT NULL,
	"crate" text NOT NULL,
	"pieces" integer NOT NULL,
	"first_pieces" integer,
	"first_by_id" uuid,
	"first_at" timestamp with time zone,
	"second_pieces" integer,
	"second_by_id" uuid,
	"second_at" timestamp with time zone,
	CONSTRAINT "order_line_pieces" CHECK ("order_line"."pieces" > 0),
	CONSTRAINT "order_line_first" CHECK ("order_line"."first_pieces" between 0 and "order_line"."pieces"),
	CONSTRAINT "order_line_second" CHECK ("order_line"."second_pieces" between 0 and "order_line"."pieces"),
	CONSTRAINT "order_line_first_who" CHECK (("order_line"."first_pieces" is null) = ("order_line"."first_by_id" is null)),
	CONSTRAINT "order_line_second_who" CHECK (("order_line"."second_pieces" is null) = ("order_line"."second_by_id" is null)),
	CONSTRAINT "order_line_two_people" CHECK ("order_line"."second_by_id" is null or "order_line"."first_by_id" is not null and "order_line"."second_by_id" <> "order_line"."first_by_id")
);
--> statement-breakpoint
CREATE TABLE "order_link" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"order_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"until" timestamp with time zone NOT NULL,
	"revoked_at" timestamp with time zone,
	"last_used_at" timestamp with time zone,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "order_link_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "order_paper" (
	"order_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"reference" text NOT NULL,
	"given_by" text NOT NULL,
	"day" date NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "order_paper_order_id_kind_pk" PRIMARY KEY("order_id","kind"),
	CONSTRAINT "order_paper_kind" CHECK ("order_paper"."kind" in ('lithium', 'instructions', 'notIncluded'))
);
--> statement-breakpoint
CREATE TABLE "order_question" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"order_id" uuid NOT NULL,
	"revision_id" text NOT NULL,
	"stage_key" text,
	"text" text NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"answer" text,
	"answered_by_id" uuid,
	"answered_at" timestamp with time zone,
	CONSTRAINT "order_question_answered" CHECK (("order_question"."answer" is null) = ("order_question"."answered_by_id" is null))
);
--> statement-breakpoint
CREATE TABLE "order_reading" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"order_id" uuid NOT NULL,
	"stage_key" text NOT NULL,
	"step" integer NOT NULL,
	"value" double precision NOT NULL,
	"instrument" text DEFAULT '' NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"allowed_by_id" uuid,
	"allowed_why" text,
	CONSTRAINT "order_reading_allowed" CHECK (("order_reading"."allowed_by_id" is null) = ("order_reading"."allowed_why" is null))
);
--> statement-breakpoint
CREATE TABLE "order_serial" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"line_id" uuid NOT NULL,
	"component_id" text NOT NULL,
	"serial" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "order_sign" (
	"order_id" uuid PRIMARY KEY NOT NULL,
	"by" text NOT NULL,
	"address" text NOT NULL,
	"remark" text DEFAULT '' NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "order_stage" (
	"order_id" uuid NOT NULL,
	"stage_key" text NOT NULL,
	"by" text NOT NULL,
	"hours" double precision,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "order_stage_order_id_stage_key_pk" PRIMARY KEY("order_id","stage_key")
);
--> statement-breakpoint
CREATE TABLE "partner_approval" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"client_id" uuid NOT NULL,
	"kit_id" text NOT NULL,
	"valid_until" date NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"ended_on" date,
	"ended_why" text,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "partner_approval_ended" CHECK (("partner_approval"."ended_on" is null) = ("partner_approval"."ended_why" is null))
);
--> statement-breakpoint
ALTER TABLE "file" DROP CONSTRAINT "file_about_what";--> statement-breakpoint
ALTER TABLE "kit_order" ADD CONSTRAINT "kit_order_client_id_client_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."client"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_order" ADD CONSTRAINT "kit_order_revision_id_kit_revision_id_fk" FOREIGN KEY ("revision_id") REFERENCES "public"."kit_revision"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_order" ADD CONSTRAINT "kit_order_variant_id_variant_id_fk" FOREIGN KEY ("variant_id") REFERENCES "public"."variant"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_order" ADD CONSTRAINT "kit_order_partner_id_client_id_fk" FOREIGN KEY ("partner_id") REFERENCES "public"."client"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_order" ADD CONSTRAINT "kit_order_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_order" ADD CONSTRAINT "kit_order_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_crate" ADD CONSTRAINT "order_crate_order_id_kit_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."kit_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_dispatch" ADD CONSTRAINT "order_dispatch_order_id_kit_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."kit_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_dispatch" ADD CONSTRAINT "order_dispatch_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_line" ADD CONSTRAINT "order_line_order_id_kit_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."kit_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_line" ADD CONSTRAINT "order_line_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_line" ADD CONSTRAINT "order_line_first_by_id_person_id_fk" FOREIGN KEY ("first_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_line" ADD CONSTRAINT "order_line_second_by_id_person_id_fk" FOREIGN KEY ("second_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_link" ADD CONSTRAINT "order_link_order_id_kit_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."kit_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_link" ADD CONSTRAINT "order_link_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_paper" ADD CONSTRAINT "order_paper_order_id_kit_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."kit_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_paper" ADD CONSTRAINT "order_paper_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_question" ADD CONSTRAINT "order_question_order_id_kit_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."kit_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_question" ADD CONSTRAINT "order_question_revision_id_kit_revision_id_fk" FOREIGN KEY ("revision_id") REFERENCES "public"."kit_revision"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_question" ADD CONSTRAINT "order_question_answered_by_id_person_id_fk" FOREIGN KEY ("answered_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_reading" ADD CONSTRAINT "order_reading_order_id_kit_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."kit_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_reading" ADD CONSTRAINT "order_reading_allowed_by_id_person_id_fk" FOREIGN KEY ("allowed_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_serial" ADD CONSTRAINT "order_serial_line_id_order_line_id_fk" FOREIGN KEY ("line_id") REFERENCES "public"."order_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_serial" ADD CONSTRAINT "order_serial_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_sign" ADD CONSTRAINT "order_sign_order_id_kit_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."kit_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "order_stage" ADD CONSTRAINT "order_stage_order_id_kit_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."kit_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "partner_approval" ADD CONSTRAINT "partner_approval_client_id_client_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."client"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "partner_approval" ADD CONSTRAINT "partner_approval_kit_id_kit_id_fk" FOREIGN KEY ("kit_id") REFERENCES "public"."kit"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "partner_approval" ADD CONSTRAINT "partner_approval_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "kit_order_client" ON "kit_order" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "kit_order_revision" ON "kit_order" USING btree ("revision_id");--> statement-breakpoint
CREATE INDEX "kit_order_variant" ON "kit_order" USING btree ("variant_id");--> statement-breakpoint
CREATE INDEX "kit_order_partner" ON "kit_order" USING btree ("partner_id");--> statement-breakpoint
CREATE INDEX "kit_order_job" ON "kit_order" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "kit_order_by" ON "kit_order" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "order_dispatch_by" ON "order_dispatch" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "order_line_order" ON "order_line" USING btree ("order_id");--> statement-breakpoint
CREATE INDEX "order_line_component" ON "order_line" USING btree ("component_id");--> statement-breakpoint
CREATE INDEX "order_line_first_by" ON "order_line" USING btree ("first_by_id");--> statement-breakpoint
CREATE INDEX "order_line_second_by" ON "order_line" USING btree ("second_by_id");--> statement-breakpoint
CREATE UNIQUE INDEX "order_link_open" ON "order_link" USING btree ("order_id") WHERE "order_link"."revoked_at" is null;--> statement-breakpoint
CREATE INDEX "order_link_order" ON "order_link" USING btree ("order_id");--> statement-breakpoint
CREATE INDEX "order_link_by" ON "order_link" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "order_paper_by" ON "order_paper" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "order_question_order" ON "order_question" USING btree ("order_id");--> statement-breakpoint
CREATE INDEX "order_question_revision" ON "order_question" USING btree ("revision_id");--> statement-breakpoint
CREATE INDEX "order_question_answered_by" ON "order_question" USING btree ("answered_by_id");--> statement-breakpoint
CREATE INDEX "order_reading_order" ON "order_reading" USING btree ("order_id","stage_key","step");--> statement-breakpoint
CREATE INDEX "order_reading_allowed_by" ON "order_reading" USING btree ("allowed_by_id");--> statement-breakpoint
CREATE INDEX "order_serial_line" ON "order_serial" USING btree ("line_id");--> statement-breakpoint
CREATE UNIQUE INDEX "order_serial_once" ON "order_serial" USING btree ("component_id",lower("serial"));--> statement-breakpoint
CREATE INDEX "partner_approval_client" ON "partner_approval" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "partner_approval_kit" ON "partner_approval" USING btree ("kit_id");--> statement-breakpoint
CREATE INDEX "partner_approval_by" ON "partner_approval" USING btree ("by_id");--> statement-breakpoint
CREATE UNIQUE INDEX "partner_approval_once" ON "partner_approval" USING btree ("client_id","kit_id") WHERE "partner_approval"."ended_on" is null;--> statement-breakpoint
ALTER TABLE "file" ADD CONSTRAINT "file_about_what" CHECK ("file"."about" in ('vehicle', 'job', 'stage', 'snag', 'component', 'variant', 'authorisation', 'lesson', 'register', 'kitRevision', 'order'));--> statement-breakpoint
CREATE FUNCTION order_paper_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'UPDATE' AND current_setting('dajo.removal', true) = 'on' THEN RETURN NEW; END IF;
  RAISE EXCEPTION 'how a kit left and what came back signed never change' USING ERRCODE = 'DJ001';
END $$;
--> statement-breakpoint
CREATE TRIGGER order_dispatch_kept BEFORE UPDATE OR DELETE ON "order_dispatch" FOR EACH ROW EXECUTE FUNCTION order_paper_kept();
--> statement-breakpoint
CREATE TRIGGER order_sign_kept BEFORE UPDATE OR DELETE ON "order_sign" FOR EACH ROW EXECUTE FUNCTION order_paper_kept();
--> statement-breakpoint
CREATE FUNCTION order_sold_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('dajo.removal', true) = 'on' THEN RETURN NEW; END IF;
  IF NEW.number IS DISTINCT FROM OLD.number OR NEW.revision_id IS DISTINCT FROM OLD.revision_id
    OR NEW.options IS DISTINCT FROM OLD.options OR NEW.kind IS DISTINCT FROM OLD.kind THEN
    RAISE EXCEPTION 'what was sold never changes' USING ERRCODE = 'DJ001';
  END IF;
  IF NEW.state IS DISTINCT FROM OLD.state AND NOT (
    (OLD.state = 'ordered' AND NEW.state IN ('sent', 'cancelled')) OR (OLD.state = 'sent' AND NEW.state = 'signed')
  ) THEN
    RAISE EXCEPTION 'an order goes from ordered to sent to signed, or is cancelled before it is sent' USING ERRCODE = 'DJ001';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER kit_order_kept BEFORE UPDATE ON "kit_order" FOR EACH ROW EXECUTE FUNCTION order_sold_kept();
--> statement-breakpoint
CREATE FUNCTION order_packing_kept() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE of_order uuid;
BEGIN
  IF TG_OP = 'UPDATE' AND current_setting('dajo.removal', true) = 'on' THEN RETURN NEW; END IF;
  IF TG_TABLE_NAME = 'order_serial' THEN
    SELECT order_id INTO of_order FROM order_line WHERE id = coalesce(NEW.line_id, OLD.line_id);
  ELSE
    of_order := coalesce(NEW.order_id, OLD.order_id);
  END IF;
  IF (SELECT state FROM kit_order WHERE id = of_order) IN ('sent', 'signed') THEN
    RAISE EXCEPTION 'a packing that has left never changes' USING ERRCODE = 'DJ001';
  END IF;
  RETURN coalesce(NEW, OLD);
END $$;
--> statement-breakpoint
CREATE TRIGGER order_line_kept BEFORE INSERT OR UPDATE OR DELETE ON "order_line" FOR EACH ROW EXECUTE FUNCTION order_packing_kept();
--> statement-breakpoint
CREATE TRIGGER order_serial_kept BEFORE INSERT OR UPDATE OR DELETE ON "order_serial" FOR EACH ROW EXECUTE FUNCTION order_packing_kept();
--> statement-breakpoint
CREATE TRIGGER order_crate_kept BEFORE INSERT OR UPDATE OR DELETE ON "order_crate" FOR EACH ROW EXECUTE FUNCTION order_packing_kept();
--> statement-breakpoint
CREATE TRIGGER order_paper_row_kept BEFORE INSERT OR UPDATE OR DELETE ON "order_paper" FOR EACH ROW EXECUTE FUNCTION order_packing_kept();
--> statement-breakpoint
CREATE FUNCTION order_fitting_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'UPDATE' AND current_setting('dajo.removal', true) = 'on' THEN RETURN NEW; END IF;
  IF EXISTS (SELECT 1 FROM order_sign WHERE order_id = coalesce(NEW.order_id, OLD.order_id)) THEN
    RAISE EXCEPTION 'what was signed never changes' USING ERRCODE = 'DJ001';
  END IF;
  RETURN coalesce(NEW, OLD);
END $$;
--> statement-breakpoint
CREATE TRIGGER order_stage_kept BEFORE INSERT OR UPDATE OR DELETE ON "order_stage" FOR EACH ROW EXECUTE FUNCTION order_fitting_kept();
--> statement-breakpoint
CREATE TRIGGER order_reading_kept BEFORE INSERT OR UPDATE OR DELETE ON "order_reading" FOR EACH ROW EXECUTE FUNCTION order_fitting_kept();
--> statement-breakpoint
-- What lines of jobs hold in stores, and what is packed and has not left, is on the shelf.
CREATE OR REPLACE FUNCTION stock_held() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  wanted text := to_jsonb(NEW) ->> CASE TG_TABLE_NAME WHEN 'component' THEN 'id' ELSE 'component_id' END;
  shelf integer;
BEGIN
  SELECT on_hand INTO shelf FROM component WHERE id = wanted FOR NO KEY UPDATE;
  IF shelf < (SELECT coalesce(sum(quantity), 0) FROM part_line WHERE component_id = wanted AND state = 'inStores')
    + (SELECT coalesce(sum(l.first_pieces), 0) FROM order_line l JOIN kit_order o ON o.id = l.order_id
        WHERE l.component_id = wanted AND o.state = 'ordered') THEN
    RAISE EXCEPTION 'more held than on hand' USING ERRCODE = 'DJ003';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER order_line_stock AFTER INSERT OR UPDATE OF first_pieces ON "order_line"
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW WHEN (NEW.first_pieces > 0) EXECUTE FUNCTION stock_held();
