CREATE TABLE "bar_worths" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"lifter_id" uuid NOT NULL,
	"lift_key" text NOT NULL,
	"variant" text NOT NULL,
	"bar_id" uuid NOT NULL,
	"setting" text NOT NULL,
	"hands_helped" boolean NOT NULL,
	"log_ratio" double precision NOT NULL,
	"variance" double precision NOT NULL,
	"uses" integer NOT NULL,
	"as_of" date NOT NULL
);
--> statement-breakpoint
CREATE TABLE "log_sets" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"lifter_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"lift_key" text NOT NULL,
	"variant" text DEFAULT '' NOT NULL,
	"setting" text DEFAULT '' NOT NULL,
	"hands_helped" boolean DEFAULT false NOT NULL,
	"lifted_on" date NOT NULL,
	"seq" integer NOT NULL,
	"load_value" numeric NOT NULL,
	"load_unit" text NOT NULL,
	"load_kg" double precision NOT NULL,
	"repetitions" integer NOT NULL,
	"reserve" double precision,
	"is_made" boolean DEFAULT true NOT NULL,
	"note" text,
	"source" text NOT NULL,
	"run_id" uuid,
	"run_set_id" text,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "log_sets_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "log_sets_source" CHECK ("log_sets"."source" in ('run', 'typed', 'imported')),
	CONSTRAINT "log_sets_load" CHECK ("log_sets"."load_kg" > 0 and "log_sets"."load_kg" <= 2000),
	CONSTRAINT "log_sets_repetitions" CHECK ("log_sets"."repetitions" between 1 and 100),
	CONSTRAINT "log_sets_reserve" CHECK ("log_sets"."reserve" between 0 and 10)
);
--> statement-breakpoint
CREATE TABLE "rotations" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"name" text NOT NULL,
	"starts_on" date NOT NULL,
	"weeks" integer NOT NULL,
	"wish" jsonb NOT NULL,
	"plan" jsonb,
	"created_by" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "rotations_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "rotations_weeks" CHECK ("rotations"."weeks" between 4 and 16)
);
--> statement-breakpoint
ALTER TABLE "bar_worths" ADD CONSTRAINT "bar_worths_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_worths" ADD CONSTRAINT "bar_worths_hall_id_lifter_id_lifters_hall_id_id_fk" FOREIGN KEY ("hall_id","lifter_id") REFERENCES "public"."lifters"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_worths" ADD CONSTRAINT "bar_worths_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "log_sets" ADD CONSTRAINT "log_sets_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "log_sets" ADD CONSTRAINT "log_sets_hall_id_lifter_id_lifters_hall_id_id_fk" FOREIGN KEY ("hall_id","lifter_id") REFERENCES "public"."lifters"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "log_sets" ADD CONSTRAINT "log_sets_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "log_sets" ADD CONSTRAINT "log_sets_hall_id_run_id_runs_hall_id_id_fk" FOREIGN KEY ("hall_id","run_id") REFERENCES "public"."runs"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rotations" ADD CONSTRAINT "rotations_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rotations" ADD CONSTRAINT "rotations_hall_id_created_by_people_hall_id_id_fk" FOREIGN KEY ("hall_id","created_by") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bar_worths_hall_id_lifter_id_lift_key_index" ON "bar_worths" USING btree ("hall_id","lifter_id","lift_key");--> statement-breakpoint
CREATE INDEX "bar_worths_hall_id_lift_key_bar_id_index" ON "bar_worths" USING btree ("hall_id","lift_key","bar_id");--> statement-breakpoint
CREATE INDEX "log_sets_hall_id_lifter_id_lifted_on_seq_index" ON "log_sets" USING btree ("hall_id","lifter_id","lifted_on","seq");--> statement-breakpoint
CREATE INDEX "log_sets_hall_id_lifted_on_id_index" ON "log_sets" USING btree ("hall_id","lifted_on","id");--> statement-breakpoint
CREATE UNIQUE INDEX "log_sets_of_run" ON "log_sets" USING btree ("hall_id","run_id","run_set_id") WHERE "log_sets"."run_id" is not null;--> statement-breakpoint
CREATE INDEX "rotations_hall_id_starts_on_index" ON "rotations" USING btree ("hall_id","starts_on");