ALTER TABLE "customers" RENAME COLUMN "said" TO "search_text";--> statement-breakpoint
ALTER TABLE "jobs" RENAME COLUMN "said" TO "search_text";--> statement-breakpoint
ALTER TABLE "modules" RENAME COLUMN "said" TO "search_text";--> statement-breakpoint
ALTER TABLE "modules" RENAME COLUMN "stands_for" TO "ordered_for";--> statement-breakpoint
ALTER INDEX "customers_said" RENAME TO "customers_search";--> statement-breakpoint
ALTER INDEX "jobs_said" RENAME TO "jobs_search";--> statement-breakpoint
ALTER INDEX "modules_said" RENAME TO "modules_search";--> statement-breakpoint
ALTER INDEX "modules_stand_for" RENAME TO "modules_ordered_for";--> statement-breakpoint
UPDATE "history" SET "fields" = (SELECT jsonb_agg(CASE WHEN field = '"standsFor"' THEN '"orderedFor"' ELSE field END) FROM jsonb_array_elements("fields") AS field) WHERE "fields" ? 'standsFor';--> statement-breakpoint
UPDATE "history" SET "changes" = ("changes" - 'standsFor') || jsonb_build_object('orderedFor', "changes"->'standsFor') WHERE "changes" ? 'standsFor';
