CREATE TABLE "returns" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"first_write" integer DEFAULT nextval('writes') NOT NULL,
	"last_write" integer DEFAULT nextval('writes') NOT NULL,
	"shape" integer DEFAULT 0 NOT NULL,
	"number" serial NOT NULL,
	"supplier" text NOT NULL,
	"currency" text NOT NULL,
	"lines" jsonb NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"reference" text DEFAULT '' NOT NULL,
	"sent" jsonb,
	"credited" jsonb,
	CONSTRAINT "returns_number_unique" UNIQUE("number")
);
--> statement-breakpoint
ALTER TABLE "claims" ADD COLUMN "text" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "claims" ADD COLUMN "slot" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "claims" ADD COLUMN "serial" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "claims" ADD COLUMN "against" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "claims" ADD COLUMN "chase_on" date;--> statement-breakpoint
ALTER TABLE "claims" ADD COLUMN "replacement" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "fits" ADD COLUMN "here_without_order" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "fits" ADD COLUMN "replaced" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "fits" ADD COLUMN "fitted_as" jsonb;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "bad" jsonb;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "return_id" uuid;--> statement-breakpoint
CREATE INDEX "claims_open" ON "claims" USING btree ("first_write") WHERE state in ('noted', 'sent', 'accepted');--> statement-breakpoint
CREATE INDEX "messages_undelivered" ON "messages" USING btree ("first_write") WHERE state in ('bounced', 'failed');