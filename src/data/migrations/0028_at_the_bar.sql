CREATE TABLE "station_checks" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"station_id" uuid NOT NULL,
	"part" text NOT NULL,
	"found" text NOT NULL,
	"note" text,
	"done_on" date NOT NULL,
	"person_id" uuid NOT NULL,
	"entered_at" timestamp with time zone NOT NULL,
	CONSTRAINT "station_checks_part" CHECK ("station_checks"."part" in ('bolts', 'pins', 'liners', 'pads')),
	CONSTRAINT "station_checks_found" CHECK ("station_checks"."found" in ('sound', 'worn', 'loose', 'cracked', 'missing'))
);
--> statement-breakpoint
CREATE TABLE "bar_notes" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"lifter_id" uuid,
	"person_id" uuid NOT NULL,
	"stage" text NOT NULL,
	"comfort" integer,
	"balance" integer,
	"knurl" integer,
	"noise" integer,
	"would_use_again" boolean,
	"would_buy_again" boolean,
	"words" text,
	"noted_on" date NOT NULL,
	"entered_at" timestamp with time zone NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "bar_notes_stage" CHECK ("bar_notes"."stage" in ('first-day', 'three-weeks', 'three-months')),
	CONSTRAINT "bar_notes_score_1" CHECK ("bar_notes"."comfort" between 1 and 5),
	CONSTRAINT "bar_notes_score_2" CHECK ("bar_notes"."balance" between 1 and 5),
	CONSTRAINT "bar_notes_score_3" CHECK ("bar_notes"."knurl" between 1 and 5),
	CONSTRAINT "bar_notes_score_4" CHECK ("bar_notes"."noise" between 1 and 5)
);
--> statement-breakpoint
CREATE TABLE "side_views" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"lifter_id" uuid NOT NULL,
	"bar_id" uuid,
	"lift_key" text NOT NULL,
	"setting" text DEFAULT '' NOT NULL,
	"load_kg" double precision NOT NULL,
	"taken_on" date NOT NULL,
	"marks" jsonb NOT NULL,
	"photo" "bytea",
	"photo_type" text,
	"person_id" uuid NOT NULL,
	"entered_at" timestamp with time zone NOT NULL,
	CONSTRAINT "side_views_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "side_views_load" CHECK ("side_views"."load_kg" between 0 and 2000),
	CONSTRAINT "side_views_photo" CHECK (("side_views"."photo" is null) = ("side_views"."photo_type" is null) and coalesce(octet_length("side_views"."photo"), 0) <= 5242880)
);
--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "pad_shape" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "handle_shape" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "sleeve_service" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "expected_on" date;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "saving_minor" integer;--> statement-breakpoint
ALTER TABLE "classes" ADD COLUMN "brush_by" text;--> statement-breakpoint
ALTER TABLE "stations" ADD COLUMN "out_of_use" text;--> statement-breakpoint
ALTER TABLE "care_findings" ADD COLUMN "zone" text;--> statement-breakpoint
ALTER TABLE "station_checks" ADD CONSTRAINT "station_checks_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "station_checks" ADD CONSTRAINT "station_checks_hall_id_station_id_stations_hall_id_id_fk" FOREIGN KEY ("hall_id","station_id") REFERENCES "public"."stations"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "station_checks" ADD CONSTRAINT "station_checks_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_notes" ADD CONSTRAINT "bar_notes_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_notes" ADD CONSTRAINT "bar_notes_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_notes" ADD CONSTRAINT "bar_notes_hall_id_lifter_id_lifters_hall_id_id_fk" FOREIGN KEY ("hall_id","lifter_id") REFERENCES "public"."lifters"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_notes" ADD CONSTRAINT "bar_notes_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "side_views" ADD CONSTRAINT "side_views_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "side_views" ADD CONSTRAINT "side_views_hall_id_lifter_id_lifters_hall_id_id_fk" FOREIGN KEY ("hall_id","lifter_id") REFERENCES "public"."lifters"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "side_views" ADD CONSTRAINT "side_views_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "side_views" ADD CONSTRAINT "side_views_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "station_checks_hall_id_station_id_part_done_on_index" ON "station_checks" USING btree ("hall_id","station_id","part","done_on");--> statement-breakpoint
CREATE UNIQUE INDEX "bar_notes_of_lifter" ON "bar_notes" USING btree ("hall_id","bar_id","lifter_id","stage") WHERE "bar_notes"."lifter_id" is not null;--> statement-breakpoint
CREATE UNIQUE INDEX "bar_notes_of_staff" ON "bar_notes" USING btree ("hall_id","bar_id","person_id","stage") WHERE "bar_notes"."lifter_id" is null;--> statement-breakpoint
CREATE INDEX "bar_notes_hall_id_lifter_id_index" ON "bar_notes" USING btree ("hall_id","lifter_id");--> statement-breakpoint
CREATE INDEX "side_views_hall_id_lifter_id_taken_on_index" ON "side_views" USING btree ("hall_id","lifter_id","taken_on");--> statement-breakpoint
ALTER TABLE "care_findings" ADD CONSTRAINT "care_findings_zone" CHECK ("care_findings"."zone" in ('left-sleeve', 'left-collar', 'left-knurl', 'middle', 'right-knurl', 'right-collar', 'right-sleeve'));