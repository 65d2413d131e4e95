CREATE TABLE "claims" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"first_write" integer DEFAULT nextval('writes') NOT NULL,
	"last_write" integer DEFAULT nextval('writes') NOT NULL,
	"shape" integer DEFAULT 0 NOT NULL,
	"job_id" uuid NOT NULL,
	"module_id" uuid NOT NULL,
	"unit" integer NOT NULL,
	"what" text NOT NULL,
	"invoice" text NOT NULL,
	"reference" text NOT NULL,
	"state" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "claims" ADD CONSTRAINT "claims_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "claims_job" ON "claims" USING btree ("job_id");