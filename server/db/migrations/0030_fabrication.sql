CREATE TABLE "fabrication" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"name" text NOT NULL,
	"material" text DEFAULT '' NOT NULL,
	"state" text DEFAULT 'design' NOT NULL,
	"by_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"dropped_why" text,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "fabrication_state" CHECK ("fabrication"."state" in ('design', 'cut', 'bend', 'weld', 'testFit', 'coat', 'made'))
);
--> statement-breakpoint
CREATE TABLE "fabrication_move" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"fabrication_id" uuid NOT NULL,
	"from" text NOT NULL,
	"to" text NOT NULL,
	"reason" text DEFAULT '' NOT NULL,
	"by_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "fabrication" ADD CONSTRAINT "fabrication_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "fabrication" ADD CONSTRAINT "fabrication_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "fabrication_move" ADD CONSTRAINT "fabrication_move_fabrication_id_fabrication_id_fk" FOREIGN KEY ("fabrication_id") REFERENCES "public"."fabrication"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "fabrication_move" ADD CONSTRAINT "fabrication_move_by_id_person_id_fk" FOREIGN KEY ("by_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "fabrication_job" ON "fabrication" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "fabrication_by" ON "fabrication" USING btree ("by_id");--> statement-breakpoint
CREATE INDEX "fabrication_move_of" ON "fabrication_move" USING btree ("fabrication_id");--> statement-breakpoint
CREATE INDEX "fabrication_move_by" ON "fabrication_move" USING btree ("by_id");
--> statement-breakpoint
ALTER TABLE "file" DROP CONSTRAINT "file_about_what";--> statement-breakpoint
ALTER TABLE "file" ADD CONSTRAINT "file_about_what" CHECK ("file"."about" in ('vehicle', 'job', 'stage', 'snag', 'component', 'variant', 'authorisation', 'lesson', 'register', 'kitRevision', 'order', 'number', 'fabrication'));
