CREATE TABLE "measurements" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"job_id" uuid NOT NULL,
	"test" text NOT NULL,
	"unit" text NOT NULL,
	"better" text NOT NULL,
	"moment" text NOT NULL,
	"runs" jsonb NOT NULL,
	"failed" integer NOT NULL,
	"bandwidth" text,
	"note" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "probe_codes" (
	"code" text PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL,
	"until" timestamp (3) with time zone NOT NULL,
	"token" text
);
--> statement-breakpoint
CREATE TABLE "verifications" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"job_id" uuid NOT NULL,
	"seen" jsonb NOT NULL,
	"trials" jsonb NOT NULL,
	"stability" jsonb NOT NULL,
	CONSTRAINT "verifications_job_id_unique" UNIQUE("job_id")
);
--> statement-breakpoint
ALTER TABLE "measurements" ADD CONSTRAINT "measurements_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "probe_codes" ADD CONSTRAINT "probe_codes_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "verifications" ADD CONSTRAINT "verifications_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "measurements_job" ON "measurements" USING btree ("job_id");