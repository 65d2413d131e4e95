ALTER TABLE "fits" ADD COLUMN "here_without_order" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "fits" ADD COLUMN "replaced" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "fits" ADD COLUMN "fitted_as" jsonb;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "bad" jsonb;