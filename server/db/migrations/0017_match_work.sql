ALTER TABLE "verdict_decision" ADD COLUMN "work" jsonb;--> statement-breakpoint
ALTER TABLE "verdict_decision" ADD COLUMN "effects" jsonb;