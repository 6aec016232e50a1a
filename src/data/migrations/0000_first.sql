CREATE TABLE "bar_measurements" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"measured_at" timestamp with time zone NOT NULL,
	"person_id" uuid NOT NULL,
	"instrument" text NOT NULL,
	"typed_values" numeric[] NOT NULL,
	"typed_unit" text NOT NULL,
	"readings" double precision[] NOT NULL,
	CONSTRAINT "bar_measurements_readings" CHECK (cardinality("bar_measurements"."readings") between 1 and 3 and cardinality("bar_measurements"."typed_values") = cardinality("bar_measurements"."readings"))
);
--> statement-breakpoint
CREATE TABLE "bar_quantities" (
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"stated_value" numeric,
	"stated_unit" text,
	"stated" double precision,
	"effective" double precision NOT NULL,
	"source" text NOT NULL,
	CONSTRAINT "bar_quantities_bar_id_kind_pk" PRIMARY KEY("bar_id","kind"),
	CONSTRAINT "bar_quantities_source" CHECK ("bar_quantities"."source" in ('measured', 'stated')),
	CONSTRAINT "bar_quantities_stated" CHECK (("bar_quantities"."stated_value" is null) = ("bar_quantities"."stated_unit" is null))
);
--> statement-breakpoint
CREATE TABLE "bars" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"tag" text NOT NULL,
	"name" text NOT NULL,
	"family" text NOT NULL,
	"state" text NOT NULL,
	"state_reason" text,
	"known_since" date NOT NULL,
	"place_id" uuid,
	"supplier" text,
	"batch" text,
	"bought_on" date,
	"price_minor" integer,
	"price_currency" text,
	"stock" text,
	"warranty_until" date,
	"does_opening_void_warranty" boolean,
	"alloy" text,
	"elastic_modulus_gpa" double precision,
	"tensile_mpa" double precision,
	"yield_mpa" double precision,
	"finish" text,
	"sleeve_finish" text,
	"are_sleeves_grooved" boolean,
	"knurl" text,
	"centre_knurl" text,
	"ring_marks" text,
	"plain_gap_mm" double precision,
	"sleeve_rotation" text,
	"rating_value" numeric,
	"rating_unit" text,
	"rating_kg" double precision,
	"rating_basis" text,
	"hard_limit_value" numeric,
	"hard_limit_unit" text,
	"hard_limit_kg" double precision,
	"note" text,
	"mass_kg" double precision,
	"shaft_diameter_mm" double precision,
	"shaft_length_mm" double precision,
	"seat_to_seat_mm" double precision,
	"rated_total_kg" double precision,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "bars_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "bars_state" CHECK ("bars"."state" in ('in-service', 'watch', 'quarantined', 'retired', 'on-order')),
	CONSTRAINT "bars_tag" CHECK (length("bars"."tag") between 1 and 12),
	CONSTRAINT "bars_rating" CHECK (("bars"."rating_kg" is null) = ("bars"."rating_basis" is null))
);
--> statement-breakpoint
CREATE TABLE "places" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"name" text NOT NULL,
	"round_order" integer NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "places_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "places_hallId_name_unique" UNIQUE("hall_id","name")
);
--> statement-breakpoint
CREATE TABLE "care_log" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"task_id" uuid NOT NULL,
	"done_on" date NOT NULL,
	"done_by" uuid NOT NULL,
	"entered_at" timestamp with time zone DEFAULT now() NOT NULL,
	"entered_by" uuid NOT NULL,
	"minutes" double precision,
	"note" text,
	"undone_at" timestamp with time zone,
	"undone_by" uuid,
	CONSTRAINT "care_log_undone" CHECK (("care_log"."undone_at" is null) = ("care_log"."undone_by" is null))
);
--> statement-breakpoint
CREATE TABLE "care_plan" (
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"task_id" uuid NOT NULL,
	"last_done_on" date,
	"due_on" date NOT NULL,
	"interval_days" integer NOT NULL,
	"reason" text NOT NULL,
	CONSTRAINT "care_plan_bar_id_task_id_pk" PRIMARY KEY("bar_id","task_id")
);
--> statement-breakpoint
CREATE TABLE "care_tasks" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"key" text NOT NULL,
	"name" text NOT NULL,
	"list_order" integer NOT NULL,
	"steps" text[] NOT NULL,
	"minutes" double precision NOT NULL,
	"dry_days" integer NOT NULL,
	"temperate_days" integer NOT NULL,
	"salt_humid_days" integer NOT NULL,
	"depends_on_finish" boolean NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "care_tasks_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "care_tasks_hallId_key_unique" UNIQUE("hall_id","key"),
	CONSTRAINT "care_tasks_days" CHECK (least("care_tasks"."dry_days", "care_tasks"."temperate_days", "care_tasks"."salt_humid_days") > 0)
);
--> statement-breakpoint
CREATE TABLE "api_tokens" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"token_sha256" text NOT NULL,
	"label" text NOT NULL,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "api_tokens_tokenSha256_unique" UNIQUE("token_sha256")
);
--> statement-breakpoint
CREATE TABLE "changes" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"person_id" uuid NOT NULL,
	"entity" text NOT NULL,
	"entity_id" uuid NOT NULL,
	"action" text NOT NULL,
	"before" jsonb,
	"after" jsonb,
	"reason" text
);
--> statement-breakpoint
CREATE TABLE "halls" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"time_zone" text NOT NULL,
	"climate_class" text NOT NULL,
	"currency" text DEFAULT 'EUR' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "house_rules" (
	"hall_id" uuid NOT NULL,
	"key" text NOT NULL,
	"value" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "house_rules_hall_id_key_pk" PRIMARY KEY("hall_id","key")
);
--> statement-breakpoint
CREATE TABLE "idempotency_keys" (
	"hall_id" uuid NOT NULL,
	"key" text NOT NULL,
	"action" text NOT NULL,
	"result" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "idempotency_keys_hall_id_key_pk" PRIMARY KEY("hall_id","key")
);
--> statement-breakpoint
CREATE TABLE "people" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "people_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "people_role" CHECK ("people"."role" in ('manager', 'coach', 'care', 'lifter', 'wall'))
);
--> statement-breakpoint
CREATE TABLE "lifters" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"person_id" uuid,
	"key" text NOT NULL,
	"name" text NOT NULL,
	"squad" text,
	"height_mm" double precision,
	"mass_kg" double precision,
	"hand_length_mm" double precision,
	"is_learning" boolean DEFAULT false NOT NULL,
	"comfort_note" text,
	"coach_note" text,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "lifters_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "lifters_hallId_key_unique" UNIQUE("hall_id","key")
);
--> statement-breakpoint
CREATE TABLE "lifts" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"key" text NOT NULL,
	"name" text NOT NULL,
	"list_order" integer NOT NULL,
	"speed" text NOT NULL,
	"start" text NOT NULL,
	"ending" text NOT NULL,
	"contact" text NOT NULL,
	"support_half_spacing_mm" double precision NOT NULL,
	"is_centre_scraped" boolean NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "lifts_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "lifts_hallId_key_unique" UNIQUE("hall_id","key"),
	CONSTRAINT "lifts_speed" CHECK ("lifts"."speed" in ('slow', 'fast')),
	CONSTRAINT "lifts_start" CHECK ("lifts"."start" in ('floor', 'rack')),
	CONSTRAINT "lifts_ending" CHECK ("lifts"."ending" in ('racked', 'lowered', 'dropped')),
	CONSTRAINT "lifts_contact" CHECK ("lifts"."contact" in ('hands', 'back', 'front'))
);
--> statement-breakpoint
CREATE TABLE "clamps" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"key" text NOT NULL,
	"name" text NOT NULL,
	"pair_mass_value" numeric NOT NULL,
	"pair_mass_unit" text NOT NULL,
	"pair_mass_units" bigint NOT NULL,
	"width_mm" double precision NOT NULL,
	"pairs" integer NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "clamps_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "clamps_hallId_key_unique" UNIQUE("hall_id","key")
);
--> statement-breakpoint
CREATE TABLE "plates" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"key" text NOT NULL,
	"mass_value" numeric NOT NULL,
	"mass_unit" text NOT NULL,
	"mass_units" bigint NOT NULL,
	"material" text,
	"diameter_mm" double precision,
	"thickness_mm" double precision,
	"pairs" integer NOT NULL,
	"is_drop_rated" boolean DEFAULT false NOT NULL,
	"colour" text,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "plates_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "plates_hallId_key_unique" UNIQUE("hall_id","key"),
	CONSTRAINT "plates_pairs" CHECK ("plates"."pairs" between 0 and 100),
	CONSTRAINT "plates_mass" CHECK ("plates"."mass_units" > 0)
);
--> statement-breakpoint
CREATE TABLE "stations" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"key" text NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"support_spacing_mm" double precision,
	"hole_pitch_mm" double precision,
	"first_hole_mm" double precision,
	"j_cup_pairs" integer DEFAULT 0 NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "stations_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "stations_hallId_key_unique" UNIQUE("hall_id","key"),
	CONSTRAINT "stations_kind" CHECK ("stations"."kind" in ('rack', 'bench', 'platform', 'floor'))
);
--> statement-breakpoint
ALTER TABLE "bar_measurements" ADD CONSTRAINT "bar_measurements_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_measurements" ADD CONSTRAINT "bar_measurements_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_measurements" ADD CONSTRAINT "bar_measurements_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_quantities" ADD CONSTRAINT "bar_quantities_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_quantities" ADD CONSTRAINT "bar_quantities_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bars" ADD CONSTRAINT "bars_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bars" ADD CONSTRAINT "bars_hall_id_place_id_places_hall_id_id_fk" FOREIGN KEY ("hall_id","place_id") REFERENCES "public"."places"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "places" ADD CONSTRAINT "places_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_log" ADD CONSTRAINT "care_log_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_log" ADD CONSTRAINT "care_log_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_log" ADD CONSTRAINT "care_log_hall_id_task_id_care_tasks_hall_id_id_fk" FOREIGN KEY ("hall_id","task_id") REFERENCES "public"."care_tasks"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_log" ADD CONSTRAINT "care_log_hall_id_done_by_people_hall_id_id_fk" FOREIGN KEY ("hall_id","done_by") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_log" ADD CONSTRAINT "care_log_hall_id_entered_by_people_hall_id_id_fk" FOREIGN KEY ("hall_id","entered_by") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_plan" ADD CONSTRAINT "care_plan_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_plan" ADD CONSTRAINT "care_plan_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_plan" ADD CONSTRAINT "care_plan_hall_id_task_id_care_tasks_hall_id_id_fk" FOREIGN KEY ("hall_id","task_id") REFERENCES "public"."care_tasks"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_tasks" ADD CONSTRAINT "care_tasks_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "api_tokens" ADD CONSTRAINT "api_tokens_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "api_tokens" ADD CONSTRAINT "api_tokens_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "house_rules" ADD CONSTRAINT "house_rules_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "idempotency_keys" ADD CONSTRAINT "idempotency_keys_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifters" ADD CONSTRAINT "lifters_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifters" ADD CONSTRAINT "lifters_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifts" ADD CONSTRAINT "lifts_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "clamps" ADD CONSTRAINT "clamps_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plates" ADD CONSTRAINT "plates_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stations" ADD CONSTRAINT "stations_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bar_measurements_bar_id_kind_measured_at_index" ON "bar_measurements" USING btree ("bar_id","kind","measured_at");--> statement-breakpoint
CREATE INDEX "bar_quantities_hall_id_kind_effective_bar_id_index" ON "bar_quantities" USING btree ("hall_id","kind","effective","bar_id");--> statement-breakpoint
CREATE UNIQUE INDEX "bars_tag_in_use" ON "bars" USING btree ("hall_id","tag") WHERE "bars"."state" <> 'retired';--> statement-breakpoint
CREATE INDEX "bars_hall_id_tag_id_index" ON "bars" USING btree ("hall_id","tag","id");--> statement-breakpoint
CREATE INDEX "bars_hall_id_mass_kg_id_index" ON "bars" USING btree ("hall_id","mass_kg","id");--> statement-breakpoint
CREATE INDEX "bars_hall_id_shaft_diameter_mm_id_index" ON "bars" USING btree ("hall_id","shaft_diameter_mm","id");--> statement-breakpoint
CREATE INDEX "bars_hall_id_seat_to_seat_mm_id_index" ON "bars" USING btree ("hall_id","seat_to_seat_mm","id");--> statement-breakpoint
CREATE INDEX "bars_hall_id_family_tag_index" ON "bars" USING btree ("hall_id","family","tag");--> statement-breakpoint
CREATE INDEX "care_log_bar_id_task_id_done_on_index" ON "care_log" USING btree ("bar_id","task_id","done_on");--> statement-breakpoint
CREATE INDEX "care_log_hall_id_entered_at_index" ON "care_log" USING btree ("hall_id","entered_at");--> statement-breakpoint
CREATE INDEX "care_plan_hall_id_due_on_bar_id_task_id_index" ON "care_plan" USING btree ("hall_id","due_on","bar_id","task_id");--> statement-breakpoint
CREATE INDEX "changes_hall_id_entity_entity_id_at_index" ON "changes" USING btree ("hall_id","entity","entity_id","at");--> statement-breakpoint
CREATE INDEX "people_hall_id_name_index" ON "people" USING btree ("hall_id","name");--> statement-breakpoint
CREATE INDEX "lifters_hall_id_name_index" ON "lifters" USING btree ("hall_id","name");--> statement-breakpoint
CREATE INDEX "plates_hall_id_mass_units_id_index" ON "plates" USING btree ("hall_id","mass_units","id");