CREATE EXTENSION IF NOT EXISTS "pg_trgm";--> statement-breakpoint
CREATE INDEX "component_find_word" ON "component" USING gin ("find" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "serial_item_find" ON "serial_item" USING gin ("find" gin_trgm_ops);