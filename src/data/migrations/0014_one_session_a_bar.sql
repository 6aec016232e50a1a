-- Several sessions of one bar that nobody ended: the latest goes on, the others are over.
UPDATE "runs" SET "ended_at" = now() WHERE "ended_at" is null AND EXISTS (
  SELECT 1 FROM "runs" "later" WHERE "later"."hall_id" = "runs"."hall_id" AND "later"."bar_id" = "runs"."bar_id"
    AND "later"."ended_at" is null AND ("later"."started_at", "later"."id") > ("runs"."started_at", "runs"."id")
);--> statement-breakpoint
CREATE UNIQUE INDEX "runs_one_a_bar" ON "runs" USING btree ("hall_id","bar_id") WHERE "runs"."ended_at" is null;
