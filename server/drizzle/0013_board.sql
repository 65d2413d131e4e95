ALTER TABLE "jobs" ADD COLUMN "plan_id" uuid;--> statement-breakpoint
UPDATE "jobs" SET "plan_id" = (
  SELECT "plans"."id" FROM "plans" WHERE "plans"."job_id" = "jobs"."id"
  ORDER BY "plans"."created_at", "plans"."id" LIMIT 1
);
