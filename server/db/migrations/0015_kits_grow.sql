CREATE TABLE "kit_wish" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"kit_id" text NOT NULL,
	"kind" text NOT NULL,
	"client_id" uuid,
	"text" text DEFAULT '' NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	"ended_why" text,
	CONSTRAINT "kit_wish_kind" CHECK ("kit_wish"."kind" in ('waiting', 'promised')),
	CONSTRAINT "kit_wish_ended_why" CHECK (("kit_wish"."ended_at" is null) = ("kit_wish"."ended_why" is null))
);
--> statement-breakpoint
CREATE TABLE "stage_template" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"stages" jsonb NOT NULL,
	"lent" boolean DEFAULT false NOT NULL,
	"dropped_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "lesson" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"about" text NOT NULL,
	"about_id" text DEFAULT '' NOT NULL,
	"about_text" text DEFAULT '' NOT NULL,
	"text" text NOT NULL,
	"cost_hours" double precision,
	"cost_cents" integer,
	"kit_id" text,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"revision_id" text,
	"why" text DEFAULT '' NOT NULL,
	"settled_by_id" uuid,
	"settled_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "lesson_state" CHECK ("lesson"."state" in ('waiting', 'taken', 'left', 'aside')),
	CONSTRAINT "lesson_about" CHECK ("lesson"."about" in ('job', 'stage', 'snag', 'reading', 'finding', 'check')),
	CONSTRAINT "lesson_settled_who" CHECK (("lesson"."state" = 'waiting') = ("lesson"."settled_by_id" is null)),
	CONSTRAINT "lesson_taken_where" CHECK (("lesson"."state" = 'taken') = ("lesson"."revision_id" is not null))
);
--> statement-breakpoint
CREATE TABLE "register_entry" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"vehicle_id" uuid NOT NULL,
	"job_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"what" text NOT NULL,
	"place" text NOT NULL,
	"agreed_by" text DEFAULT '' NOT NULL,
	"undo" text NOT NULL,
	"goes" text,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"undone_by_id" uuid,
	"undone_at" timestamp with time zone,
	"undone_how" text,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "register_kind" CHECK ("register_entry"."kind" in ('hole', 'cut', 'weld', 'narrowing', 'bracket', 'partOut', 'rehoused')),
	CONSTRAINT "register_goes" CHECK (("register_entry"."kind" = 'partOut') = ("register_entry"."goes" is not null)),
	CONSTRAINT "register_undone_who" CHECK (("register_entry"."undone_at" is null) = ("register_entry"."undone_by_id" is null))
);
--> statement-breakpoint
DROP INDEX "kit_revision_kit";--> statement-breakpoint
ALTER TABLE "kit" ADD COLUMN "development_cents" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "kit" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "based_on_id" text;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "from_job" text;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "changed_by_id" uuid;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "changed_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "read_by_id" uuid;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "read_version" integer;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "released_by_id" uuid;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "released_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "withdrawn_by_id" uuid;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "withdrawn_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD COLUMN "withdrawn_why" text;--> statement-breakpoint
ALTER TABLE "stage" ADD COLUMN "skill" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "limit_source" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_wish" ADD CONSTRAINT "kit_wish_kit_id_kit_id_fk" FOREIGN KEY ("kit_id") REFERENCES "public"."kit"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_wish" ADD CONSTRAINT "kit_wish_client_id_client_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."client"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_wish" ADD CONSTRAINT "kit_wish_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lesson" ADD CONSTRAINT "lesson_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lesson" ADD CONSTRAINT "lesson_kit_id_kit_id_fk" FOREIGN KEY ("kit_id") REFERENCES "public"."kit"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lesson" ADD CONSTRAINT "lesson_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lesson" ADD CONSTRAINT "lesson_revision_id_kit_revision_id_fk" FOREIGN KEY ("revision_id") REFERENCES "public"."kit_revision"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lesson" ADD CONSTRAINT "lesson_settled_by_id_person_id_fk" FOREIGN KEY ("settled_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "register_entry" ADD CONSTRAINT "register_entry_vehicle_id_vehicle_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicle"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "register_entry" ADD CONSTRAINT "register_entry_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "register_entry" ADD CONSTRAINT "register_entry_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "register_entry" ADD CONSTRAINT "register_entry_undone_by_id_person_id_fk" FOREIGN KEY ("undone_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "kit_wish_kit" ON "kit_wish" USING btree ("kit_id");--> statement-breakpoint
CREATE INDEX "kit_wish_client" ON "kit_wish" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "kit_wish_by" ON "kit_wish" USING btree ("by_id");--> statement-breakpoint
CREATE UNIQUE INDEX "kit_wish_waits_once" ON "kit_wish" USING btree ("kit_id","client_id") WHERE "kit_wish"."kind" = 'waiting' and "kit_wish"."ended_at" is null;--> statement-breakpoint
CREATE UNIQUE INDEX "stage_template_name" ON "stage_template" USING btree (lower("name")) WHERE "stage_template"."dropped_at" is null;--> statement-breakpoint
CREATE INDEX "lesson_job" ON "lesson" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "lesson_kit" ON "lesson" USING btree ("kit_id","state");--> statement-breakpoint
CREATE INDEX "lesson_by" ON "lesson" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "lesson_revision" ON "lesson" USING btree ("revision_id");--> statement-breakpoint
CREATE INDEX "lesson_settled_by" ON "lesson" USING btree ("settled_by_id");--> statement-breakpoint
CREATE INDEX "register_vehicle" ON "register_entry" USING btree ("vehicle_id");--> statement-breakpoint
CREATE INDEX "register_job" ON "register_entry" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "register_by" ON "register_entry" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "register_undone_by" ON "register_entry" USING btree ("undone_by_id");--> statement-breakpoint
ALTER TABLE "kit_revision" ADD CONSTRAINT "kit_revision_based_on_id_kit_revision_id_fk" FOREIGN KEY ("based_on_id") REFERENCES "public"."kit_revision"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD CONSTRAINT "kit_revision_changed_by_id_person_id_fk" FOREIGN KEY ("changed_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD CONSTRAINT "kit_revision_read_by_id_person_id_fk" FOREIGN KEY ("read_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD CONSTRAINT "kit_revision_released_by_id_person_id_fk" FOREIGN KEY ("released_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD CONSTRAINT "kit_revision_withdrawn_by_id_person_id_fk" FOREIGN KEY ("withdrawn_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "kit_revision_once" ON "kit_revision" USING btree ("kit_id","revision");--> statement-breakpoint
CREATE INDEX "kit_revision_based_on" ON "kit_revision" USING btree ("based_on_id");--> statement-breakpoint
CREATE INDEX "kit_revision_changed_by" ON "kit_revision" USING btree ("changed_by_id");--> statement-breakpoint
CREATE INDEX "kit_revision_read_by" ON "kit_revision" USING btree ("read_by_id");--> statement-breakpoint
CREATE INDEX "kit_revision_released_by" ON "kit_revision" USING btree ("released_by_id");--> statement-breakpoint
CREATE INDEX "kit_revision_withdrawn_by" ON "kit_revision" USING btree ("withdrawn_by_id");--> statement-breakpoint
ALTER TABLE "kit" ADD CONSTRAINT "kit_development" CHECK ("kit"."development_cents" >= 0);--> statement-breakpoint
UPDATE "kit_revision" SET "withdrawn_why" = 'withdrawn before reasons were kept' WHERE "state" = 'withdrawn' AND "withdrawn_why" IS NULL;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD CONSTRAINT "kit_revision_withdrawn_why" CHECK ("kit_revision"."state" <> 'withdrawn' or "kit_revision"."withdrawn_why" is not null);--> statement-breakpoint
CREATE OR REPLACE FUNCTION released_kit_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('dajo.removal', true) = 'on' AND NEW.state = OLD.state THEN RETURN NEW; END IF;
  IF OLD.state <> 'draft' AND (
    NEW.body IS DISTINCT FROM OLD.body OR NEW.revision IS DISTINCT FROM OLD.revision OR NEW.note IS DISTINCT FROM OLD.note
    OR NEW.kit_id IS DISTINCT FROM OLD.kit_id OR NEW.state = 'draft'
  ) THEN
    RAISE EXCEPTION 'a released kit revision never changes' USING ERRCODE = 'DJ001';
  END IF;
  IF OLD.state = 'withdrawn' AND NEW.state <> 'withdrawn' THEN
    RAISE EXCEPTION 'a withdrawn kit revision stays withdrawn' USING ERRCODE = 'DJ001';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE FUNCTION released_lines_closed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF (SELECT state FROM kit_revision WHERE id = NEW.revision_id) <> 'draft' THEN
    RAISE EXCEPTION 'a released kit revision gets no further line' USING ERRCODE = 'DJ001';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER kit_line_closed BEFORE INSERT ON "kit_line" FOR EACH ROW EXECUTE FUNCTION released_lines_closed();
