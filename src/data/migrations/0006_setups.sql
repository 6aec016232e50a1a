CREATE TABLE "bar_setups" (
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"chart" jsonb,
	"calibrated_on" date,
	"present" jsonb,
	"present_at" timestamp with time zone,
	"stored" jsonb,
	"chart_version" integer DEFAULT 0 NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "bar_setups_bar_id_pk" PRIMARY KEY("bar_id")
);
--> statement-breakpoint
CREATE TABLE "lifter_settings" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"lifter_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"lift_key" text NOT NULL,
	"setting" jsonb NOT NULL,
	"chart_version" integer NOT NULL,
	"station_key" text,
	"j_cup_hole" integer,
	"safety_hole" integer,
	"note" text,
	"kept_at" timestamp with time zone DEFAULT now() NOT NULL,
	"person_id" uuid NOT NULL,
	"replaced_at" timestamp with time zone,
	CONSTRAINT "lifter_settings_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "lifter_settings_holes" CHECK (coalesce("lifter_settings"."j_cup_hole", 1) >= 1 and coalesce("lifter_settings"."safety_hole", 1) >= 1)
);
--> statement-breakpoint
CREATE TABLE "put_aways" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"counts" jsonb NOT NULL,
	"missing" text[] NOT NULL
);
--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "place_slot" integer;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "hangs_way" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "handles_point" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "sticks_out_mm" double precision;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "swing_mm" double precision;--> statement-breakpoint
ALTER TABLE "places" ADD COLUMN "kind" text DEFAULT 'wall-horizontal' NOT NULL;--> statement-breakpoint
ALTER TABLE "places" ADD COLUMN "slots" integer;--> statement-breakpoint
ALTER TABLE "places" ADD COLUMN "length_mm" double precision;--> statement-breakpoint
ALTER TABLE "places" ADD COLUMN "height_mm" double precision;--> statement-breakpoint
ALTER TABLE "places" ADD COLUMN "reach_mm" double precision;--> statement-breakpoint
ALTER TABLE "places" ADD COLUMN "is_by_walkway" boolean;--> statement-breakpoint
ALTER TABLE "places" ADD COLUMN "station_key" text;--> statement-breakpoint
ALTER TABLE "places" ADD COLUMN "plan_x" integer;--> statement-breakpoint
ALTER TABLE "places" ADD COLUMN "plan_y" integer;--> statement-breakpoint
ALTER TABLE "bar_setups" ADD CONSTRAINT "bar_setups_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_setups" ADD CONSTRAINT "bar_setups_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifter_settings" ADD CONSTRAINT "lifter_settings_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifter_settings" ADD CONSTRAINT "lifter_settings_hall_id_lifter_id_lifters_hall_id_id_fk" FOREIGN KEY ("hall_id","lifter_id") REFERENCES "public"."lifters"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifter_settings" ADD CONSTRAINT "lifter_settings_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifter_settings" ADD CONSTRAINT "lifter_settings_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "put_aways" ADD CONSTRAINT "put_aways_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "put_aways" ADD CONSTRAINT "put_aways_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "put_aways" ADD CONSTRAINT "put_aways_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "lifter_settings_current" ON "lifter_settings" USING btree ("hall_id","lifter_id","bar_id","lift_key") WHERE "lifter_settings"."replaced_at" is null;--> statement-breakpoint
CREATE INDEX "lifter_settings_hall_id_bar_id_index" ON "lifter_settings" USING btree ("hall_id","bar_id");--> statement-breakpoint
CREATE INDEX "put_aways_hall_id_bar_id_at_index" ON "put_aways" USING btree ("hall_id","bar_id","at");--> statement-breakpoint
ALTER TABLE "places" ADD CONSTRAINT "places_kind" CHECK ("places"."kind" in ('wall-horizontal', 'wall-vertical', 'rack', 'floor'));