ALTER TABLE "stations" ADD COLUMN "plan_x" integer;--> statement-breakpoint
ALTER TABLE "stations" ADD COLUMN "plan_y" integer;