ALTER TABLE "halls" ADD COLUMN "length_unit" text DEFAULT 'mm' NOT NULL;--> statement-breakpoint
ALTER TABLE "halls" ADD COLUMN "locale" text DEFAULT 'en-GB' NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "mass_unit" text;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "length_unit" text;