CREATE TABLE "addition" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"wish" text NOT NULL,
	"state" text DEFAULT 'asked' NOT NULL,
	"body" jsonb NOT NULL,
	"currency" text NOT NULL,
	"net_cents" bigint NOT NULL,
	"tax_cents" bigint NOT NULL,
	"total_cents" bigint NOT NULL,
	"design_id" uuid,
	"revision_id" text,
	"options" text[] DEFAULT '{}' NOT NULL,
	"mass_kg" double precision DEFAULT 0 NOT NULL,
	"x_mm" double precision,
	"effect" jsonb,
	"asked_by" text DEFAULT '' NOT NULL,
	"by_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"priced_at" timestamp with time zone,
	"answered_at" timestamp with time zone,
	"answered_by" text,
	"answered_from" text,
	"answered_why" text DEFAULT '' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "addition_state" CHECK ("addition"."state" in ('asked', 'priced', 'accepted', 'declined', 'withdrawn')),
	CONSTRAINT "addition_sums" CHECK ("addition"."net_cents" + "addition"."tax_cents" = "addition"."total_cents"),
	CONSTRAINT "addition_priced" CHECK ("addition"."state" not in ('priced', 'accepted', 'declined') or ("addition"."priced_at" is not null and "addition"."effect" is not null)),
	CONSTRAINT "addition_answered" CHECK ("addition"."state" not in ('accepted', 'declined') or ("addition"."answered_at" is not null and "addition"."answered_by" <> ''))
);
--> statement-breakpoint
CREATE TABLE "client_link" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"until" timestamp with time zone NOT NULL,
	"revoked_at" timestamp with time zone,
	"last_used_at" timestamp with time zone,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "client_link_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "client_question" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"text" text NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"answer" text,
	"answered_by_id" uuid,
	"answered_at" timestamp with time zone,
	CONSTRAINT "client_question_answered" CHECK (("client_question"."answer" is null) = ("client_question"."answered_by_id" is null))
);
--> statement-breakpoint
CREATE TABLE "job_cost" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"text" text NOT NULL,
	"cents" bigint NOT NULL,
	"foreign" jsonb,
	"day" date NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"dropped_at" timestamp with time zone,
	"dropped_why" text,
	CONSTRAINT "job_cost_dropped" CHECK (("job_cost"."dropped_at" is null) = ("job_cost"."dropped_why" is null))
);
--> statement-breakpoint
CREATE TABLE "job_way" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"name" text NOT NULL,
	"design_id" uuid,
	"revision_id" text,
	"options" text[] DEFAULT '{}' NOT NULL,
	"lv_by_client" boolean DEFAULT false NOT NULL,
	"more_cents" bigint DEFAULT 0 NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"dropped_at" timestamp with time zone,
	CONSTRAINT "job_way_one" CHECK (("job_way"."design_id" is null) <> ("job_way"."revision_id" is null))
);
--> statement-breakpoint
CREATE TABLE "offer" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"state" text DEFAULT 'draft' NOT NULL,
	"body" jsonb NOT NULL,
	"currency" text NOT NULL,
	"net_cents" bigint NOT NULL,
	"tax_cents" bigint NOT NULL,
	"total_cents" bigint NOT NULL,
	"design_id" uuid,
	"design_inputs" jsonb,
	"kit_revision_id" text,
	"kit_options" text[] DEFAULT '{}' NOT NULL,
	"by_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"sent_at" timestamp with time zone,
	"answered_at" timestamp with time zone,
	"answered_by" text,
	"answered_from" text,
	"answered_why" text DEFAULT '' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "offer_state" CHECK ("offer"."state" in ('draft', 'sent', 'accepted', 'declined', 'withdrawn')),
	CONSTRAINT "offer_sums" CHECK ("offer"."net_cents" + "offer"."tax_cents" = "offer"."total_cents"),
	CONSTRAINT "offer_sent" CHECK ("offer"."state" not in ('sent', 'accepted', 'declined') or "offer"."sent_at" is not null),
	CONSTRAINT "offer_answered" CHECK ("offer"."state" not in ('accepted', 'declined') or ("offer"."answered_at" is not null and "offer"."answered_by" <> ''))
);
--> statement-breakpoint
CREATE TABLE "released_file" (
	"file_id" uuid PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "counter_sale" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"number" text NOT NULL,
	"state" text DEFAULT 'draft' NOT NULL,
	"client_id" uuid NOT NULL,
	"body" jsonb NOT NULL,
	"currency" text NOT NULL,
	"net_cents" bigint NOT NULL,
	"tax_cents" bigint NOT NULL,
	"total_cents" bigint NOT NULL,
	"by_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"sold_at" timestamp with time zone,
	"ended_why" text,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "counter_sale_number_unique" UNIQUE("number"),
	CONSTRAINT "counter_sale_state" CHECK ("counter_sale"."state" in ('draft', 'sold', 'cancelled')),
	CONSTRAINT "counter_sale_sums" CHECK ("counter_sale"."net_cents" + "counter_sale"."tax_cents" = "counter_sale"."total_cents"),
	CONSTRAINT "counter_sale_sold" CHECK (("counter_sale"."state" = 'sold') = ("counter_sale"."sold_at" is not null)),
	CONSTRAINT "counter_sale_ended" CHECK (("counter_sale"."state" = 'cancelled') = ("counter_sale"."ended_why" is not null))
);
--> statement-breakpoint
CREATE TABLE "own_vehicle" (
	"vehicle_id" uuid PRIMARY KEY NOT NULL,
	"bought_on" date NOT NULL,
	"bought_from" text DEFAULT '' NOT NULL,
	"purchase_cents" bigint NOT NULL,
	"converted_before" boolean DEFAULT false NOT NULL,
	"value_cents" bigint,
	"valued_on" date,
	"sold_on" date,
	"sold_to" text DEFAULT '' NOT NULL,
	"sold_cents" bigint,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "own_vehicle_sold" CHECK ((sold_on is null) = (sold_cents is null)),
	CONSTRAINT "own_vehicle_valued" CHECK ((valued_on is null) = (value_cents is null))
);
--> statement-breakpoint
ALTER TABLE "component" ADD COLUMN "foreign" jsonb;--> statement-breakpoint
ALTER TABLE "client" ADD COLUMN "own" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "addition" ADD CONSTRAINT "addition_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "addition" ADD CONSTRAINT "addition_design_id_design_id_fk" FOREIGN KEY ("design_id") REFERENCES "public"."design"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "addition" ADD CONSTRAINT "addition_revision_id_kit_revision_id_fk" FOREIGN KEY ("revision_id") REFERENCES "public"."kit_revision"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "addition" ADD CONSTRAINT "addition_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_link" ADD CONSTRAINT "client_link_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_link" ADD CONSTRAINT "client_link_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_question" ADD CONSTRAINT "client_question_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_question" ADD CONSTRAINT "client_question_answered_by_id_person_id_fk" FOREIGN KEY ("answered_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_cost" ADD CONSTRAINT "job_cost_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_cost" ADD CONSTRAINT "job_cost_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_way" ADD CONSTRAINT "job_way_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_way" ADD CONSTRAINT "job_way_design_id_design_id_fk" FOREIGN KEY ("design_id") REFERENCES "public"."design"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_way" ADD CONSTRAINT "job_way_revision_id_kit_revision_id_fk" FOREIGN KEY ("revision_id") REFERENCES "public"."kit_revision"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_way" ADD CONSTRAINT "job_way_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "offer" ADD CONSTRAINT "offer_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "offer" ADD CONSTRAINT "offer_design_id_design_id_fk" FOREIGN KEY ("design_id") REFERENCES "public"."design"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "offer" ADD CONSTRAINT "offer_kit_revision_id_kit_revision_id_fk" FOREIGN KEY ("kit_revision_id") REFERENCES "public"."kit_revision"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "offer" ADD CONSTRAINT "offer_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "released_file" ADD CONSTRAINT "released_file_file_id_file_id_fk" FOREIGN KEY ("file_id") REFERENCES "public"."file"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "released_file" ADD CONSTRAINT "released_file_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "released_file" ADD CONSTRAINT "released_file_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "counter_sale" ADD CONSTRAINT "counter_sale_client_id_client_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."client"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "counter_sale" ADD CONSTRAINT "counter_sale_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "own_vehicle" ADD CONSTRAINT "own_vehicle_vehicle_id_vehicle_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicle"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "addition_number_once" ON "addition" USING btree ("job_id","number");--> statement-breakpoint
CREATE INDEX "addition_design" ON "addition" USING btree ("design_id");--> statement-breakpoint
CREATE INDEX "addition_revision" ON "addition" USING btree ("revision_id");--> statement-breakpoint
CREATE INDEX "addition_by" ON "addition" USING btree ("by_id");--> statement-breakpoint
CREATE UNIQUE INDEX "client_link_open" ON "client_link" USING btree ("job_id") WHERE "client_link"."revoked_at" is null;--> statement-breakpoint
CREATE INDEX "client_link_job" ON "client_link" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "client_link_by" ON "client_link" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "client_question_job" ON "client_question" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "client_question_answered_by" ON "client_question" USING btree ("answered_by_id");--> statement-breakpoint
CREATE INDEX "job_cost_job" ON "job_cost" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "job_cost_by" ON "job_cost" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "job_way_job" ON "job_way" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "job_way_design" ON "job_way" USING btree ("design_id");--> statement-breakpoint
CREATE INDEX "job_way_revision" ON "job_way" USING btree ("revision_id");--> statement-breakpoint
CREATE INDEX "job_way_by" ON "job_way" USING btree ("by_id");--> statement-breakpoint
CREATE UNIQUE INDEX "offer_number_once" ON "offer" USING btree ("job_id","number");--> statement-breakpoint
CREATE UNIQUE INDEX "offer_one_draft" ON "offer" USING btree ("job_id") WHERE "offer"."state" = 'draft';--> statement-breakpoint
CREATE UNIQUE INDEX "offer_one_sent" ON "offer" USING btree ("job_id") WHERE "offer"."state" = 'sent';--> statement-breakpoint
CREATE UNIQUE INDEX "offer_one_accepted" ON "offer" USING btree ("job_id") WHERE "offer"."state" = 'accepted';--> statement-breakpoint
CREATE INDEX "offer_design" ON "offer" USING btree ("design_id");--> statement-breakpoint
CREATE INDEX "offer_kit" ON "offer" USING btree ("kit_revision_id");--> statement-breakpoint
CREATE INDEX "offer_by" ON "offer" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "released_file_job" ON "released_file" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "released_file_by" ON "released_file" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "counter_sale_client" ON "counter_sale" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "counter_sale_by" ON "counter_sale" USING btree ("by_id");--> statement-breakpoint
CREATE UNIQUE INDEX "client_own_once" ON "client" USING btree ("own") WHERE "client"."own";--> statement-breakpoint
CREATE FUNCTION offer_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'UPDATE' AND current_setting('dajo.removal', true) = 'on' THEN RETURN NEW; END IF;
  IF TG_OP = 'DELETE' THEN RAISE EXCEPTION 'an offer is withdrawn, not deleted' USING ERRCODE = 'DJ001'; END IF;
  IF OLD.state <> 'draft' AND (NEW.body, NEW.number, NEW.job_id, NEW.currency, NEW.net_cents, NEW.tax_cents, NEW.total_cents,
      NEW.design_id, NEW.design_inputs, NEW.kit_revision_id, NEW.kit_options, NEW.sent_at)
    IS DISTINCT FROM (OLD.body, OLD.number, OLD.job_id, OLD.currency, OLD.net_cents, OLD.tax_cents, OLD.total_cents,
      OLD.design_id, OLD.design_inputs, OLD.kit_revision_id, OLD.kit_options, OLD.sent_at) THEN
    RAISE EXCEPTION 'an offer that was sent never changes' USING ERRCODE = 'DJ001';
  END IF;
  IF NEW.state <> OLD.state AND NOT (
    (OLD.state = 'draft' AND NEW.state IN ('sent', 'withdrawn')) OR (OLD.state = 'sent' AND NEW.state IN ('accepted', 'declined', 'withdrawn'))
  ) THEN
    RAISE EXCEPTION 'an offer that was answered stays so' USING ERRCODE = 'DJ001';
  END IF;
  IF OLD.answered_at IS NOT NULL AND (NEW.answered_at, NEW.answered_by, NEW.answered_from)
    IS DISTINCT FROM (OLD.answered_at, OLD.answered_by, OLD.answered_from) THEN
    RAISE EXCEPTION 'an answer never changes' USING ERRCODE = 'DJ001';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER offer_kept BEFORE UPDATE OR DELETE ON "offer" FOR EACH ROW EXECUTE FUNCTION offer_kept();
--> statement-breakpoint
CREATE FUNCTION addition_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'UPDATE' AND current_setting('dajo.removal', true) = 'on' THEN RETURN NEW; END IF;
  IF TG_OP = 'DELETE' THEN RAISE EXCEPTION 'a change is withdrawn, not deleted' USING ERRCODE = 'DJ001'; END IF;
  IF OLD.state <> 'asked' AND (NEW.body, NEW.wish, NEW.number, NEW.job_id, NEW.currency, NEW.net_cents, NEW.tax_cents, NEW.total_cents,
      NEW.design_id, NEW.revision_id, NEW.options, NEW.mass_kg, NEW.x_mm, NEW.effect, NEW.priced_at)
    IS DISTINCT FROM (OLD.body, OLD.wish, OLD.number, OLD.job_id, OLD.currency, OLD.net_cents, OLD.tax_cents, OLD.total_cents,
      OLD.design_id, OLD.revision_id, OLD.options, OLD.mass_kg, OLD.x_mm, OLD.effect, OLD.priced_at) THEN
    RAISE EXCEPTION 'a change that was priced never changes' USING ERRCODE = 'DJ001';
  END IF;
  IF NEW.state <> OLD.state AND NOT (
    (OLD.state = 'asked' AND NEW.state IN ('priced', 'withdrawn')) OR (OLD.state = 'priced' AND NEW.state IN ('accepted', 'declined', 'withdrawn'))
  ) THEN
    RAISE EXCEPTION 'a change that was answered stays so' USING ERRCODE = 'DJ001';
  END IF;
  IF OLD.answered_at IS NOT NULL AND (NEW.answered_at, NEW.answered_by, NEW.answered_from)
    IS DISTINCT FROM (OLD.answered_at, OLD.answered_by, OLD.answered_from) THEN
    RAISE EXCEPTION 'an answer never changes' USING ERRCODE = 'DJ001';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER addition_kept BEFORE UPDATE OR DELETE ON "addition" FOR EACH ROW EXECUTE FUNCTION addition_kept();
--> statement-breakpoint
CREATE FUNCTION counter_sale_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'UPDATE' AND current_setting('dajo.removal', true) = 'on' THEN RETURN NEW; END IF;
  IF TG_OP = 'DELETE' OR (OLD.state <> 'draft' AND (NEW.state, NEW.number, NEW.body, NEW.currency, NEW.net_cents, NEW.tax_cents,
      NEW.total_cents, NEW.sold_at, NEW.ended_why)
    IS DISTINCT FROM (OLD.state, OLD.number, OLD.body, OLD.currency, OLD.net_cents, OLD.tax_cents,
      OLD.total_cents, OLD.sold_at, OLD.ended_why)) THEN
    RAISE EXCEPTION 'what was sold never changes' USING ERRCODE = 'DJ001';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER counter_sale_kept BEFORE UPDATE OR DELETE ON "counter_sale" FOR EACH ROW EXECUTE FUNCTION counter_sale_kept();
