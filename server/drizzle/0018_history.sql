ALTER TABLE "history" ADD COLUMN "by" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "history" ADD COLUMN "changes" jsonb;