ALTER TABLE "fits" ALTER COLUMN "hatch" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ALTER COLUMN "sizing" SET DEFAULT '{"uses":[],"integratedGraphics":false,"disk":"unknown","slow":[],"log":null,"freeSlots":0,"years":null,"wantedGiB":null}'::jsonb;--> statement-breakpoint
ALTER TABLE "shops" ALTER COLUMN "terms" SET DEFAULT '{"shopName":"","address":"","currency":"EUR","hourlyRate":6000,"taxPercent":20,"pricesIncludeTax":true,"depositPercent":0,"creditPercent":30,"validDays":5,"returnTerms":"If the new memory turns out not to work in your computer, we take it back and return its full price. Where we chose it, the work is not charged.","testHours":null,"warranty":{"newParts":null,"usedParts":null,"work":null},"labour":{"open":{"desktop":8,"laptop":15,"all-in-one":10,"small-form-factor":12,"workstation":10},"display":90,"battery":3,"module":2,"firstStart":8,"profile":5,"stability":10}}'::jsonb;--> statement-breakpoint
ALTER TABLE "fits" ADD COLUMN "battery" text;--> statement-breakpoint
ALTER TABLE "models" ADD COLUMN "hatch" boolean;--> statement-breakpoint
ALTER TABLE "models" ADD COLUMN "battery" text;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "warranty_until" date;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "manual" jsonb;--> statement-breakpoint
ALTER TABLE "verifications" ADD COLUMN "tuning" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
UPDATE "shops" SET "terms" = "terms" || jsonb_build_object('testHours', null, 'warranty', '{"newParts":null,"usedParts":null,"work":null}'::jsonb, 'labour', ("terms"->'labour') || '{"display":90}'::jsonb), "uses" = "uses" || '{"growthPercent":5}'::jsonb;--> statement-breakpoint
UPDATE "jobs" SET "sizing" = "sizing" || '{"years":null,"freeSlots":0}'::jsonb;--> statement-breakpoint
UPDATE "fits" SET "hatch" = null WHERE "finished_at" IS NULL;
