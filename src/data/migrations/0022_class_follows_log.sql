ALTER TABLE "class_entries" DROP CONSTRAINT "class_entries_hallId_classId_lifterId_liftKey_unique";--> statement-breakpoint
ALTER TABLE "class_entries" ADD COLUMN "follows_log" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "class_entries" ADD COLUMN "bout" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "class_entries" ADD CONSTRAINT "class_entries_hallId_classId_lifterId_liftKey_bout_unique" UNIQUE("hall_id","class_id","lifter_id","lift_key","bout");