CREATE TABLE "fits" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"job_id" uuid NOT NULL,
	"static" text NOT NULL,
	"hatch" boolean NOT NULL,
	"ticks" jsonb NOT NULL,
	"note" text NOT NULL,
	"seconds" integer NOT NULL,
	"running_since" timestamp (3) with time zone,
	"screws" jsonb NOT NULL,
	"screw_photo_id" uuid,
	"screws_back" jsonb NOT NULL,
	"screws_left" jsonb,
	"serials" jsonb NOT NULL,
	"removed" jsonb NOT NULL,
	"finished_at" timestamp (3) with time zone,
	CONSTRAINT "fits_job_id_unique" UNIQUE("job_id")
);
--> statement-breakpoint
ALTER TABLE "models" ADD COLUMN "screw_map" jsonb;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "fitted_job_id" uuid;--> statement-breakpoint
ALTER TABLE "fits" ADD CONSTRAINT "fits_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "modules" ADD CONSTRAINT "modules_fitted_job_id_jobs_id_fk" FOREIGN KEY ("fitted_job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;