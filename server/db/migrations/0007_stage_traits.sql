ALTER TABLE "stage" ADD COLUMN "traits" text[] DEFAULT '{}' NOT NULL;
--> statement-breakpoint
-- Until now the page told a stage on the lift, and the one that brings the boxes in, by words in its text and name.
UPDATE "stage" SET "traits" = array_remove(ARRAY[CASE WHEN needs ~ 'lift' THEN 'onLift' END, CASE WHEN key = 'rear-box' THEN 'boxesIn' END], NULL);
--> statement-breakpoint
UPDATE "step" SET "limit_kind" = 'shaftPower' WHERE "limit_kind" = 'power';
--> statement-breakpoint
ALTER TABLE "kit_revision" DISABLE TRIGGER "kit_revision_kept";
--> statement-breakpoint
UPDATE "kit_revision" SET "body" = jsonb_set("body", '{stages}', (
  SELECT coalesce(jsonb_agg(s || jsonb_build_object('traits',
      CASE WHEN s ->> 'needs' ~ 'lift' THEN '["onLift"]'::jsonb ELSE '[]'::jsonb END ||
      CASE WHEN s ->> 'key' = 'rear-box' THEN '["boxesIn"]'::jsonb ELSE '[]'::jsonb END) ORDER BY place), '[]'::jsonb)
  FROM jsonb_array_elements("body" -> 'stages') WITH ORDINALITY AS e(s, place)));
--> statement-breakpoint
ALTER TABLE "kit_revision" ENABLE TRIGGER "kit_revision_kept";
