ALTER TABLE "stock_place" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "job_way" ADD COLUMN "serial_id" uuid;--> statement-breakpoint
ALTER TABLE "job_way" ADD CONSTRAINT "job_way_serial_id_serial_item_id_fk" FOREIGN KEY ("serial_id") REFERENCES "public"."serial_item"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "job_way_serial" ON "job_way" USING btree ("serial_id");