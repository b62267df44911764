CREATE TABLE "absence" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"person_id" uuid NOT NULL,
	"from_day" date NOT NULL,
	"to_day" date NOT NULL,
	"why" text DEFAULT '' NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"dropped_at" timestamp with time zone,
	CONSTRAINT "absence_order" CHECK ("absence"."to_day" >= "absence"."from_day")
);
--> statement-breakpoint
CREATE TABLE "scenario" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"changes" jsonb NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	"ended" text,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "scenario_ended" CHECK (("scenario"."ended_at" is null) = ("scenario"."ended" is null))
);
--> statement-breakpoint
CREATE TABLE "work_plan" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"by_id" uuid,
	"facts_key" text NOT NULL,
	"body" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "priority" text DEFAULT 'usual' NOT NULL;--> statement-breakpoint
ALTER TABLE "stage" ADD COLUMN "most_people" integer;--> statement-breakpoint
ALTER TABLE "stage" ADD COLUMN "not_before" date;--> statement-breakpoint
ALTER TABLE "absence" ADD CONSTRAINT "absence_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "absence" ADD CONSTRAINT "absence_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "scenario" ADD CONSTRAINT "scenario_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "work_plan" ADD CONSTRAINT "work_plan_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "absence_person" ON "absence" USING btree ("person_id","to_day");--> statement-breakpoint
CREATE INDEX "absence_by" ON "absence" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "scenario_by" ON "scenario" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "work_plan_by" ON "work_plan" USING btree ("by_id");--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_priority" CHECK ("job"."priority" in ('usual','rush','canWait'));--> statement-breakpoint
ALTER TABLE "stage" ADD CONSTRAINT "stage_most_people" CHECK ("stage"."most_people" is null or "stage"."most_people" >= "stage"."people");--> statement-breakpoint
-- The stage of the usual list that is done in the alignment bay, which its name alone had said.
UPDATE "stage" SET "traits" = array_append("traits", 'onAlignment') WHERE "key" = 'align' AND NOT 'onAlignment' = ANY("traits");
