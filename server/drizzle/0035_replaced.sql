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
CREATE INDEX "claims_open" ON "claims" USING btree ("first_write") WHERE state in ('noted', 'sent', 'accepted');--> statement-breakpoint
CREATE INDEX "messages_undelivered" ON "messages" USING btree ("first_write") WHERE state in ('bounced', 'failed');