CREATE EXTENSION IF NOT EXISTS pg_trgm;--> statement-breakpoint
DROP INDEX "modules_supplier";--> statement-breakpoint
DROP INDEX "modules_generation";--> statement-breakpoint
ALTER TABLE "price_lists" ALTER COLUMN "added" SET DEFAULT 0;--> statement-breakpoint
ALTER TABLE "price_lists" ALTER COLUMN "changed" SET DEFAULT 0;--> statement-breakpoint
ALTER TABLE "price_lists" ALTER COLUMN "unchanged" SET DEFAULT 0;--> statement-breakpoint
ALTER TABLE "price_lists" ALTER COLUMN "dropped" SET DEFAULT 0;--> statement-breakpoint
ALTER TABLE "customers" ADD COLUMN "said" text GENERATED ALWAYS AS (lower(' ' || name || ' ' || phone || ' ' || email)) STORED;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "said" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "list_id" uuid;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "said" text GENERATED ALWAYS AS (lower(' ' || (module->>'capacityGiB') || ' GB '
  || (module->>'generation') || '-'
  || replace(trim('[]' from jsonb_path_query_array(module, '$.speeds[*].dataRate')::text), ', ', ' ' || (module->>'generation') || '-')
  || ' ' || replace(module->>'formFactor', 'SODIMM', 'SO-DIMM SODIMM')
  || ' ' || (module->>'ranks') || 'R×' || (module->>'deviceWidth') || ' ' || (module->>'ranks') || 'Rx' || (module->>'deviceWidth')
  || ' ' || (module->>'article') || ' ' || coalesce('kit ' || (module->'kit'->>'id'), '')
  || ' ' || serial_number || ' ' || supplier || ' ' || note)) STORED;--> statement-breakpoint
ALTER TABLE "price_lists" ADD COLUMN "offers" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "price_lists" ADD COLUMN "taken" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "price_lists" ADD COLUMN "ended_at" timestamp (3) with time zone;--> statement-breakpoint
UPDATE "jobs" SET "said" = lower(concat_ws(' ', '', "jobs"."number", "jobs"."complaint", "customers"."name", "customers"."phone", "machines"."machine"->>'name'))
FROM "customers", "machines" WHERE "customers"."id" = "jobs"."customer_id" AND "machines"."id" = "jobs"."machine_id";--> statement-breakpoint
UPDATE "price_lists" SET "offers" = "added" + "changed" + "unchanged", "taken" = "added" + "changed" + "unchanged", "ended_at" = "created_at";--> statement-breakpoint
CREATE INDEX "customers_name" ON "customers" USING btree ("name","id");--> statement-breakpoint
CREATE INDEX "customers_said" ON "customers" USING gin ("said" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "jobs_said" ON "jobs" USING gin ("said" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "jobs_modules" ON "jobs" USING gin (jsonb_path_query_array("found", '$.*.moduleId'));--> statement-breakpoint
CREATE INDEX "modules_of_shop" ON "modules" USING btree ("source","first_write") WHERE job_id is null;--> statement-breakpoint
CREATE INDEX "modules_of_kind" ON "modules" USING btree ("source",((module->>'generation') || ' ' || (module->>'formFactor')),"first_write") WHERE job_id is null;--> statement-breakpoint
CREATE INDEX "modules_offered" ON "modules" USING btree ("supplier",(coalesce(module->'kit'->>'size', '1') || ' ' || lower(module->>'article'))) WHERE source = 'supplier';--> statement-breakpoint
CREATE INDEX "modules_said" ON "modules" USING gin ("said" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "plans_modules" ON "plans" USING gin (jsonb_path_query_array("placement", '$.*.moduleId'));