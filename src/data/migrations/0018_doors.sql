CREATE TABLE "account_log" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"kind" text NOT NULL,
	"person_id" uuid,
	"subject" text DEFAULT '' NOT NULL,
	"address" text DEFAULT '' NOT NULL,
	"agent" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "claims" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"token_sha256" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"used_at" timestamp with time zone,
	CONSTRAINT "claims_tokenSha256_unique" UNIQUE("token_sha256")
);
--> statement-breakpoint
CREATE TABLE "devices" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"name" text NOT NULL,
	"token_sha256" text NOT NULL,
	"paired_by" uuid NOT NULL,
	"paired_at" timestamp with time zone DEFAULT now() NOT NULL,
	"seen_at" timestamp with time zone DEFAULT now() NOT NULL,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "devices_tokenSha256_unique" UNIQUE("token_sha256")
);
--> statement-breakpoint
CREATE TABLE "invitations" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"token_sha256" text NOT NULL,
	"made_by" uuid,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ends_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "invitations_tokenSha256_unique" UNIQUE("token_sha256"),
	CONSTRAINT "invitations_kind" CHECK ("invitations"."kind" in ('invite', 'reset'))
);
--> statement-breakpoint
CREATE TABLE "letters" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"to_address" text NOT NULL,
	"subject" text NOT NULL,
	"body" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"sent_at" timestamp with time zone,
	"tries" integer DEFAULT 0 NOT NULL,
	"next_try_at" timestamp with time zone DEFAULT now() NOT NULL,
	"problem" text
);
--> statement-breakpoint
CREATE TABLE "pairing_codes" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hall_id" uuid NOT NULL,
	"code_hmac" text NOT NULL,
	"purpose" text NOT NULL,
	"name" text NOT NULL,
	"made_by" uuid NOT NULL,
	"ends_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "rate_limits" (
	"key" text PRIMARY KEY NOT NULL,
	"points" integer DEFAULT 0 NOT NULL,
	"expire" bigint
);
--> statement-breakpoint
CREATE TABLE "sessions" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"token_sha256" text NOT NULL,
	"account_id" uuid,
	"person_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"seen_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ends_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	"confirmed_at" timestamp with time zone,
	"agent" text DEFAULT '' NOT NULL,
	"address" text DEFAULT '' NOT NULL,
	CONSTRAINT "sessions_tokenSha256_unique" UNIQUE("token_sha256")
);
--> statement-breakpoint
CREATE TABLE "accounts" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"sign_in_name" text NOT NULL,
	"email" text,
	"passphrase_hash" text NOT NULL,
	"passphrase_at" timestamp with time zone DEFAULT now() NOT NULL,
	"totp_sealed" text,
	"totp_step" bigint,
	"spare_codes" text[],
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "accounts_sign_in_name_is_no_address" CHECK ("accounts"."sign_in_name" !~ '@')
);
--> statement-breakpoint
CREATE TABLE "passkeys" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"account_id" uuid NOT NULL,
	"credential_id" text NOT NULL,
	"public_key" text NOT NULL,
	"counter" bigint DEFAULT 0 NOT NULL,
	"transports" text[],
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"used_at" timestamp with time zone,
	CONSTRAINT "passkeys_credentialId_unique" UNIQUE("credential_id")
);
--> statement-breakpoint
ALTER TABLE "people" DROP CONSTRAINT "people_role";--> statement-breakpoint
ALTER TABLE "api_tokens" ADD COLUMN "scopes" text[] DEFAULT '{"read"}' NOT NULL;--> statement-breakpoint
ALTER TABLE "api_tokens" ADD COLUMN "created_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "api_tokens" ADD COLUMN "ends_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "api_tokens" ADD COLUMN "used_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "halls" ADD COLUMN "mass_unit" text DEFAULT 'kg' NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "account_id" uuid;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "pin_hash" text;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "account_log" ADD CONSTRAINT "account_log_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "devices" ADD CONSTRAINT "devices_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "devices" ADD CONSTRAINT "devices_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitations" ADD CONSTRAINT "invitations_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitations" ADD CONSTRAINT "invitations_hall_id_person_id_people_hall_id_id_fk" FOREIGN KEY ("hall_id","person_id") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "letters" ADD CONSTRAINT "letters_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pairing_codes" ADD CONSTRAINT "pairing_codes_hall_id_halls_id_fk" FOREIGN KEY ("hall_id") REFERENCES "public"."halls"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pairing_codes" ADD CONSTRAINT "pairing_codes_hall_id_made_by_people_hall_id_id_fk" FOREIGN KEY ("hall_id","made_by") REFERENCES "public"."people"("hall_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_account_id_accounts_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "passkeys" ADD CONSTRAINT "passkeys_account_id_accounts_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "account_log_hall_id_at_index" ON "account_log" USING btree ("hall_id","at");--> statement-breakpoint
CREATE INDEX "devices_hall_id_index" ON "devices" USING btree ("hall_id");--> statement-breakpoint
CREATE INDEX "invitations_hall_id_person_id_index" ON "invitations" USING btree ("hall_id","person_id");--> statement-breakpoint
CREATE INDEX "letters_hall_id_created_at_index" ON "letters" USING btree ("hall_id","created_at");--> statement-breakpoint
CREATE INDEX "pairing_codes_code_hmac_index" ON "pairing_codes" USING btree ("code_hmac");--> statement-breakpoint
CREATE INDEX "sessions_account_id_index" ON "sessions" USING btree ("account_id");--> statement-breakpoint
CREATE INDEX "sessions_person_id_index" ON "sessions" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "sessions_ends_at_index" ON "sessions" USING btree ("ends_at");--> statement-breakpoint
CREATE UNIQUE INDEX "accounts_sign_in_name" ON "accounts" USING btree (lower("sign_in_name"));--> statement-breakpoint
CREATE UNIQUE INDEX "accounts_email" ON "accounts" USING btree (lower("email"));--> statement-breakpoint
CREATE INDEX "passkeys_account_id_index" ON "passkeys" USING btree ("account_id");--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_account_id_accounts_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "people_account_id_index" ON "people" USING btree ("account_id");--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_hallId_accountId_unique" UNIQUE("hall_id","account_id");--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_role" CHECK ("people"."role" in ('owner', 'manager', 'coach', 'care', 'lifter', 'wall', 'sheets', 'rounds'));