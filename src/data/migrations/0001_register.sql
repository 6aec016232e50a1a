CREATE TABLE "plate_weights" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"plate_id" uuid NOT NULL,
	"mark" text NOT NULL,
	"mass_value" numeric NOT NULL,
	"mass_unit" text NOT NULL,
	"mass_units" bigint NOT NULL,
	"weighed_by" uuid NOT NULL,
	"weighed_at" timestamp with time zone NOT NULL,
	CONSTRAINT "plate_weights_hallId_plateId_mark_unique" UNIQUE("hall_id","plate_id","mark"),
	CONSTRAINT "plate_weights_mass" CHECK ("plate_weights"."mass_units" > 0)
);
--> statement-breakpoint
ALTER TABLE "bar_measurements" DROP CONSTRAINT "bar_measurements_readings";--> statement-breakpoint
ALTER TABLE "bar_measurements" ADD COLUMN "undone_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "chart_version" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "hangs_how" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "sticks_out" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "paint_marks" text[];--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "loose_parts" text[];--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "hardness" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "knurl_shape" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "bearings_per_side" integer;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "sleeve_retention" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "camber_motion" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "are_handles_removable" boolean;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "padding" text;--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "grip_options" text[];--> statement-breakpoint
ALTER TABLE "bars" ADD COLUMN "can_be_racked" boolean;--> statement-breakpoint
ALTER TABLE "stations" ADD COLUMN "j_cup_holes" integer[];--> statement-breakpoint
ALTER TABLE "plate_weights" ADD CONSTRAINT "plate_weights_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plate_weights" ADD CONSTRAINT "plate_weights_hall_id_plate_id_plates_hall_id_id_fk" FOREIGN KEY ("hall_id","plate_id") REFERENCES "public"."plates"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plate_weights" ADD CONSTRAINT "plate_weights_hall_id_weighed_by_people_hall_id_id_fk" FOREIGN KEY ("hall_id","weighed_by") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bars_hall_id_state_tag_index" ON "bars" USING btree ("hall_id","state","tag");--> statement-breakpoint
CREATE INDEX "bars_hall_id_name_id_index" ON "bars" USING btree ("hall_id","name","id");--> statement-breakpoint
ALTER TABLE "bar_measurements" ADD CONSTRAINT "bar_measurements_readings" CHECK (cardinality("bar_measurements"."readings") between 1 and 6 and cardinality("bar_measurements"."typed_values") = cardinality("bar_measurements"."readings"));