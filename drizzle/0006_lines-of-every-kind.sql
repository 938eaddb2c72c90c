CREATE TABLE "addition_setting" (
	"food_key" text PRIMARY KEY NOT NULL,
	"allowed" boolean NOT NULL,
	"cap" double precision,
	"price_per_kg" integer,
	CONSTRAINT "cap_is_not_negative" CHECK ("addition_setting"."cap" is null or "addition_setting"."cap" >= 0)
);
--> statement-breakpoint
CREATE TABLE "own_measure" (
	"food_key" text NOT NULL,
	"unit" text NOT NULL,
	"grams" double precision NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "own_measure_food_key_unit_pk" PRIMARY KEY("food_key","unit"),
	CONSTRAINT "own_measure_weighs" CHECK ("own_measure"."grams" > 0)
);
--> statement-breakpoint
CREATE TABLE "supply" (
	"id" serial PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"label" jsonb NOT NULL,
	"archived_at" timestamp with time zone,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "supply_is_named" CHECK (length("supply"."name") > 0)
);
--> statement-breakpoint
ALTER TABLE "line" DROP CONSTRAINT "line_has_one_source";--> statement-breakpoint
ALTER TABLE "line" ALTER COLUMN "quantity" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "line" ALTER COLUMN "grams" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "choices" jsonb;--> statement-breakpoint
ALTER TABLE "plan_dog" ADD COLUMN "kg_days" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "component" ADD COLUMN "vessel" text;--> statement-breakpoint
ALTER TABLE "line" ADD COLUMN "supply_id" integer;--> statement-breakpoint
ALTER TABLE "line" ADD COLUMN "strained" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "line" ADD COLUMN "state" text DEFAULT 'raw' NOT NULL;--> statement-breakpoint
ALTER TABLE "line" ADD COLUMN "per" jsonb;--> statement-breakpoint
ALTER TABLE "line" ADD COLUMN "choice" text;--> statement-breakpoint
ALTER TABLE "recipe" ADD COLUMN "shape" text;--> statement-breakpoint
ALTER TABLE "recipe_version" ADD COLUMN "preview" jsonb;--> statement-breakpoint
ALTER TABLE "line" ADD CONSTRAINT "line_supply_id_supply_id_fk" FOREIGN KEY ("supply_id") REFERENCES "public"."supply"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "line" ADD CONSTRAINT "line_is_read_or_words" CHECK (("line"."grams" is null) = ("line"."quantity" is null));--> statement-breakpoint
ALTER TABLE "line" ADD CONSTRAINT "refuse_is_a_share" CHECK ("line"."refuse" between 0 and 1);--> statement-breakpoint
ALTER TABLE "line" ADD CONSTRAINT "line_has_one_source" CHECK (num_nonnulls("line"."food_ndb", "line"."source_version_id", "line"."supply_id") = num_nonnulls("line"."grams"));