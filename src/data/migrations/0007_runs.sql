CREATE TABLE "run_steps" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"run_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"kind" text NOT NULL,
	"set_id" text,
	"detail" jsonb,
	"outcome" text NOT NULL,
	"notice" text,
	"person_id" uuid NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"arrived_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "run_steps_outcome" CHECK ("run_steps"."outcome" in ('taken', 'already', 'late', 'unknown'))
);
--> statement-breakpoint
CREATE TABLE "runs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"station_key" text,
	"clamp_key" text,
	"lift_key" text,
	"lifter_ids" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"plan_address" text NOT NULL,
	"state" jsonb NOT NULL,
	"seq" integer DEFAULT 0 NOT NULL,
	"started_by" uuid NOT NULL,
	"started_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "runs_hallId_id_unique" UNIQUE("hall_id","id")
);
--> statement-breakpoint
ALTER TABLE "run_steps" ADD CONSTRAINT "run_steps_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_steps" ADD CONSTRAINT "run_steps_hall_id_run_id_runs_hall_id_id_fk" FOREIGN KEY ("hall_id","run_id") REFERENCES "public"."runs"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_steps" ADD CONSTRAINT "run_steps_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "runs" ADD CONSTRAINT "runs_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "runs" ADD CONSTRAINT "runs_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "runs" ADD CONSTRAINT "runs_hall_id_started_by_people_hall_id_id_fk" FOREIGN KEY ("hall_id","started_by") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "run_steps_hall_id_run_id_arrived_at_index" ON "run_steps" USING btree ("hall_id","run_id","arrived_at");--> statement-breakpoint
CREATE INDEX "runs_hall_id_ended_at_started_at_index" ON "runs" USING btree ("hall_id","ended_at","started_at");