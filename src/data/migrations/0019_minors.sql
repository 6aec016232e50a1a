ALTER TABLE "lifters" ADD COLUMN "is_minor" boolean;--> statement-breakpoint
ALTER TABLE "lifters" ADD COLUMN "guardian_consent" text;