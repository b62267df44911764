CREATE TABLE "installation" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"sample" boolean NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "installation_one_row" CHECK ("installation"."id" = 1)
);
--> statement-breakpoint
-- Until now nothing but the sample could be in a database.
INSERT INTO "installation" ("sample") SELECT true WHERE EXISTS (SELECT 1 FROM "person");
