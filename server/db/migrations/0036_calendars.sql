CREATE TABLE "calendar_link" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"about" text NOT NULL,
	"person_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"revoked_at" timestamp with time zone,
	"last_used_at" timestamp with time zone,
	CONSTRAINT "calendar_link_token_hash_unique" UNIQUE("token_hash"),
	CONSTRAINT "calendar_link_about" CHECK ("calendar_link"."about" in ('person', 'promises'))
);
--> statement-breakpoint
ALTER TABLE "calendar_link" ADD CONSTRAINT "calendar_link_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "calendar_link_open" ON "calendar_link" USING btree ("person_id","about") WHERE "calendar_link"."revoked_at" is null;--> statement-breakpoint
CREATE INDEX "calendar_link_person" ON "calendar_link" USING btree ("person_id");