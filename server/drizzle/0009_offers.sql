ALTER TABLE "quotes" ADD COLUMN "offered" jsonb;--> statement-breakpoint
ALTER TABLE "quotes" ADD COLUMN "ended" jsonb;