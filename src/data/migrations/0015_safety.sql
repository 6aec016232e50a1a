CREATE TABLE "incidents" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"note" text NOT NULL,
	"setup" text,
	"load_kg" double precision,
	"photo" "bytea",
	"photo_type" text,
	"happened_at" timestamp with time zone NOT NULL,
	"person_id" uuid NOT NULL,
	"entered_at" timestamp with time zone NOT NULL,
	CONSTRAINT "incidents_kind" CHECK ("incidents"."kind" in ('hurt', 'dropped', 'near-miss')),
	CONSTRAINT "incidents_photo" CHECK (("incidents"."photo" is null) = ("incidents"."photo_type" is null) and coalesce(octet_length("incidents"."photo"), 0) <= 5242880)
);
--> statement-breakpoint
ALTER TABLE "bar_measurements" ADD COLUMN "is_simulated" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "bar_measurements" ADD COLUMN "counts" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "halls" ADD COLUMN "is_demo" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "incidents" ADD CONSTRAINT "incidents_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "incidents" ADD CONSTRAINT "incidents_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "incidents" ADD CONSTRAINT "incidents_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "incidents_hall_id_happened_at_index" ON "incidents" USING btree ("hall_id","happened_at");--> statement-breakpoint
CREATE INDEX "incidents_hall_id_bar_id_happened_at_index" ON "incidents" USING btree ("hall_id","bar_id","happened_at");--> statement-breakpoint
-- The demonstration's halls, by the token that only they have; the second hall of a demonstration has no manager's mail.
UPDATE "halls" SET "is_demo" = true WHERE EXISTS (SELECT 1 FROM "api_tokens" WHERE "api_tokens"."label" = 'demo-token');--> statement-breakpoint
DELETE FROM "bar_quantities" q USING "bars" b, "halls" h WHERE b."id" = q."bar_id" AND h."id" = q."hall_id" AND h."is_demo"
  AND b."tag" IN ('K17', 'K20', 'K21', 'K25') AND q."kind" IN ('minRackWidth', 'yokeWidth');--> statement-breakpoint
-- A simulated instrument was told by its name so far; outside of a demonstration its readings no longer count.
UPDATE "bar_measurements" SET "is_simulated" = true WHERE "instrument" ILIKE 'simulated%';--> statement-breakpoint
UPDATE "bar_measurements" SET "counts" = false FROM "halls" WHERE "halls"."id" = "bar_measurements"."hall_id" AND "is_simulated" AND NOT "halls"."is_demo";--> statement-breakpoint
UPDATE "bar_quantities" SET "effective" = "stated", "source" = 'stated'
  WHERE "source" = 'measured' AND "stated" IS NOT NULL
  AND EXISTS (SELECT 1 FROM "bar_measurements" m WHERE m."bar_id" = "bar_quantities"."bar_id" AND m."kind" = "bar_quantities"."kind" AND NOT m."counts")
  AND NOT EXISTS (SELECT 1 FROM "bar_measurements" m WHERE m."bar_id" = "bar_quantities"."bar_id" AND m."kind" = "bar_quantities"."kind" AND m."counts" AND m."undone_at" IS NULL);--> statement-breakpoint
-- The narrowest rack becomes the inside of the rack span: J-cups keep 60 mm from it. What was called the raised part and
-- is far narrower than any was the padded part: that is where the span begins, and where it ends is to be measured.
DELETE FROM "bar_quantities" q WHERE "kind" = 'yokeWidth' AND "effective" < 900
  AND EXISTS (SELECT 1 FROM "bar_quantities" o WHERE o."bar_id" = q."bar_id" AND o."kind" = 'minRackWidth') AND EXISTS (SELECT 1 FROM "bars" b WHERE b."id" = q."bar_id" AND b."family" IN ('yoke', 'low-yoke', 'cambered', 'cambered-yoke', 'adjustable-yoke'));--> statement-breakpoint
UPDATE "bar_quantities" SET "kind" = 'rackSpanInner' FROM "bars" WHERE "bars"."id" = "bar_quantities"."bar_id" AND "kind" = 'yokeWidth' AND "effective" < 900
  AND "bars"."family" IN ('yoke', 'low-yoke', 'cambered', 'cambered-yoke', 'adjustable-yoke');--> statement-breakpoint
UPDATE "bar_measurements" SET "kind" = 'rackSpanInner' FROM "bars" WHERE "bars"."id" = "bar_measurements"."bar_id" AND "kind" = 'yokeWidth' AND "readings"[1] < 900
  AND "bars"."family" IN ('yoke', 'low-yoke', 'cambered', 'cambered-yoke', 'adjustable-yoke')
  AND NOT EXISTS (SELECT 1 FROM "bar_measurements" o WHERE o."bar_id" = "bar_measurements"."bar_id" AND o."kind" = 'minRackWidth');--> statement-breakpoint
UPDATE "bar_quantities" SET "kind" = 'rackSpanInner', "stated" = greatest("stated" - 60, 0), "effective" = greatest("effective" - 60, 0),
  "stated_value" = CASE WHEN "stated" IS NULL THEN "stated_value" ELSE greatest(round("stated"::numeric, 1) - 60, 0) END,
  "stated_unit" = CASE WHEN "stated" IS NULL THEN "stated_unit" ELSE 'mm' END WHERE "kind" = 'minRackWidth';--> statement-breakpoint
UPDATE "bar_measurements" SET "kind" = 'rackSpanInner', "typed_unit" = 'mm',
  "readings" = (SELECT array_agg(greatest(r - 60, 0) ORDER BY i) FROM unnest("readings") WITH ORDINALITY AS u(r, i)),
  "typed_values" = (SELECT array_agg(greatest(round(r::numeric, 1) - 60, 0) ORDER BY i) FROM unnest("readings") WITH ORDINALITY AS u(r, i)) WHERE "kind" = 'minRackWidth';
--> statement-breakpoint
-- The demonstration's own bars, as they are entered now.
INSERT INTO "bar_quantities" ("hall_id", "bar_id", "kind", "stated_value", "stated_unit", "stated", "effective", "source")
  SELECT b."hall_id", b."id", v.kind, v.mm, 'mm', v.mm, v.mm, 'stated' FROM "bars" b
  JOIN "halls" h ON h."id" = b."hall_id" AND h."is_demo"
  JOIN (VALUES ('K17', 'adjustable-yoke', 'yokeWidth', 1245), ('K17', 'adjustable-yoke', 'rackSpanInner', 455),
    ('K19', 'cambered-yoke', 'yokeWidth', 1205), ('K19', 'cambered-yoke', 'rackSpanInner', 610),
    ('K20', 'yoke', 'yokeWidth', 1235), ('K20', 'yoke', 'rackSpanInner', 470),
    ('K21', 'cambered', 'yokeWidth', 1200), ('K21', 'cambered', 'rackSpanInner', 640),
    ('K22', 'low-yoke', 'yokeWidth', 1250), ('K22', 'low-yoke', 'rackSpanInner', 505),
    ('K24', 'bowed', 'rackSpanInner', 920), ('K25', 'multi-grip', 'rackSpanInner', 905)) AS v(tag, family, kind, mm)
  ON v.tag = b."tag" AND v.family = b."family" WHERE b."state" <> 'retired'
  ON CONFLICT DO NOTHING;--> statement-breakpoint
DELETE FROM "bar_quantities" q USING "bars" b, "halls" h WHERE b."id" = q."bar_id" AND h."id" = q."hall_id" AND h."is_demo"
  AND b."tag" IN ('K19', 'K21') AND q."kind" = 'jCupOffset' AND q."effective" <= -200;
