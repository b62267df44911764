ALTER TABLE "file" DROP CONSTRAINT "file_about_what";--> statement-breakpoint
ALTER TABLE "brief_line" ADD COLUMN "seen" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "file" ADD CONSTRAINT "file_about_what" CHECK ("file"."about" in ('vehicle', 'job', 'stage', 'snag', 'component', 'variant', 'authorisation', 'lesson', 'register'));