CREATE TABLE "plan_item" (
	"plan_id" integer NOT NULL,
	"food_key" text NOT NULL,
	"fetched_from" text NOT NULL,
	"ticked_at" timestamp with time zone,
	CONSTRAINT "plan_item_plan_id_food_key_pk" PRIMARY KEY("plan_id","food_key")
);
--> statement-breakpoint
CREATE TABLE "equipment" (
	"id" serial PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"millilitres" double precision,
	"grams" double precision,
	"count" integer NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "equipment_has_a_size" CHECK (num_nonnulls("equipment"."millilitres", "equipment"."grams") = 1),
	CONSTRAINT "equipment_is_there" CHECK ("equipment"."count" > 0)
);
--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "swaps" jsonb;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "amounts" jsonb;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "cook_day" date;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "entry" jsonb;--> statement-breakpoint
ALTER TABLE "plan_item" ADD CONSTRAINT "plan_item_plan_id_plan_id_fk" FOREIGN KEY ("plan_id") REFERENCES "public"."plan"("id") ON DELETE no action ON UPDATE no action;