CREATE TABLE "climate_days" (
	"hall_id" uuid NOT NULL,
	"sensor_id" uuid NOT NULL,
	"day" date NOT NULL,
	"readings" integer NOT NULL,
	"mean_c" double precision NOT NULL,
	"mean_humidity_pct" double precision NOT NULL,
	"so2" double precision NOT NULL,
	"chloride" double precision NOT NULL,
	"rate_um_per_year" double precision NOT NULL,
	"wet_hours" double precision NOT NULL,
	"dew_hours" double precision NOT NULL,
	"least_gap_c" double precision,
	CONSTRAINT "climate_days_sensor_id_day_pk" PRIMARY KEY("sensor_id","day")
);
--> statement-breakpoint
CREATE TABLE "climate_readings" (
	"hall_id" uuid NOT NULL,
	"sensor_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"temperature_c" double precision NOT NULL,
	"humidity_pct" double precision NOT NULL,
	CONSTRAINT "climate_readings_sensor_id_at_pk" PRIMARY KEY("sensor_id","at"),
	CONSTRAINT "climate_readings_ranges" CHECK ("climate_readings"."temperature_c" between -60 and 60 and "climate_readings"."humidity_pct" between 0 and 100)
);
--> statement-breakpoint
CREATE TABLE "climate_sensors" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"key" text NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"seed" integer,
	"so2" double precision NOT NULL,
	"chloride" double precision NOT NULL,
	"lag_hours" double precision DEFAULT 1 NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "climate_sensors_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "climate_sensors_hallId_key_unique" UNIQUE("hall_id","key"),
	CONSTRAINT "climate_sensors_kind" CHECK ("climate_sensors"."kind" in ('simulated', 'entered')),
	CONSTRAINT "climate_sensors_seed" CHECK ("climate_sensors"."kind" = 'entered' or "climate_sensors"."seed" is not null),
	CONSTRAINT "climate_sensors_ranges" CHECK ("climate_sensors"."so2" between 0 and 2000 and "climate_sensors"."chloride" between 0 and 2000 and "climate_sensors"."lag_hours" between 0 and 24)
);
--> statement-breakpoint
CREATE TABLE "bar_care" (
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"use_factor" double precision,
	"finish_factor" double precision,
	"chalk_seen_on" date,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "bar_care_bar_id_pk" PRIMARY KEY("bar_id"),
	CONSTRAINT "bar_care_factors" CHECK (coalesce("bar_care"."use_factor", 1) between 0.1 and 10 and coalesce("bar_care"."finish_factor", 1) between 0.1 and 10)
);
--> statement-breakpoint
CREATE TABLE "care_findings" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"note" text NOT NULL,
	"photo" "bytea",
	"photo_type" text,
	"found_by" uuid NOT NULL,
	"found_at" timestamp with time zone NOT NULL,
	"settled_at" timestamp with time zone,
	"settled_by" uuid,
	"settled_note" text,
	CONSTRAINT "care_findings_photo" CHECK (("care_findings"."photo" is null) = ("care_findings"."photo_type" is null) and coalesce(octet_length("care_findings"."photo"), 0) <= 5242880),
	CONSTRAINT "care_findings_settled" CHECK (("care_findings"."settled_at" is null) = ("care_findings"."settled_by" is null))
);
--> statement-breakpoint
CREATE TABLE "inspections" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"inspected_on" date NOT NULL,
	"facts" jsonb NOT NULL,
	"tir_mm" double precision,
	"bend_at_deg" double precision,
	"suggested" text NOT NULL,
	"decided" text NOT NULL,
	"reason" text,
	"entered_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "inspections_decided" CHECK ("inspections"."decided" in ('keep', 'watch', 'quarantine', 'retire')),
	CONSTRAINT "inspections_override" CHECK ("inspections"."suggested" = "inspections"."decided" or "inspections"."reason" is not null)
);
--> statement-breakpoint
ALTER TABLE "places" ADD COLUMN "sensor_key" text;--> statement-breakpoint
ALTER TABLE "care_tasks" ADD COLUMN "meter_days" double precision;--> statement-breakpoint
ALTER TABLE "care_tasks" ADD COLUMN "climate_share" double precision;--> statement-breakpoint
ALTER TABLE "care_tasks" ADD COLUMN "materials" text[];--> statement-breakpoint
ALTER TABLE "care_tasks" ADD COLUMN "cautions" text[];--> statement-breakpoint
ALTER TABLE "climate_days" ADD CONSTRAINT "climate_days_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "climate_days" ADD CONSTRAINT "climate_days_hall_id_sensor_id_climate_sensors_hall_id_id_fk" FOREIGN KEY ("hall_id","sensor_id") REFERENCES "public"."climate_sensors"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "climate_readings" ADD CONSTRAINT "climate_readings_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "climate_readings" ADD CONSTRAINT "climate_readings_hall_id_sensor_id_climate_sensors_hall_id_id_fk" FOREIGN KEY ("hall_id","sensor_id") REFERENCES "public"."climate_sensors"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "climate_sensors" ADD CONSTRAINT "climate_sensors_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_care" ADD CONSTRAINT "bar_care_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_care" ADD CONSTRAINT "bar_care_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_findings" ADD CONSTRAINT "care_findings_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_findings" ADD CONSTRAINT "care_findings_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_findings" ADD CONSTRAINT "care_findings_hall_id_found_by_people_hall_id_id_fk" FOREIGN KEY ("hall_id","found_by") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "inspections" ADD CONSTRAINT "inspections_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "inspections" ADD CONSTRAINT "inspections_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "inspections" ADD CONSTRAINT "inspections_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "care_findings_hall_id_bar_id_found_at_index" ON "care_findings" USING btree ("hall_id","bar_id","found_at");--> statement-breakpoint
CREATE INDEX "care_findings_hall_id_settled_at_found_at_index" ON "care_findings" USING btree ("hall_id","settled_at","found_at");--> statement-breakpoint
CREATE INDEX "inspections_hall_id_bar_id_inspected_on_index" ON "inspections" USING btree ("hall_id","bar_id","inspected_on");