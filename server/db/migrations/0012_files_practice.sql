CREATE TABLE "file" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"about" text NOT NULL,
	"about_id" text NOT NULL,
	"name" text NOT NULL,
	"caption" text DEFAULT '' NOT NULL,
	"hash" text NOT NULL,
	"small_hash" text,
	"width_px" integer,
	"height_px" integer,
	"lay" jsonb,
	"by_id" uuid,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"dropped_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "file_about_what" CHECK ("file"."about" in ('vehicle', 'job', 'stage', 'snag', 'component', 'variant', 'authorisation'))
);
--> statement-breakpoint
CREATE TABLE "file_content" (
	"hash" text PRIMARY KEY NOT NULL,
	"type" text NOT NULL,
	"size" integer NOT NULL,
	"body" "bytea" NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "file_content_size" CHECK ("file_content"."size" = length("file_content"."body"))
);
--> statement-breakpoint
CREATE TABLE "backup_run" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"file" text NOT NULL,
	"started_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	"bytes" bigint,
	"fault" text,
	"gone_at" timestamp with time zone,
	CONSTRAINT "backup_run_kind" CHECK ("backup_run"."kind" in ('daily', 'asked', 'trial'))
);
--> statement-breakpoint
ALTER TABLE "workshop" ADD COLUMN "practice" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "component" ADD COLUMN "part_number" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "component" ADD COLUMN "priced_on" date;--> statement-breakpoint
ALTER TABLE "component" ADD COLUMN "alternatives" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "client" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "client" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "vehicle" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "file" ADD CONSTRAINT "file_hash_file_content_hash_fk" FOREIGN KEY ("hash") REFERENCES "public"."file_content"("hash") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "file" ADD CONSTRAINT "file_small_hash_file_content_hash_fk" FOREIGN KEY ("small_hash") REFERENCES "public"."file_content"("hash") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "file" ADD CONSTRAINT "file_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "file_about" ON "file" USING btree ("about","about_id");--> statement-breakpoint
CREATE INDEX "file_hash" ON "file" USING btree ("hash");--> statement-breakpoint
CREATE INDEX "file_small_hash" ON "file" USING btree ("small_hash");--> statement-breakpoint
CREATE INDEX "file_by" ON "file" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "file_dropped" ON "file" USING btree ("dropped_at") WHERE "file"."dropped_at" is not null;--> statement-breakpoint
CREATE INDEX "backup_run_started" ON "backup_run" USING btree ("started_at");--> statement-breakpoint
ALTER TABLE "file_content" ALTER COLUMN "body" SET STORAGE EXTERNAL;
--> statement-breakpoint
-- What is written stays written, but for one thing: a person's data that is removed leaves every table.
CREATE OR REPLACE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'UPDATE' AND current_setting('dajo.removal', true) = 'on' THEN RETURN NEW; END IF;
  RAISE EXCEPTION '% is kept as it was written', TG_TABLE_NAME USING ERRCODE = 'DJ001';
END $$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION frozen_design_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'UPDATE' AND current_setting('dajo.removal', true) = 'on' THEN RETURN NEW; END IF;
  IF OLD.frozen_at IS NOT NULL THEN
    RAISE EXCEPTION 'a sold design never changes' USING ERRCODE = 'DJ001';
  END IF;
  RETURN COALESCE(NEW, OLD);
END $$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION released_kit_kept() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_setting('dajo.removal', true) = 'on' AND NEW.state = OLD.state THEN RETURN NEW; END IF;
  IF OLD.state <> 'draft' AND (NEW.body IS DISTINCT FROM OLD.body OR NEW.revision IS DISTINCT FROM OLD.revision OR NEW.state = 'draft') THEN
    RAISE EXCEPTION 'a released kit revision never changes' USING ERRCODE = 'DJ001';
  END IF;
  RETURN NEW;
END $$;
