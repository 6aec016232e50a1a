CREATE TABLE "backups" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"finished_at" timestamp with time zone DEFAULT now() NOT NULL,
	"file" text,
	"bytes" bigint,
	"problem" text
);
--> statement-breakpoint
CREATE INDEX "backups_finished_at_index" ON "backups" USING btree ("finished_at");