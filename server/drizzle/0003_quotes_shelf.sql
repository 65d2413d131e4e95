CREATE TABLE "price_lists" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"supplier" text NOT NULL,
	"name" text NOT NULL,
	"mapping" jsonb NOT NULL,
	"complete" boolean NOT NULL,
	"added" integer NOT NULL,
	"changed" integer NOT NULL,
	"unchanged" integer NOT NULL,
	"dropped" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "quotes" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"job_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"options" jsonb NOT NULL,
	"deposit_percent" double precision,
	"valid_until" date,
	"note" text NOT NULL,
	"approval" jsonb,
	"document" jsonb,
	CONSTRAINT "quotes_number" UNIQUE("job_id","number")
);
--> statement-breakpoint
CREATE TABLE "reservations" (
	"module_id" uuid PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL
);
--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "condition" text;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "tested_on" date;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "serial_number" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "from_job_id" uuid;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "supplier" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "stock" integer;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "lead_days" integer;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "asked_at" timestamp (3) with time zone;--> statement-breakpoint
ALTER TABLE "shops" ADD COLUMN "terms" jsonb DEFAULT '{"shopName":"","address":"","currency":"EUR","hourlyRate":6000,"taxPercent":20,"pricesIncludeTax":true,"depositPercent":0,"creditPercent":30,"validDays":14,"returnTerms":"If the new memory turns out not to work in your computer, we take it back and return its full price; the work done is charged.","labour":{"open":{"desktop":8,"laptop":15,"all-in-one":30,"small-form-factor":12,"workstation":10},"battery":3,"module":2,"firstStart":8,"profile":5,"stability":10}}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "quotes" ADD CONSTRAINT "quotes_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reservations" ADD CONSTRAINT "reservations_module_id_modules_id_fk" FOREIGN KEY ("module_id") REFERENCES "public"."modules"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reservations" ADD CONSTRAINT "reservations_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "reservations_job" ON "reservations" USING btree ("job_id");--> statement-breakpoint
ALTER TABLE "modules" ADD CONSTRAINT "modules_from_job_id_jobs_id_fk" FOREIGN KEY ("from_job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "modules_supplier" ON "modules" USING btree ("supplier");--> statement-breakpoint
CREATE INDEX "modules_generation" ON "modules" USING btree (("module"->>'generation'));--> statement-breakpoint
INSERT INTO "reservations" ("module_id", "job_id")
SELECT DISTINCT ON (m."id") m."id", p."job_id"
FROM "plans" p
CROSS JOIN LATERAL jsonb_each(coalesce(p."placement", '{}'::jsonb)) held
JOIN "modules" m ON m."id" = (held."value"->>'moduleId')::uuid
JOIN "jobs" j ON j."id" = p."job_id"
WHERE m."source" = 'shelf' AND j."stage" <> 'closed'
ORDER BY m."id", p."updated_at";
