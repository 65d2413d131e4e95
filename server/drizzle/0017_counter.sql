ALTER TABLE "customers" drop column "said";--> statement-breakpoint
ALTER TABLE "customers" ADD COLUMN "said" text GENERATED ALWAYS AS (lower(' ' || name || ' ' || phone || ' ' || email || (' tel:' || ltrim(regexp_replace(phone, '\D', '', 'g'), '0') || case when phone ~ '^\s*([+]|00)'
    then ' tel:' || ltrim(substr(ltrim(regexp_replace(phone, '\D', '', 'g'), '0'), 2), '0') || ' tel:' || ltrim(substr(ltrim(regexp_replace(phone, '\D', '', 'g'), '0'), 3), '0') || ' tel:' || ltrim(substr(ltrim(regexp_replace(phone, '\D', '', 'g'), '0'), 4), '0') else '' end))) STORED;--> statement-breakpoint
CREATE INDEX "jobs_open" ON "jobs" USING btree ("due_on","number") WHERE stage <> 'closed';--> statement-breakpoint
CREATE INDEX "modules_fitted" ON "modules" USING btree ("fitted_job_id");--> statement-breakpoint
CREATE INDEX "customers_said" ON "customers" USING gin ("said" gin_trgm_ops);--> statement-breakpoint
UPDATE "jobs" SET "said" = lower(concat_ws(' ', '', "jobs"."number", "jobs"."complaint", "customers"."name",
  "customers"."phone", "customers"."email", "machines"."machine"->>'name', "machines"."serial_number",
  (select string_agg(concat_ws(' ', "modules"."module"->>'article', "modules"."serial_number"), ' ')
  from "modules" where "modules"."job_id" = "jobs"."id" or "modules"."fitted_job_id" = "jobs"."id"),
  (select string_agg(value, ' ') from "fits", jsonb_each_text("fits"."serials")
  where "fits"."job_id" = "jobs"."id"))
  || (' tel:' || ltrim(regexp_replace("customers"."phone", '\D', '', 'g'), '0') || case when "customers"."phone" ~ '^\s*([+]|00)'
    then ' tel:' || ltrim(substr(ltrim(regexp_replace("customers"."phone", '\D', '', 'g'), '0'), 2), '0') || ' tel:' || ltrim(substr(ltrim(regexp_replace("customers"."phone", '\D', '', 'g'), '0'), 3), '0') || ' tel:' || ltrim(substr(ltrim(regexp_replace("customers"."phone", '\D', '', 'g'), '0'), 4), '0') else '' end))
FROM "customers", "machines" WHERE "customers"."id" = "jobs"."customer_id" AND "machines"."id" = "jobs"."machine_id";
