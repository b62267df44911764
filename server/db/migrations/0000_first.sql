CREATE TABLE "brief_line" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"kind" text NOT NULL,
	"firm" boolean NOT NULL,
	"amount" double precision,
	"school" text,
	"tolerance" double precision,
	"text" text DEFAULT '' NOT NULL,
	"done" boolean DEFAULT false NOT NULL,
	"dropped_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "design" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"name" text NOT NULL,
	"inputs" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "job" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"number" text NOT NULL,
	"vehicle_id" uuid NOT NULL,
	"state" text NOT NULL,
	"place_id" text,
	"promised" date,
	"use" jsonb NOT NULL,
	"kit_revision_id" text,
	"kit_options" text[] DEFAULT '{}' NOT NULL,
	"cover" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"chosen_design_id" uuid,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "job_number_unique" UNIQUE("number"),
	CONSTRAINT "job_state" CHECK ("job"."state" in ('enquiry','sizing','waitingForClient','waitingForPart','building','proving','handedOver','cancelled'))
);
--> statement-breakpoint
CREATE TABLE "part_line" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"component_id" text NOT NULL,
	"quantity" integer NOT NULL,
	"from" text NOT NULL,
	"packed_in" text DEFAULT '' NOT NULL,
	"state" text DEFAULT 'missing' NOT NULL,
	"due" date,
	"serial" text DEFAULT '' NOT NULL,
	"fitted_by_id" uuid,
	"fitted_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "part_line_quantity" CHECK ("part_line"."quantity" > 0),
	CONSTRAINT "part_line_state" CHECK ("part_line"."state" in ('missing', 'ordered', 'inStores', 'fitted')),
	CONSTRAINT "part_line_ordered_due" CHECK ("part_line"."state" <> 'ordered' or "part_line"."due" is not null),
	CONSTRAINT "part_line_fitted_who" CHECK ("part_line"."state" <> 'fitted' or ("part_line"."fitted_by_id" is not null and "part_line"."fitted_at" is not null))
);
--> statement-breakpoint
CREATE TABLE "place" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"lift" boolean DEFAULT false NOT NULL,
	"x_m" double precision NOT NULL,
	"y_m" double precision NOT NULL,
	"width_m" double precision NOT NULL,
	"length_m" double precision NOT NULL
);
--> statement-breakpoint
CREATE TABLE "verdict_decision" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"rule" text NOT NULL,
	"subject" text NOT NULL,
	"decision" text NOT NULL,
	"reason" text NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "bay" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"variant_id" text NOT NULL,
	"name" text NOT NULL,
	"x_mm" double precision NOT NULL,
	"y_mm" double precision NOT NULL,
	"z_mm" double precision NOT NULL,
	"length_mm" double precision NOT NULL,
	"width_mm" double precision NOT NULL,
	"height_mm" double precision NOT NULL,
	"max_mass_kg" double precision NOT NULL,
	"inside" boolean NOT NULL,
	"access" text NOT NULL,
	"source" text NOT NULL,
	CONSTRAINT "bay_size" CHECK ("bay"."length_mm" > 0 and "bay"."width_mm" > 0 and "bay"."height_mm" > 0)
);
--> statement-breakpoint
CREATE TABLE "component" (
	"id" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"supplier_id" text NOT NULL,
	"mass_kg" double precision NOT NULL,
	"length_mm" double precision NOT NULL,
	"width_mm" double precision NOT NULL,
	"height_mm" double precision NOT NULL,
	"price_cents" integer NOT NULL,
	"lead_days" integer NOT NULL,
	"covers" text[] DEFAULT '{}' NOT NULL,
	"high_voltage" boolean NOT NULL,
	"sheet" jsonb NOT NULL,
	"on_hand" integer DEFAULT 0 NOT NULL,
	CONSTRAINT "component_price" CHECK ("component"."price_cents" >= 0),
	CONSTRAINT "component_mass" CHECK ("component"."mass_kg" >= 0),
	CONSTRAINT "component_on_hand" CHECK ("component"."on_hand" >= 0)
);
--> statement-breakpoint
CREATE TABLE "kit" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"model_id" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "kit_line" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"revision_id" text NOT NULL,
	"position" integer NOT NULL,
	"component_id" text NOT NULL,
	"quantity" integer NOT NULL,
	"packed_in" text NOT NULL,
	"applies_when" jsonb,
	CONSTRAINT "kit_line_quantity" CHECK ("kit_line"."quantity" > 0)
);
--> statement-breakpoint
CREATE TABLE "kit_revision" (
	"id" text PRIMARY KEY NOT NULL,
	"kit_id" text NOT NULL,
	"revision" text NOT NULL,
	"state" text NOT NULL,
	"body" jsonb NOT NULL,
	CONSTRAINT "kit_revision_state" CHECK ("kit_revision"."state" in ('draft', 'released', 'withdrawn'))
);
--> statement-breakpoint
CREATE TABLE "maker" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "maker_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "model" (
	"id" text PRIMARY KEY NOT NULL,
	"maker_id" text NOT NULL,
	"name" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "mounting_point" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"variant_id" text NOT NULL,
	"name" text NOT NULL,
	"x_mm" double precision NOT NULL,
	"y_mm" double precision NOT NULL,
	"z_mm" double precision NOT NULL,
	"thread" text NOT NULL,
	"used_for" text NOT NULL,
	"load_n" double precision NOT NULL,
	"source" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "pass_through" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"variant_id" text NOT NULL,
	"name" text NOT NULL,
	"diameter_mm" double precision NOT NULL,
	"from_place" text NOT NULL,
	"to_place" text NOT NULL,
	"used_for" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "supplier" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "supplier_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "variant" (
	"id" text PRIMARY KEY NOT NULL,
	"model_id" text NOT NULL,
	"name" text NOT NULL,
	"sheet" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "authorisation" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"person_id" uuid NOT NULL,
	"valid_until" date NOT NULL
);
--> statement-breakpoint
CREATE TABLE "idempotency_key" (
	"key" text NOT NULL,
	"person_id" uuid NOT NULL,
	"answer" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "person" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"sign_in" text NOT NULL,
	"name" text NOT NULL,
	"initials" text NOT NULL,
	"role" text NOT NULL,
	"skills" text[] DEFAULT '{}' NOT NULL,
	"unit_set" text DEFAULT 'metric' NOT NULL,
	"password_hash" text NOT NULL,
	"active" boolean DEFAULT true NOT NULL,
	"demo_note" text,
	CONSTRAINT "person_sign_in_unique" UNIQUE("sign_in"),
	CONSTRAINT "person_role" CHECK ("person"."role" in ('viewer', 'technician', 'manager'))
);
--> statement-breakpoint
CREATE TABLE "client" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"contact" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "vehicle" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"client_id" uuid NOT NULL,
	"variant_id" text NOT NULL,
	"name" text NOT NULL,
	"chassis_number" text NOT NULL,
	"registration" text DEFAULT '' NOT NULL,
	"built_year" integer NOT NULL,
	"colour" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "vehicle_figure" (
	"vehicle_id" uuid NOT NULL,
	"figure" text NOT NULL,
	"value" double precision NOT NULL,
	"source" text NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "vehicle_figure_vehicle_id_figure_pk" PRIMARY KEY("vehicle_id","figure")
);
--> statement-breakpoint
CREATE TABLE "weighing" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"vehicle_id" uuid NOT NULL,
	"front_left_kg" double precision NOT NULL,
	"front_right_kg" double precision NOT NULL,
	"rear_left_kg" double precision NOT NULL,
	"rear_right_kg" double precision NOT NULL,
	"state" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "weighing_positive" CHECK ("weighing"."front_left_kg" > 0 and "weighing"."front_right_kg" > 0 and "weighing"."rear_left_kg" > 0 and "weighing"."rear_right_kg" > 0)
);
--> statement-breakpoint
CREATE TABLE "check_result" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL,
	"check_id" text NOT NULL,
	"value" double precision NOT NULL,
	"verdict" text NOT NULL,
	"limit_min" double precision,
	"limit_max" double precision,
	"limit_source" text NOT NULL,
	"design_id" uuid,
	"design_name" text,
	"design_version" integer,
	"note" text DEFAULT '' NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "event" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"person_id" uuid,
	"what" text NOT NULL,
	"resource" text NOT NULL,
	"resource_id" text NOT NULL,
	"job_number" text,
	"before" jsonb,
	"after" jsonb
);
--> statement-breakpoint
CREATE TABLE "reading" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"step_id" uuid NOT NULL,
	"value" double precision NOT NULL,
	"verdict" text NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"decided_by_id" uuid,
	"decided_at" timestamp with time zone,
	"reason" text,
	CONSTRAINT "reading_decided_why" CHECK (("reading"."decided_by_id" is null) = ("reading"."reason" is null))
);
--> statement-breakpoint
CREATE TABLE "snag" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"text" text NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"closed_by_id" uuid,
	"closed_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "stage" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"key" text NOT NULL,
	"name" text NOT NULL,
	"after" text[] DEFAULT '{}' NOT NULL,
	"hours" double precision NOT NULL,
	"people" integer NOT NULL,
	"live_hv" boolean NOT NULL,
	"needs" text DEFAULT '' NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"hv_confirmed" boolean DEFAULT false NOT NULL,
	"started_at" timestamp with time zone,
	"finished_at" timestamp with time zone,
	"finished_by_id" uuid,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "stage_state" CHECK ("stage"."state" in ('waiting', 'inHand', 'stopped', 'done')),
	CONSTRAINT "stage_done_who" CHECK ("stage"."state" <> 'done' or ("stage"."finished_at" is not null and "stage"."finished_by_id" is not null))
);
--> statement-breakpoint
CREATE TABLE "step" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"stage_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"text" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"limit_min" double precision,
	"limit_max" double precision,
	"limit_kind" text
);
--> statement-breakpoint
CREATE TABLE "time_entry" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"stage_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"cause" text,
	"from" timestamp with time zone DEFAULT now() NOT NULL,
	"to" timestamp with time zone,
	CONSTRAINT "time_entry_order" CHECK ("time_entry"."to" is null or "time_entry"."to" >= "time_entry"."from"),
	CONSTRAINT "time_entry_cause" CHECK ("time_entry"."kind" not in ('rework', 'waiting') or "time_entry"."cause" is not null)
);
--> statement-breakpoint
ALTER TABLE "brief_line" ADD CONSTRAINT "brief_line_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "design" ADD CONSTRAINT "design_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_vehicle_id_vehicle_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicle"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_kit_revision_id_kit_revision_id_fk" FOREIGN KEY ("kit_revision_id") REFERENCES "public"."kit_revision"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_chosen_design_id_design_id_fk" FOREIGN KEY ("chosen_design_id") REFERENCES "public"."design"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "part_line" ADD CONSTRAINT "part_line_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "part_line" ADD CONSTRAINT "part_line_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "part_line" ADD CONSTRAINT "part_line_fitted_by_id_person_id_fk" FOREIGN KEY ("fitted_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "verdict_decision" ADD CONSTRAINT "verdict_decision_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "verdict_decision" ADD CONSTRAINT "verdict_decision_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bay" ADD CONSTRAINT "bay_variant_id_variant_id_fk" FOREIGN KEY ("variant_id") REFERENCES "public"."variant"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "component" ADD CONSTRAINT "component_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit" ADD CONSTRAINT "kit_model_id_model_id_fk" FOREIGN KEY ("model_id") REFERENCES "public"."model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_line" ADD CONSTRAINT "kit_line_revision_id_kit_revision_id_fk" FOREIGN KEY ("revision_id") REFERENCES "public"."kit_revision"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_line" ADD CONSTRAINT "kit_line_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_revision" ADD CONSTRAINT "kit_revision_kit_id_kit_id_fk" FOREIGN KEY ("kit_id") REFERENCES "public"."kit"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "model" ADD CONSTRAINT "model_maker_id_maker_id_fk" FOREIGN KEY ("maker_id") REFERENCES "public"."maker"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mounting_point" ADD CONSTRAINT "mounting_point_variant_id_variant_id_fk" FOREIGN KEY ("variant_id") REFERENCES "public"."variant"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pass_through" ADD CONSTRAINT "pass_through_variant_id_variant_id_fk" FOREIGN KEY ("variant_id") REFERENCES "public"."variant"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "variant" ADD CONSTRAINT "variant_model_id_model_id_fk" FOREIGN KEY ("model_id") REFERENCES "public"."model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "authorisation" ADD CONSTRAINT "authorisation_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "idempotency_key" ADD CONSTRAINT "idempotency_key_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "vehicle" ADD CONSTRAINT "vehicle_client_id_client_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."client"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "vehicle" ADD CONSTRAINT "vehicle_variant_id_variant_id_fk" FOREIGN KEY ("variant_id") REFERENCES "public"."variant"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "vehicle_figure" ADD CONSTRAINT "vehicle_figure_vehicle_id_vehicle_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicle"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "vehicle_figure" ADD CONSTRAINT "vehicle_figure_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "weighing" ADD CONSTRAINT "weighing_vehicle_id_vehicle_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicle"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "weighing" ADD CONSTRAINT "weighing_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_result" ADD CONSTRAINT "check_result_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_result" ADD CONSTRAINT "check_result_design_id_design_id_fk" FOREIGN KEY ("design_id") REFERENCES "public"."design"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_result" ADD CONSTRAINT "check_result_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "event" ADD CONSTRAINT "event_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_step_id_step_id_fk" FOREIGN KEY ("step_id") REFERENCES "public"."step"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_decided_by_id_person_id_fk" FOREIGN KEY ("decided_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "snag" ADD CONSTRAINT "snag_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "snag" ADD CONSTRAINT "snag_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "snag" ADD CONSTRAINT "snag_closed_by_id_person_id_fk" FOREIGN KEY ("closed_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stage" ADD CONSTRAINT "stage_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stage" ADD CONSTRAINT "stage_finished_by_id_person_id_fk" FOREIGN KEY ("finished_by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "step" ADD CONSTRAINT "step_stage_id_stage_id_fk" FOREIGN KEY ("stage_id") REFERENCES "public"."stage"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "time_entry" ADD CONSTRAINT "time_entry_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "time_entry" ADD CONSTRAINT "time_entry_stage_id_stage_id_fk" FOREIGN KEY ("stage_id") REFERENCES "public"."stage"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "brief_line_job" ON "brief_line" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "design_job" ON "design" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "job_vehicle" ON "job" USING btree ("vehicle_id");--> statement-breakpoint
CREATE INDEX "job_place" ON "job" USING btree ("place_id");--> statement-breakpoint
CREATE INDEX "job_kit" ON "job" USING btree ("kit_revision_id");--> statement-breakpoint
CREATE INDEX "job_design" ON "job" USING btree ("chosen_design_id");--> statement-breakpoint
CREATE INDEX "job_open" ON "job" USING btree ("number") WHERE "job"."state" not in ('handedOver', 'cancelled');--> statement-breakpoint
CREATE INDEX "part_line_job" ON "part_line" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "part_line_component" ON "part_line" USING btree ("component_id");--> statement-breakpoint
CREATE INDEX "part_line_fitted_by" ON "part_line" USING btree ("fitted_by_id");--> statement-breakpoint
CREATE INDEX "verdict_decision_job" ON "verdict_decision" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "verdict_decision_by" ON "verdict_decision" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "bay_variant" ON "bay" USING btree ("variant_id");--> statement-breakpoint
CREATE INDEX "component_supplier" ON "component" USING btree ("supplier_id");--> statement-breakpoint
CREATE INDEX "kit_model" ON "kit" USING btree ("model_id");--> statement-breakpoint
CREATE INDEX "kit_line_revision" ON "kit_line" USING btree ("revision_id");--> statement-breakpoint
CREATE INDEX "kit_line_component" ON "kit_line" USING btree ("component_id");--> statement-breakpoint
CREATE INDEX "kit_revision_kit" ON "kit_revision" USING btree ("kit_id");--> statement-breakpoint
CREATE INDEX "model_maker" ON "model" USING btree ("maker_id");--> statement-breakpoint
CREATE INDEX "mounting_point_variant" ON "mounting_point" USING btree ("variant_id");--> statement-breakpoint
CREATE INDEX "pass_through_variant" ON "pass_through" USING btree ("variant_id");--> statement-breakpoint
CREATE INDEX "variant_model" ON "variant" USING btree ("model_id");--> statement-breakpoint
CREATE INDEX "authorisation_person" ON "authorisation" USING btree ("person_id");--> statement-breakpoint
CREATE UNIQUE INDEX "idempotency_key_once" ON "idempotency_key" USING btree ("person_id","key");--> statement-breakpoint
CREATE INDEX "vehicle_client" ON "vehicle" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "vehicle_variant" ON "vehicle" USING btree ("variant_id");--> statement-breakpoint
CREATE INDEX "vehicle_figure_by" ON "vehicle_figure" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "weighing_vehicle" ON "weighing" USING btree ("vehicle_id");--> statement-breakpoint
CREATE INDEX "weighing_by" ON "weighing" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "check_result_job" ON "check_result" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "check_result_design" ON "check_result" USING btree ("design_id");--> statement-breakpoint
CREATE INDEX "check_result_by" ON "check_result" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "event_job" ON "event" USING btree ("job_number","id");--> statement-breakpoint
CREATE INDEX "event_person" ON "event" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "reading_step" ON "reading" USING btree ("step_id","id");--> statement-breakpoint
CREATE INDEX "reading_by" ON "reading" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "reading_decided_by" ON "reading" USING btree ("decided_by_id");--> statement-breakpoint
CREATE INDEX "snag_job" ON "snag" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "snag_by" ON "snag" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "snag_closed_by" ON "snag" USING btree ("closed_by_id");--> statement-breakpoint
CREATE UNIQUE INDEX "stage_key_once" ON "stage" USING btree ("job_id","key");--> statement-breakpoint
CREATE INDEX "stage_finished_by" ON "stage" USING btree ("finished_by_id");--> statement-breakpoint
CREATE INDEX "step_stage" ON "step" USING btree ("stage_id");--> statement-breakpoint
CREATE UNIQUE INDEX "time_entry_one_open" ON "time_entry" USING btree ("person_id") WHERE "time_entry"."to" is null;--> statement-breakpoint
CREATE INDEX "time_entry_stage" ON "time_entry" USING btree ("stage_id");--> statement-breakpoint
CREATE INDEX "time_entry_person_from" ON "time_entry" USING btree ("person_id","from");