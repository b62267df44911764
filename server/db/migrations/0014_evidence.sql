ALTER TABLE "job" ADD COLUMN "region" text;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "evidence" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_region" CHECK ("job"."region" in ('eu','uk','us','other'));