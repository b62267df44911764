DELETE FROM "idempotency_key";--> statement-breakpoint
CREATE TABLE "sign_in_try" (
	"key" text PRIMARY KEY NOT NULL,
	"points" integer DEFAULT 0 NOT NULL,
	"expire" bigint
);
--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "use_version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "idempotency_key" ADD COLUMN "method" text NOT NULL;--> statement-breakpoint
ALTER TABLE "idempotency_key" ADD COLUMN "path" text NOT NULL;--> statement-breakpoint
ALTER TABLE "idempotency_key" ADD COLUMN "body_hash" text NOT NULL;--> statement-breakpoint
CREATE INDEX "idempotency_key_at" ON "idempotency_key" USING btree ("at");