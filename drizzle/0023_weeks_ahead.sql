CREATE TABLE "weeks" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"ask" jsonb NOT NULL,
	"answer" jsonb,
	"before" jsonb,
	"taken" jsonb NOT NULL,
	"solved_at" timestamp with time zone,
	CONSTRAINT "one_weeks" CHECK ("weeks"."id" = 1)
);
