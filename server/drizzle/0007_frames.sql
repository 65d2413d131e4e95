CREATE TABLE "frames" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"job_id" uuid NOT NULL,
	"test" text NOT NULL,
	"configuration" text NOT NULL,
	"name" text NOT NULL,
	"figures" jsonb NOT NULL,
	"bins" jsonb NOT NULL,
	"line" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "measurements" RENAME COLUMN "moment" TO "configuration";--> statement-breakpoint
ALTER TABLE "verifications" ADD COLUMN "changes" jsonb;--> statement-breakpoint
ALTER TABLE "frames" ADD CONSTRAINT "frames_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "frames_job" ON "frames" USING btree ("job_id");