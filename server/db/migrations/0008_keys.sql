DROP INDEX "bay_variant";--> statement-breakpoint
DROP INDEX "mounting_point_variant";--> statement-breakpoint
ALTER TABLE "bay" ADD COLUMN "key" text;--> statement-breakpoint
ALTER TABLE "mounting_point" ADD COLUMN "key" text;--> statement-breakpoint
-- Designs, kits and component sheets that are stored already go by the names of that time.
UPDATE "bay" SET "key" = "name";--> statement-breakpoint
UPDATE "mounting_point" SET "key" = "name";--> statement-breakpoint
ALTER TABLE "bay" ALTER COLUMN "key" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "mounting_point" ALTER COLUMN "key" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "bay" ADD CONSTRAINT "bay_key" UNIQUE("variant_id","key");--> statement-breakpoint
ALTER TABLE "mounting_point" ADD CONSTRAINT "mounting_point_key" UNIQUE("variant_id","key");
