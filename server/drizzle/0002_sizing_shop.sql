CREATE TABLE "shops" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"uses" jsonb NOT NULL,
	"policy" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "sizing" jsonb DEFAULT '{"uses":[],"integratedGraphics":false,"disk":"unknown","slow":[],"log":null,"wantedGiB":null}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "policy" text;