CREATE TABLE "batch" (
	"id" serial PRIMARY KEY NOT NULL,
	"plan_id" integer,
	"parent_id" integer,
	"version_id" integer NOT NULL,
	"scale" double precision NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"started_at" timestamp with time zone,
	"evidence" jsonb,
	"weighed_at" timestamp with time zone,
	"net_grams" double precision,
	"eaten_before" double precision,
	"cups" double precision,
	"cup_grams" double precision,
	"dropped_at" timestamp with time zone,
	CONSTRAINT "cooking_freezes_evidence" CHECK (("batch"."started_at" is null) = ("batch"."evidence" is null)),
	CONSTRAINT "planned_has_no_yield" CHECK ("batch"."net_grams" is null or "batch"."started_at" is not null),
	CONSTRAINT "weighed_whole" CHECK (num_nonnulls("batch"."weighed_at", "batch"."net_grams", "batch"."eaten_before") in (0, 3))
);
--> statement-breakpoint
CREATE TABLE "load" (
	"id" serial PRIMARY KEY NOT NULL,
	"batch_id" integer NOT NULL,
	"component_id" integer,
	"position" integer NOT NULL,
	"vessel" text NOT NULL,
	"gross" double precision NOT NULL,
	"tare" double precision NOT NULL
);
--> statement-breakpoint
CREATE TABLE "plan" (
	"id" serial PRIMARY KEY NOT NULL,
	"first_day" date NOT NULL,
	"days" integer NOT NULL,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "plan_dog" (
	"plan_id" integer NOT NULL,
	"dog_id" integer NOT NULL,
	"kcal" double precision NOT NULL,
	CONSTRAINT "plan_dog_plan_id_dog_id_pk" PRIMARY KEY("plan_id","dog_id")
);
--> statement-breakpoint
CREATE TABLE "share" (
	"id" serial PRIMARY KEY NOT NULL,
	"batch_id" integer NOT NULL,
	"fate" text NOT NULL,
	"grams" integer NOT NULL,
	"day" date NOT NULL,
	"dry_method" text,
	"sealed_at" timestamp with time zone,
	CONSTRAINT "one_share_a_fate" UNIQUE("batch_id","fate"),
	CONSTRAINT "share_weighs" CHECK ("share"."grams" > 0)
);
--> statement-breakpoint
CREATE TABLE "tray" (
	"id" serial PRIMARY KEY NOT NULL,
	"share_id" integer NOT NULL,
	"position" integer NOT NULL,
	"tare" double precision NOT NULL,
	"wet_gross" double precision NOT NULL,
	"dry_gross" double precision,
	CONSTRAINT "tray_position" UNIQUE("share_id","position")
);
--> statement-breakpoint
CREATE TABLE "dog" (
	"id" serial PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"mark" integer NOT NULL,
	"birth_date" date NOT NULL,
	"neutered" boolean NOT NULL,
	"expected_adult_grams" double precision,
	"archived_at" timestamp with time zone,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "meal_slot" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"name" text NOT NULL,
	"clock" text NOT NULL,
	"position" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "ration" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"from_day" date NOT NULL,
	"work" text NOT NULL,
	"prone_to_gain" boolean NOT NULL,
	"own_factor" double precision,
	"home_fraction" double precision NOT NULL,
	"reason" text,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "ration_slot" (
	"ration_id" integer NOT NULL,
	"slot_id" integer NOT NULL,
	"fraction" double precision NOT NULL,
	"recipe_id" integer,
	CONSTRAINT "ration_slot_ration_id_slot_id_pk" PRIMARY KEY("ration_id","slot_id")
);
--> statement-breakpoint
CREATE TABLE "weigh_in" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"day" date NOT NULL,
	"grams" double precision NOT NULL,
	"body_condition" integer,
	"note" text,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "command" (
	"id" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"result" jsonb
);
--> statement-breakpoint
CREATE TABLE "household" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"unit_set" text NOT NULL,
	"energy_factors" text NOT NULL,
	"time_zone" text NOT NULL,
	"fridge_days" integer NOT NULL,
	"currency" text NOT NULL,
	CONSTRAINT "one_household" CHECK ("household"."id" = 1)
);
--> statement-breakpoint
CREATE TABLE "place" (
	"id" serial PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"capacity_ml" integer,
	"position" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "component" (
	"id" serial PRIMARY KEY NOT NULL,
	"version_id" integer NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"method" text,
	"minutes" integer,
	"celsius" double precision
);
--> statement-breakpoint
CREATE TABLE "line" (
	"id" serial PRIMARY KEY NOT NULL,
	"component_id" integer NOT NULL,
	"position" integer NOT NULL,
	"amount" text NOT NULL,
	"quantity" jsonb NOT NULL,
	"grams" double precision NOT NULL,
	"food_ndb" text,
	"source_version_id" integer,
	"preparation" text,
	"refuse" double precision DEFAULT 0 NOT NULL,
	"part" text NOT NULL,
	"moment" text NOT NULL,
	"basis" text NOT NULL,
	CONSTRAINT "line_has_one_source" CHECK (num_nonnulls("line"."food_ndb", "line"."source_version_id") = 1),
	CONSTRAINT "line_weighs" CHECK ("line"."grams" > 0)
);
--> statement-breakpoint
CREATE TABLE "recipe" (
	"id" serial PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"letter" text NOT NULL,
	"next_pack" integer DEFAULT 1 NOT NULL,
	"archived_at" timestamp with time zone,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "recipe_letter_unique" UNIQUE("letter")
);
--> statement-breakpoint
CREATE TABLE "recipe_version" (
	"id" serial PRIMARY KEY NOT NULL,
	"recipe_id" integer NOT NULL,
	"number" integer NOT NULL,
	"note" text,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "version_number" UNIQUE("recipe_id","number")
);
--> statement-breakpoint
CREATE TABLE "bowl" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"day" date NOT NULL,
	"slot_id" integer NOT NULL,
	"ration_id" integer NOT NULL,
	"kcal" double precision NOT NULL,
	"fed_at" timestamp with time zone NOT NULL,
	"movement_id" integer NOT NULL,
	"reversed_by" integer,
	CONSTRAINT "bowl_movement_id_unique" UNIQUE("movement_id"),
	CONSTRAINT "bowl_reversed_by_unique" UNIQUE("reversed_by")
);
--> statement-breakpoint
CREATE TABLE "bowl_part" (
	"id" serial PRIMARY KEY NOT NULL,
	"bowl_id" integer NOT NULL,
	"holding_id" integer,
	"share_id" integer,
	"amount" integer NOT NULL,
	"water_ml" integer NOT NULL,
	"kcal" double precision NOT NULL,
	CONSTRAINT "part_has_one_source" CHECK (num_nonnulls("bowl_part"."holding_id", "bowl_part"."share_id") = 1)
);
--> statement-breakpoint
CREATE TABLE "holding" (
	"id" serial PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"food_kind" text NOT NULL,
	"fatty" boolean NOT NULL,
	"place_id" integer NOT NULL,
	"amount" integer NOT NULL,
	"since" date NOT NULL,
	"fridge_days_used" integer DEFAULT 0 NOT NULL,
	"thawed_on" date,
	"opened_on" date,
	"blocked" boolean DEFAULT false NOT NULL,
	"safe_until" date,
	"best_by" date,
	"rule" text NOT NULL,
	CONSTRAINT "nothing_below_zero" CHECK ("holding"."amount" >= 0)
);
--> statement-breakpoint
CREATE TABLE "leg" (
	"id" serial PRIMARY KEY NOT NULL,
	"movement_id" integer NOT NULL,
	"holding_id" integer,
	"place_id" integer,
	"account" text,
	"amount" integer NOT NULL,
	CONSTRAINT "leg_has_one_side" CHECK (("leg"."account" is null) = ("leg"."holding_id" is not null) and ("leg"."account" is null) = ("leg"."place_id" is not null))
);
--> statement-breakpoint
CREATE TABLE "movement" (
	"id" serial PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"day" date NOT NULL,
	"reverses" integer,
	"note" text,
	CONSTRAINT "movement_reverses_unique" UNIQUE("reverses")
);
--> statement-breakpoint
CREATE TABLE "pack" (
	"holding_id" integer PRIMARY KEY NOT NULL,
	"code" text NOT NULL,
	"recipe_id" integer NOT NULL,
	"dog_id" integer,
	"packed_on" date NOT NULL,
	"label_amount" integer NOT NULL,
	"density" double precision NOT NULL,
	"water_per_gram" double precision NOT NULL,
	"label_safe_until" date,
	"label_best_by" date,
	"label_rule" text NOT NULL,
	"short" boolean NOT NULL,
	"estimated" boolean NOT NULL,
	CONSTRAINT "pack_code_unique" UNIQUE("code")
);
--> statement-breakpoint
CREATE TABLE "pack_content" (
	"id" serial PRIMARY KEY NOT NULL,
	"holding_id" integer NOT NULL,
	"batch_id" integer,
	"tray_id" integer,
	"amount" integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_plan_id_plan_id_fk" FOREIGN KEY ("plan_id") REFERENCES "public"."plan"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_parent_id_batch_id_fk" FOREIGN KEY ("parent_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_version_id_recipe_version_id_fk" FOREIGN KEY ("version_id") REFERENCES "public"."recipe_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "load" ADD CONSTRAINT "load_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "load" ADD CONSTRAINT "load_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_dog" ADD CONSTRAINT "plan_dog_plan_id_plan_id_fk" FOREIGN KEY ("plan_id") REFERENCES "public"."plan"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_dog" ADD CONSTRAINT "plan_dog_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "share" ADD CONSTRAINT "share_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tray" ADD CONSTRAINT "tray_share_id_share_id_fk" FOREIGN KEY ("share_id") REFERENCES "public"."share"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "meal_slot" ADD CONSTRAINT "meal_slot_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ration" ADD CONSTRAINT "ration_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ration_slot" ADD CONSTRAINT "ration_slot_ration_id_ration_id_fk" FOREIGN KEY ("ration_id") REFERENCES "public"."ration"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ration_slot" ADD CONSTRAINT "ration_slot_slot_id_meal_slot_id_fk" FOREIGN KEY ("slot_id") REFERENCES "public"."meal_slot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ration_slot" ADD CONSTRAINT "ration_slot_recipe_id_recipe_id_fk" FOREIGN KEY ("recipe_id") REFERENCES "public"."recipe"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "weigh_in" ADD CONSTRAINT "weigh_in_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "component" ADD CONSTRAINT "component_version_id_recipe_version_id_fk" FOREIGN KEY ("version_id") REFERENCES "public"."recipe_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "line" ADD CONSTRAINT "line_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "line" ADD CONSTRAINT "line_source_version_id_recipe_version_id_fk" FOREIGN KEY ("source_version_id") REFERENCES "public"."recipe_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recipe_version" ADD CONSTRAINT "recipe_version_recipe_id_recipe_id_fk" FOREIGN KEY ("recipe_id") REFERENCES "public"."recipe"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl" ADD CONSTRAINT "bowl_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl" ADD CONSTRAINT "bowl_slot_id_meal_slot_id_fk" FOREIGN KEY ("slot_id") REFERENCES "public"."meal_slot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl" ADD CONSTRAINT "bowl_ration_id_ration_id_fk" FOREIGN KEY ("ration_id") REFERENCES "public"."ration"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl" ADD CONSTRAINT "bowl_movement_id_movement_id_fk" FOREIGN KEY ("movement_id") REFERENCES "public"."movement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl" ADD CONSTRAINT "bowl_reversed_by_movement_id_fk" FOREIGN KEY ("reversed_by") REFERENCES "public"."movement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl_part" ADD CONSTRAINT "bowl_part_bowl_id_bowl_id_fk" FOREIGN KEY ("bowl_id") REFERENCES "public"."bowl"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl_part" ADD CONSTRAINT "bowl_part_holding_id_holding_id_fk" FOREIGN KEY ("holding_id") REFERENCES "public"."holding"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl_part" ADD CONSTRAINT "bowl_part_share_id_share_id_fk" FOREIGN KEY ("share_id") REFERENCES "public"."share"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "holding" ADD CONSTRAINT "holding_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "leg" ADD CONSTRAINT "leg_movement_id_movement_id_fk" FOREIGN KEY ("movement_id") REFERENCES "public"."movement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "leg" ADD CONSTRAINT "leg_holding_id_holding_id_fk" FOREIGN KEY ("holding_id") REFERENCES "public"."holding"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "leg" ADD CONSTRAINT "leg_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "movement" ADD CONSTRAINT "movement_reverses_movement_id_fk" FOREIGN KEY ("reverses") REFERENCES "public"."movement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack" ADD CONSTRAINT "pack_holding_id_holding_id_fk" FOREIGN KEY ("holding_id") REFERENCES "public"."holding"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack" ADD CONSTRAINT "pack_recipe_id_recipe_id_fk" FOREIGN KEY ("recipe_id") REFERENCES "public"."recipe"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack" ADD CONSTRAINT "pack_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_content" ADD CONSTRAINT "pack_content_holding_id_pack_holding_id_fk" FOREIGN KEY ("holding_id") REFERENCES "public"."pack"("holding_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_content" ADD CONSTRAINT "pack_content_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_content" ADD CONSTRAINT "pack_content_tray_id_tray_id_fk" FOREIGN KEY ("tray_id") REFERENCES "public"."tray"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "load_batch" ON "load" USING btree ("batch_id");--> statement-breakpoint
CREATE INDEX "ration_dog" ON "ration" USING btree ("dog_id","from_day");--> statement-breakpoint
CREATE INDEX "weigh_in_dog" ON "weigh_in" USING btree ("dog_id","day");--> statement-breakpoint
CREATE INDEX "component_version" ON "component" USING btree ("version_id");--> statement-breakpoint
CREATE INDEX "line_component" ON "line" USING btree ("component_id");--> statement-breakpoint
CREATE UNIQUE INDEX "one_bowl_a_meal" ON "bowl" USING btree ("dog_id","day","slot_id") WHERE "bowl"."reversed_by" is null;--> statement-breakpoint
CREATE INDEX "part_bowl" ON "bowl_part" USING btree ("bowl_id");--> statement-breakpoint
CREATE INDEX "part_share" ON "bowl_part" USING btree ("share_id");--> statement-breakpoint
CREATE INDEX "holding_place" ON "holding" USING btree ("place_id","amount");--> statement-breakpoint
CREATE INDEX "leg_movement" ON "leg" USING btree ("movement_id");--> statement-breakpoint
CREATE INDEX "leg_holding" ON "leg" USING btree ("holding_id");--> statement-breakpoint
CREATE INDEX "content_pack" ON "pack_content" USING btree ("holding_id");--> statement-breakpoint
CREATE INDEX "content_batch" ON "pack_content" USING btree ("batch_id");