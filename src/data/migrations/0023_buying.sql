CREATE TABLE "bar_repairs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"paid_on" date NOT NULL,
	"minor" bigint NOT NULL,
	"note" text NOT NULL,
	"person_id" uuid NOT NULL,
	"entered_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "bar_repairs_minor" CHECK ("bar_repairs"."minor" > 0)
);
--> statement-breakpoint
CREATE TABLE "deliveries" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"offer_id" uuid NOT NULL,
	"arrived_on" date NOT NULL,
	"verdict" text NOT NULL,
	"answers" jsonb NOT NULL,
	"readings" jsonb NOT NULL,
	"reasons" jsonb NOT NULL,
	"note" text,
	"bar_id" uuid,
	"is_resolved" boolean DEFAULT false NOT NULL,
	"resolution" text,
	"person_id" uuid NOT NULL,
	"entered_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "deliveries_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "deliveries_verdict" CHECK ("deliveries"."verdict" in ('keep', 'claim', 'return'))
);
--> statement-breakpoint
CREATE TABLE "delivery_photos" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"delivery_id" uuid NOT NULL,
	"photo" "bytea" NOT NULL,
	"photo_type" text NOT NULL,
	CONSTRAINT "delivery_photos_size" CHECK (octet_length("delivery_photos"."photo") <= 5242880)
);
--> statement-breakpoint
CREATE TABLE "offers" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"no" integer NOT NULL,
	"name" text NOT NULL,
	"family" text NOT NULL,
	"seller" text,
	"batch" text,
	"state" text NOT NULL,
	"texts" jsonb NOT NULL,
	"delivered_minor" bigint,
	"currency" text NOT NULL,
	"valid_until" date,
	"reason" text,
	"approved_on" date,
	"approved_by" uuid,
	"ordered_on" date,
	"ordered_quantity" integer,
	"expected_on" date,
	"version" integer DEFAULT 1 NOT NULL,
	"entered_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "offers_hallId_id_unique" UNIQUE("hall_id","id"),
	CONSTRAINT "offers_hallId_no_unique" UNIQUE("hall_id","no"),
	CONSTRAINT "offers_state" CHECK ("offers"."state" in ('idea', 'quoted', 'ordered', 'arrived', 'refused')),
	CONSTRAINT "offers_money" CHECK (coalesce("offers"."delivered_minor", 0) >= 0),
	CONSTRAINT "offers_order" CHECK (("offers"."ordered_on" is null) = ("offers"."ordered_quantity" is null))
);
--> statement-breakpoint
ALTER TABLE "bar_repairs" ADD CONSTRAINT "bar_repairs_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_repairs" ADD CONSTRAINT "bar_repairs_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar_repairs" ADD CONSTRAINT "bar_repairs_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "deliveries" ADD CONSTRAINT "deliveries_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "deliveries" ADD CONSTRAINT "deliveries_hall_id_offer_id_offers_hall_id_id_fk" FOREIGN KEY ("hall_id","offer_id") REFERENCES "public"."offers"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "deliveries" ADD CONSTRAINT "deliveries_hall_id_bar_id_bars_hall_id_id_fk" FOREIGN KEY ("hall_id","bar_id") REFERENCES "public"."bars"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "deliveries" ADD CONSTRAINT "deliveries_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "delivery_photos" ADD CONSTRAINT "delivery_photos_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "delivery_photos" ADD CONSTRAINT "delivery_photos_hall_id_delivery_id_deliveries_hall_id_id_fk" FOREIGN KEY ("hall_id","delivery_id") REFERENCES "public"."deliveries"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "offers" ADD CONSTRAINT "offers_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "offers" ADD CONSTRAINT "offers_hall_id_approved_by_people_hall_id_id_fk" FOREIGN KEY ("hall_id","approved_by") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bar_repairs_by_bar" ON "bar_repairs" USING btree ("hall_id","bar_id");--> statement-breakpoint
CREATE INDEX "deliveries_by_offer" ON "deliveries" USING btree ("hall_id","offer_id");--> statement-breakpoint
CREATE INDEX "delivery_photos_by_delivery" ON "delivery_photos" USING btree ("hall_id","delivery_id");--> statement-breakpoint
CREATE INDEX "offers_by_state" ON "offers" USING btree ("hall_id","state");