ALTER TABLE "frames" ADD COLUMN "session" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "frames" ADD COLUMN "at" text;--> statement-breakpoint
ALTER TABLE "frames" ADD COLUMN "conditions" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "measurements" ADD COLUMN "work" text;--> statement-breakpoint
ALTER TABLE "measurements" ADD COLUMN "at" text;--> statement-breakpoint
ALTER TABLE "measurements" ADD COLUMN "conditions" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "measurements" ADD COLUMN "busy" boolean DEFAULT false NOT NULL;