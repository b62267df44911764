CREATE TABLE "custody" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"holder" text NOT NULL,
	"what" text DEFAULT '' NOT NULL,
	"from" timestamp with time zone NOT NULL,
	"due_back" timestamp with time zone,
	"list" jsonb NOT NULL,
	"by_id" uuid NOT NULL,
	"back_at" timestamp with time zone,
	"back_by_id" uuid,
	"back_note" text DEFAULT '' NOT NULL,
	CONSTRAINT "custody_back" CHECK (("custody"."back_at" is null) = ("custody"."back_by_id" is null)),
	CONSTRAINT "custody_order" CHECK ("custody"."due_back" is null or "custody"."due_back" > "custody"."from")
);
--> statement-breakpoint
CREATE TABLE "dash_line" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"vehicle_id" uuid NOT NULL,
	"job_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"signal" text DEFAULT '' NOT NULL,
	"driver" text DEFAULT '' NOT NULL,
	"face" text DEFAULT '' NOT NULL,
	"unit" text DEFAULT '' NOT NULL,
	"points" jsonb NOT NULL,
	"tolerance" double precision DEFAULT 0.05 NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"dropped_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "inspection" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"what" text NOT NULL,
	"points" jsonb NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "service_lock" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"key" text DEFAULT '' NOT NULL,
	"off_by_id" uuid,
	"off_at" timestamp with time zone,
	"off_why" text,
	CONSTRAINT "service_lock_off" CHECK (("service_lock"."off_by_id" is null) = ("service_lock"."off_at" is null))
);
--> statement-breakpoint
CREATE TABLE "settings_version" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"vehicle_id" uuid NOT NULL,
	"job_id" uuid NOT NULL,
	"unit" text NOT NULL,
	"firmware" text DEFAULT '' NOT NULL,
	"values" jsonb NOT NULL,
	"why" text NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "stage_estimate" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"kit_id" text NOT NULL,
	"variant_id" text,
	"key" text NOT NULL,
	"hours" double precision NOT NULL,
	"low_hours" double precision NOT NULL,
	"high_hours" double precision NOT NULL,
	"vehicles" integer NOT NULL,
	"before_hours" double precision NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "stage_estimate_hours" CHECK ("stage_estimate"."hours" > 0 and "stage_estimate"."low_hours" <= "stage_estimate"."hours" and "stage_estimate"."hours" <= "stage_estimate"."high_hours")
);
--> statement-breakpoint
CREATE TABLE "tool" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"number" text DEFAULT '' NOT NULL,
	"calibrated" boolean NOT NULL,
	"calibrated_until" date,
	"paper" text DEFAULT '' NOT NULL,
	"kept" text DEFAULT '' NOT NULL,
	"held_by_id" uuid,
	"held_at" timestamp with time zone,
	"out_why" text,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "tool_held" CHECK (("tool"."held_by_id" is null) = ("tool"."held_at" is null))
);
--> statement-breakpoint
ALTER TABLE "job" DROP CONSTRAINT "job_priority";--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "follows_id" uuid;--> statement-breakpoint
ALTER TABLE "reading" ADD COLUMN "tool_id" uuid;--> statement-breakpoint
ALTER TABLE "reading" ADD COLUMN "second_by_id" uuid;--> statement-breakpoint
ALTER TABLE "reading" ADD COLUMN "second_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "snag" ADD COLUMN "cause" text;--> statement-breakpoint
ALTER TABLE "snag" ADD COLUMN "cost_hours" double precision;--> statement-breakpoint
ALTER TABLE "snag" ADD COLUMN "cost_cents" integer;--> statement-breakpoint
ALTER TABLE "snag" ADD COLUMN "closed_how" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "stage" ADD COLUMN "tools" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "tool" text;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "second" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "bolts" integer;--> statement-breakpoint
ALTER TABLE "custody" ADD CONSTRAINT "custody_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "custody" ADD CONSTRAINT "custody_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "custody" ADD CONSTRAINT "custody_back_by_id_person_id_fk" FOREIGN KEY ("back_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dash_line" ADD CONSTRAINT "dash_line_vehicle_id_vehicle_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicle"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dash_line" ADD CONSTRAINT "dash_line_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dash_line" ADD CONSTRAINT "dash_line_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "inspection" ADD CONSTRAINT "inspection_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "inspection" ADD CONSTRAINT "inspection_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "service_lock" ADD CONSTRAINT "service_lock_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "service_lock" ADD CONSTRAINT "service_lock_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "service_lock" ADD CONSTRAINT "service_lock_off_by_id_person_id_fk" FOREIGN KEY ("off_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings_version" ADD CONSTRAINT "settings_version_vehicle_id_vehicle_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicle"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings_version" ADD CONSTRAINT "settings_version_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings_version" ADD CONSTRAINT "settings_version_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stage_estimate" ADD CONSTRAINT "stage_estimate_kit_id_kit_id_fk" FOREIGN KEY ("kit_id") REFERENCES "public"."kit"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stage_estimate" ADD CONSTRAINT "stage_estimate_variant_id_variant_id_fk" FOREIGN KEY ("variant_id") REFERENCES "public"."variant"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stage_estimate" ADD CONSTRAINT "stage_estimate_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tool" ADD CONSTRAINT "tool_held_by_id_person_id_fk" FOREIGN KEY ("held_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "custody_job" ON "custody" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "custody_by" ON "custody" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "custody_back_by" ON "custody" USING btree ("back_by_id");--> statement-breakpoint
CREATE INDEX "dash_line_vehicle" ON "dash_line" USING btree ("vehicle_id");--> statement-breakpoint
CREATE INDEX "dash_line_job" ON "dash_line" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "dash_line_by" ON "dash_line" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "inspection_job" ON "inspection" USING btree ("job_id","what");--> statement-breakpoint
CREATE INDEX "inspection_by" ON "inspection" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "service_lock_job" ON "service_lock" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "service_lock_by" ON "service_lock" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "service_lock_off_by" ON "service_lock" USING btree ("off_by_id");--> statement-breakpoint
CREATE INDEX "settings_version_vehicle" ON "settings_version" USING btree ("vehicle_id","unit","at");--> statement-breakpoint
CREATE INDEX "settings_version_job" ON "settings_version" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "settings_version_by" ON "settings_version" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "stage_estimate_kit" ON "stage_estimate" USING btree ("kit_id","key","at");--> statement-breakpoint
CREATE INDEX "stage_estimate_variant" ON "stage_estimate" USING btree ("variant_id");--> statement-breakpoint
CREATE INDEX "stage_estimate_by" ON "stage_estimate" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "tool_kind" ON "tool" USING btree ("kind");--> statement-breakpoint
CREATE INDEX "tool_held_by" ON "tool" USING btree ("held_by_id");--> statement-breakpoint
CREATE UNIQUE INDEX "tool_number_once" ON "tool" USING btree ("kind","number") WHERE "tool"."number" <> '';--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_follows_id_job_id_fk" FOREIGN KEY ("follows_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_tool_id_tool_id_fk" FOREIGN KEY ("tool_id") REFERENCES "public"."tool"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_second_by_id_person_id_fk" FOREIGN KEY ("second_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "job_follows" ON "job" USING btree ("follows_id");--> statement-breakpoint
CREATE INDEX "reading_tool" ON "reading" USING btree ("tool_id");--> statement-breakpoint
CREATE INDEX "reading_second_by" ON "reading" USING btree ("second_by_id");--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_follows_other" CHECK ("job"."follows_id" <> "job"."id");--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_priority" CHECK ("job"."priority" in ('usual','rush','canWait','show'));--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_second_other" CHECK ("reading"."second_by_id" is null or ("reading"."second_by_id" <> "reading"."by_id" and "reading"."second_at" is not null));--> statement-breakpoint
CREATE TRIGGER stage_estimate_kept BEFORE UPDATE OR DELETE ON "stage_estimate" FOR EACH ROW EXECUTE FUNCTION refuse_change();--> statement-breakpoint
CREATE TRIGGER inspection_kept BEFORE UPDATE OR DELETE ON "inspection" FOR EACH ROW EXECUTE FUNCTION refuse_change();--> statement-breakpoint
CREATE TRIGGER settings_version_kept BEFORE UPDATE OR DELETE ON "settings_version" FOR EACH ROW EXECUTE FUNCTION refuse_change();--> statement-breakpoint
CREATE UNIQUE INDEX "custody_one_out" ON "custody" ("job_id") WHERE "back_at" IS NULL;--> statement-breakpoint
CREATE UNIQUE INDEX "service_lock_one_on" ON "service_lock" ("job_id") WHERE "off_at" IS NULL;
