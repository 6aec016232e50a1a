ALTER TABLE "bars" ADD COLUMN "stays_by_itself" boolean;--> statement-breakpoint
ALTER TABLE "lifter_settings" ADD COLUMN "load_kg" double precision;--> statement-breakpoint
ALTER TABLE "lifter_settings" ADD COLUMN "plate_mm" double precision;--> statement-breakpoint
ALTER TABLE "lifter_settings" ADD COLUMN "rack_mm" double precision;