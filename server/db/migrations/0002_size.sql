CREATE TABLE "route" (
	"job_id" uuid PRIMARY KEY NOT NULL,
	"body" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "design" ADD COLUMN "frozen_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "design" ADD COLUMN "follows_id" uuid;--> statement-breakpoint
ALTER TABLE "route" ADD CONSTRAINT "route_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "design" ADD CONSTRAINT "design_follows_id_design_id_fk" FOREIGN KEY ("follows_id") REFERENCES "public"."design"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "design_follows" ON "design" USING btree ("follows_id");