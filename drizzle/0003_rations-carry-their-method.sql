UPDATE "ration" SET "method" = jsonb_build_object('kind', 'factor', 'factor', "own_factor") WHERE "own_factor" IS NOT NULL;--> statement-breakpoint
UPDATE "ration" SET "extras" = jsonb_build_array(jsonb_build_object(
  'name', 'bought food', 'kind', 'bought', 'said', '', 'weekdays', '[]'::jsonb,
  'size', jsonb_build_object('by', 'part', 'part', 1 - "home_fraction")
)) WHERE "home_fraction" < 1;
