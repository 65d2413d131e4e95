CREATE SEQUENCE "public"."writes" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1;--> statement-breakpoint
CREATE TABLE "acts" (
	"id" uuid PRIMARY KEY NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"writes" jsonb NOT NULL
);
--> statement-breakpoint
DROP INDEX "jobs_updated";--> statement-breakpoint
ALTER TABLE "customers" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "customers" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "customers" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "fits" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "fits" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "fits" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "frames" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "frames" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "frames" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "machines" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "machines" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "machines" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "measurements" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "measurements" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "measurements" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "models" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "models" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "models" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "photos" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "photos" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "photos" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "price_lists" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "price_lists" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "price_lists" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "quotes" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "quotes" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "quotes" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "shops" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "shops" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "shops" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "validated_lists" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "validated_lists" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "validated_lists" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "verifications" ADD COLUMN "first_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "verifications" ADD COLUMN "last_write" integer DEFAULT nextval('writes') NOT NULL;--> statement-breakpoint
ALTER TABLE "verifications" ADD COLUMN "shape" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX "jobs_written" ON "jobs" USING btree ("last_write");--> statement-breakpoint
UPDATE "customers" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "customers"
) AS "o" WHERE "o"."id" = "customers"."id";--> statement-breakpoint
UPDATE "fits" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "fits"
) AS "o" WHERE "o"."id" = "fits"."id";--> statement-breakpoint
UPDATE "frames" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "frames"
) AS "o" WHERE "o"."id" = "frames"."id";--> statement-breakpoint
UPDATE "jobs" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "jobs"
) AS "o" WHERE "o"."id" = "jobs"."id";--> statement-breakpoint
UPDATE "machines" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "machines"
) AS "o" WHERE "o"."id" = "machines"."id";--> statement-breakpoint
UPDATE "measurements" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "measurements"
) AS "o" WHERE "o"."id" = "measurements"."id";--> statement-breakpoint
UPDATE "models" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "models"
) AS "o" WHERE "o"."id" = "models"."id";--> statement-breakpoint
UPDATE "modules" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "modules"
) AS "o" WHERE "o"."id" = "modules"."id";--> statement-breakpoint
UPDATE "photos" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "photos"
) AS "o" WHERE "o"."id" = "photos"."id";--> statement-breakpoint
UPDATE "plans" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "plans"
) AS "o" WHERE "o"."id" = "plans"."id";--> statement-breakpoint
UPDATE "price_lists" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "price_lists"
) AS "o" WHERE "o"."id" = "price_lists"."id";--> statement-breakpoint
UPDATE "quotes" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "quotes"
) AS "o" WHERE "o"."id" = "quotes"."id";--> statement-breakpoint
UPDATE "readings" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "readings"
) AS "o" WHERE "o"."id" = "readings"."id";--> statement-breakpoint
UPDATE "shops" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "shops"
) AS "o" WHERE "o"."id" = "shops"."id";--> statement-breakpoint
UPDATE "validated_lists" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "validated_lists"
) AS "o" WHERE "o"."id" = "validated_lists"."id";--> statement-breakpoint
UPDATE "verifications" SET "first_write" = "o"."made", "last_write" = "o"."changed" FROM (
  SELECT "id", row_number() OVER (ORDER BY "created_at", "id") AS "made", row_number() OVER (ORDER BY "updated_at", "id") AS "changed" FROM "verifications"
) AS "o" WHERE "o"."id" = "verifications"."id";
