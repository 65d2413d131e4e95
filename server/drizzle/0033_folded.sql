CREATE EXTENSION IF NOT EXISTS fuzzystrmatch;--> statement-breakpoint
-- A text as it is searched; `folded` of core/src/shop/counter does the same to what is typed.
CREATE FUNCTION folded(said text) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE STRICT AS $$
  SELECT regexp_replace(regexp_replace(regexp_replace(
    replace(replace(replace(replace(replace(
      translate(normalize(lower(said), NFD), 'øłđðħı×', 'olddhix'),
      'ß', 'ss'), 'æ', 'ae'), 'œ', 'oe'), 'þ', 'th'), U&'\00a0', ' '),
    U&'[\0300-\036f''"`\00b4\2018-\201f\02b9-\02bd]', '', 'g'),
    U&'[\2010-\2015\2212]', '-', 'g'),
    '(\d) +(gb|gib|mb|mt/s|mhz)\y', '\1\2', 'g')
$$;--> statement-breakpoint
-- The same, and once more with umlauts spelt in two letters where there are any.
CREATE FUNCTION searchable(said text) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE STRICT AS $$
  SELECT folded(said) || CASE WHEN lower(normalize(said, NFC)) ~ '[äöüå]'
    THEN ' ' || folded(replace(replace(replace(replace(
      lower(normalize(said, NFC)), 'ä', 'ae'), 'ö', 'oe'), 'ü', 'ue'), 'å', 'aa'))
    ELSE '' END
$$;--> statement-breakpoint
ALTER TABLE "customers" drop column "search_text";--> statement-breakpoint
ALTER TABLE "customers" ADD COLUMN "search_text" text GENERATED ALWAYS AS (searchable(' ' || name || ' ' || phone || ' ' || email || (' tel:' || ltrim(regexp_replace(phone, '\D', '', 'g'), '0') || case when phone ~ '^\s*([+]|00)'
    then ' tel:' || ltrim(substr(ltrim(regexp_replace(phone, '\D', '', 'g'), '0'), 2), '0') || ' tel:' || ltrim(substr(ltrim(regexp_replace(phone, '\D', '', 'g'), '0'), 3), '0') || ' tel:' || ltrim(substr(ltrim(regexp_replace(phone, '\D', '', 'g'), '0'), 4), '0') else '' end))) STORED;--> statement-breakpoint
ALTER TABLE "modules" drop column "search_text";--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "search_text" text GENERATED ALWAYS AS (searchable(' ' || (module->>'capacityGiB') || ' GB '
  || (module->>'generation') || '-'
  || replace(trim('[]' from jsonb_path_query_array(module, '$.speeds[*].dataRate')::text), ', ', ' ' || (module->>'generation') || '-')
  || ' ' || replace(module->>'formFactor', 'SODIMM', 'SO-DIMM SODIMM')
  || ' ' || (module->>'ranks') || 'R×' || (module->>'deviceWidth') || ' ' || (module->>'ranks') || 'Rx' || (module->>'deviceWidth')
  || ' ' || (module->>'article') || ' ' || coalesce('kit ' || (module->'kit'->>'id'), '')
  || ' ' || serial_number || ' ' || supplier || ' ' || note)) STORED;--> statement-breakpoint
CREATE INDEX "customers_search" ON "customers" USING gin ("search_text" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "modules_search" ON "modules" USING gin ("search_text" gin_trgm_ops);--> statement-breakpoint
UPDATE "jobs" SET "search_text" = searchable("search_text");
