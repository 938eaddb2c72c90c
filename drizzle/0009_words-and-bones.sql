CREATE TABLE "meaning" (
	"words" text PRIMARY KEY NOT NULL,
	"food_key" text NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "meaning_has_words" CHECK (length("meaning"."words") > 0)
);
--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "units_said" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "line" ADD COLUMN "bone" jsonb;