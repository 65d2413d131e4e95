CREATE TABLE "messages" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"first_write" integer DEFAULT nextval('writes') NOT NULL,
	"last_write" integer DEFAULT nextval('writes') NOT NULL,
	"shape" integer DEFAULT 0 NOT NULL,
	"job_id" uuid NOT NULL,
	"channel" text NOT NULL,
	"to" text NOT NULL,
	"subject" text NOT NULL,
	"text" text NOT NULL,
	"reason" text NOT NULL,
	"state" text NOT NULL,
	"by" text NOT NULL,
	"tries" integer NOT NULL,
	"reference" text NOT NULL,
	"sent_at" timestamp (3) with time zone,
	"ended_at" timestamp (3) with time zone,
	"why" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "passwords" (
	"job_id" uuid PRIMARY KEY NOT NULL,
	"sealed" "bytea" NOT NULL
);
--> statement-breakpoint
ALTER TABLE "shops" ALTER COLUMN "terms" SET DEFAULT '{"shopName":"","address":"","currency":"EUR","hourlyRate":6000,"taxPercent":20,"pricesIncludeTax":true,"depositPercent":0,"creditPercent":30,"validDays":5,"returnTerms":"If the new memory turns out not to work in your computer, we take it back and return its full price. Where we chose it, the work is not charged.","testHours":null,"warranty":{"newParts":null,"usedParts":null,"work":null},"labour":{"open":{"desktop":8,"laptop":15,"all-in-one":10,"small-form-factor":12,"workstation":10},"display":90,"battery":3,"module":2,"firstStart":8,"profile":5,"stability":10},"paper":"A4","label":{"width":62,"height":40},"dateFormat":"day first"}'::jsonb;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "login" text;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "follow_up_on" date;--> statement-breakpoint
ALTER TABLE "shops" ADD COLUMN "people" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "shops" ADD COLUMN "hours" jsonb;--> statement-breakpoint
ALTER TABLE "shops" ADD COLUMN "templates" jsonb DEFAULT '{"quote":{"subject":"Your quote, job {job}","mail":"Dear {customer},\n\nyour quote for {machine} is ready: {amount}. It holds until {day}.\nPlease tell us whether we may go ahead.\n\n{shop}","text":"{shop}: your quote for {machine} is ready: {amount}, valid until {day}. Job {job}."},"parts":{"subject":"Waiting for a part, job {job}","mail":"Dear {customer},\n\nfor {machine} we wait for a part. We expect it on {day} and go on with the work then.\n\n{shop}","text":"{shop}: for {machine} we wait for a part, expected on {day}. Job {job}."},"ready":{"subject":"Ready to collect, job {job}","mail":"Dear {customer},\n\n{machine} is ready. To pay when you collect it: {amount}.\n\n{shop}","text":"{shop}: {machine} is ready to collect. To pay: {amount}. Job {job}."},"reminder":{"subject":"Your quote is still open, job {job}","mail":"Dear {customer},\n\nour quote for {machine} is still open. It holds until {day}: please tell us whether we may go ahead.\n\n{shop}","text":"{shop}: our quote for {machine} is still open, until {day}. May we go ahead? Job {job}."}}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "shops" ADD COLUMN "logo" text;--> statement-breakpoint
ALTER TABLE "messages" ADD CONSTRAINT "messages_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "passwords" ADD CONSTRAINT "passwords_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "messages_job" ON "messages" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "messages_under_way" ON "messages" USING btree ("first_write") WHERE state in ('queued', 'sent');