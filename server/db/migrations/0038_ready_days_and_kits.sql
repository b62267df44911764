ALTER TABLE "stock_taken" ALTER COLUMN "to_job_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "stock_taken" ADD COLUMN "to_order_id" uuid;--> statement-breakpoint
ALTER TABLE "work_plan" ADD COLUMN "ready" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "stock_taken" ADD CONSTRAINT "stock_taken_to_order_id_kit_order_id_fk" FOREIGN KEY ("to_order_id") REFERENCES "public"."kit_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "stock_taken_order" ON "stock_taken" USING btree ("to_order_id");--> statement-breakpoint
ALTER TABLE "stock_taken" ADD CONSTRAINT "stock_taken_one" CHECK (("stock_taken"."to_job_id" is null) <> ("stock_taken"."to_order_id" is null));