UPDATE "lifters" SET "experience" = 'learning' WHERE "is_learning";--> statement-breakpoint
ALTER TABLE "lifters" DROP COLUMN "is_learning";