CREATE TABLE "class_entries" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"class_id" uuid NOT NULL,
	"lifter_id" uuid NOT NULL,
	"lift_key" text NOT NULL,
	"load_value" numeric NOT NULL,
	"load_unit" text NOT NULL,
	"load_kg" double precision NOT NULL,
	"purpose" text DEFAULT 'general' NOT NULL,
	"locked_block" integer,
	"locked_station" text,
	"locked_bar_id" uuid,
	CONSTRAINT "class_entries_hallId_classId_lifterId_liftKey_unique" UNIQUE("hall_id","class_id","lifter_id","lift_key"),
	CONSTRAINT "class_entries_load" CHECK ("class_entries"."load_kg" > 0)
);
--> statement-breakpoint
CREATE TABLE "classes" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"name" text NOT NULL,
	"held_on" date NOT NULL,
	"starts_at" text NOT NULL,
	"block_minutes" integer NOT NULL,
	"blocks" integer NOT NULL,
	"capacities" jsonb NOT NULL,
	"plan" jsonb,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "classes_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "classes_blocks" CHECK ("classes"."blocks" between 1 and 12 and "classes"."block_minutes" between 5 and 180)
);
--> statement-breakpoint
CREATE TABLE "lifter_bars" (
	"hall_id" uuid NOT NULL,
	"lifter_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"first_used_on" date NOT NULL,
	"last_used_on" date NOT NULL,
	"setting" text,
	CONSTRAINT "lifter_bars_lifter_id_bar_id_pk" PRIMARY KEY("lifter_id","bar_id"),
	CONSTRAINT "lifter_bars_days" CHECK ("lifter_bars"."first_used_on" <= "lifter_bars"."last_used_on")
);
--> statement-breakpoint
CREATE TABLE "meeting_specs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"rules" text NOT NULL,
	"source" text NOT NULL,
	"lifts" text[] NOT NULL,
	"ranges" jsonb NOT NULL,
	"marks" text,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "meeting_specs_hallId_id_unique" UNIQUE("hall_id","id")
);
--> statement-breakpoint
ALTER TABLE "lifters" ADD COLUMN "trunk_length_mm" double precision;--> statement-breakpoint
ALTER TABLE "lifters" ADD COLUMN "thigh_length_mm" double precision;--> statement-breakpoint
ALTER TABLE "lifters" ADD COLUMN "shank_length_mm" double precision;--> statement-breakpoint
ALTER TABLE "lifters" ADD COLUMN "experience" text DEFAULT 'regular' NOT NULL;--> statement-breakpoint
ALTER TABLE "lifters" ADD COLUMN "limits" text[];--> statement-breakpoint
ALTER TABLE "lifters" ADD COLUMN "purposes" text[];--> statement-breakpoint
ALTER TABLE "lifters" ADD COLUMN "confirmed" text[];--> statement-breakpoint
ALTER TABLE "lifters" ADD COLUMN "usual_loads" jsonb;--> statement-breakpoint
ALTER TABLE "lifters" ADD COLUMN "meetings" jsonb;--> statement-breakpoint
ALTER TABLE "lifters" ADD COLUMN "retired_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "lifts" ADD COLUMN "judged_like" text;--> statement-breakpoint
UPDATE "lifts" SET "judged_like" = "key";--> statement-breakpoint
ALTER TABLE "lifts" ALTER COLUMN "judged_like" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "lifts" ADD COLUMN "prerequisite" text;--> statement-breakpoint
ALTER TABLE "lifts" ADD COLUMN "usual_kg" double precision DEFAULT 60 NOT NULL;--> statement-breakpoint
ALTER TABLE "class_entries" ADD CONSTRAINT "class_entries_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "class_entries" ADD CONSTRAINT "class_entries_hall_id_class_id_classes_hall_id_id_fk" FOREIGN KEY ("hall_id","class_id") REFERENCES "public"."classes"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "class_entries" ADD CONSTRAINT "class_entries_hall_id_lifter_id_lifters_hall_id_id_fk" FOREIGN KEY ("hall_id","lifter_id") REFERENCES "public"."lifters"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "class_entries" ADD CONSTRAINT "class_entries_hall_id_locked_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","locked_bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "classes" ADD CONSTRAINT "classes_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifter_bars" ADD CONSTRAINT "lifter_bars_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifter_bars" ADD CONSTRAINT "lifter_bars_hall_id_lifter_id_lifters_hall_id_id_fk" FOREIGN KEY ("hall_id","lifter_id") REFERENCES "public"."lifters"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifter_bars" ADD CONSTRAINT "lifter_bars_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "meeting_specs" ADD CONSTRAINT "meeting_specs_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "classes_hall_id_held_on_index" ON "classes" USING btree ("hall_id","held_on");--> statement-breakpoint
CREATE INDEX "meeting_specs_hall_id_rules_index" ON "meeting_specs" USING btree ("hall_id","rules");--> statement-breakpoint
ALTER TABLE "lifters" ADD CONSTRAINT "lifters_experience" CHECK ("lifters"."experience" in ('learning', 'regular', 'experienced'));