CREATE TABLE "handovers" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"first_write" integer DEFAULT nextval('writes') NOT NULL,
	"last_write" integer DEFAULT nextval('writes') NOT NULL,
	"shape" integer DEFAULT 0 NOT NULL,
	"job_id" uuid NOT NULL,
	"wording" jsonb NOT NULL,
	"payments" jsonb NOT NULL,
	"returned" jsonb NOT NULL,
	"reasons" jsonb NOT NULL,
	"signed" jsonb,
	"document" jsonb,
	"collected" jsonb,
	CONSTRAINT "handovers_job_id_unique" UNIQUE("job_id")
);
--> statement-breakpoint
ALTER TABLE "shops" ALTER COLUMN "terms" SET DEFAULT '{"shopName":"","address":"","currency":"EUR","hourlyRate":6000,"taxPercent":20,"pricesIncludeTax":true,"depositPercent":0,"creditPercent":30,"validDays":5,"returnTerms":"If the new memory turns out not to work in your computer, we take it back and return its full price. Where we chose it, the work is not charged.","testHours":null,"warranty":{"newParts":null,"usedParts":null,"work":null},"labour":{"open":{"desktop":8,"laptop":15,"all-in-one":10,"small-form-factor":12,"workstation":10},"display":90,"battery":3,"module":2,"firstStart":8,"profile":5,"stability":10},"paper":"A4","dateFormat":"day first"}'::jsonb;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "condition" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "accessories" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "backup" text;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "follows_id" uuid;--> statement-breakpoint
ALTER TABLE "handovers" ADD CONSTRAINT "handovers_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_follows_id_jobs_id_fk" FOREIGN KEY ("follows_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;