CREATE TABLE "batch" (
	"id" serial PRIMARY KEY NOT NULL,
	"plan_id" integer NOT NULL,
	"parent_id" integer,
	"version_id" integer NOT NULL,
	"scale" double precision NOT NULL,
	"choices" jsonb,
	"swaps" jsonb,
	"amounts" jsonb NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"started_at" timestamp with time zone,
	"evidence" jsonb,
	"dropped_at" timestamp with time zone,
	"revision" integer DEFAULT 0 NOT NULL,
	"state" text DEFAULT 'planned' NOT NULL,
	"open" boolean DEFAULT true NOT NULL,
	"summary" jsonb,
	CONSTRAINT "cooking_freezes_evidence" CHECK (("batch"."started_at" is null) = ("batch"."evidence" is null)),
	CONSTRAINT "planned_has_no_summary" CHECK (("batch"."state" = 'planned') = ("batch"."summary" is null))
);
--> statement-breakpoint
CREATE TABLE "plan" (
	"id" serial PRIMARY KEY NOT NULL,
	"first_day" date NOT NULL,
	"days" integer NOT NULL,
	"cook_day" date NOT NULL,
	"entry" jsonb NOT NULL,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "plan_dog" (
	"plan_id" integer NOT NULL,
	"dog_id" integer NOT NULL,
	CONSTRAINT "plan_dog_plan_id_dog_id_pk" PRIMARY KEY("plan_id","dog_id")
);
--> statement-breakpoint
CREATE TABLE "plan_item" (
	"plan_id" integer NOT NULL,
	"food_key" text NOT NULL,
	"fetched_from" text NOT NULL,
	"ticked_at" timestamp with time zone,
	CONSTRAINT "plan_item_plan_id_food_key_pk" PRIMARY KEY("plan_id","food_key")
);
--> statement-breakpoint
CREATE TABLE "reading" (
	"id" serial PRIMARY KEY NOT NULL,
	"batch_id" integer NOT NULL,
	"node" text NOT NULL,
	"kind" text NOT NULL,
	"value" double precision,
	"text" text,
	"take" jsonb,
	"at" timestamp with time zone NOT NULL,
	"written_at" timestamp with time zone NOT NULL,
	"instrument" text,
	"takes_back" integer,
	CONSTRAINT "reading_takes_back_unique" UNIQUE("takes_back"),
	CONSTRAINT "a_striking_strikes" CHECK (("reading"."kind" = 'struck') = ("reading"."takes_back" is not null))
);
--> statement-breakpoint
CREATE TABLE "share" (
	"id" serial PRIMARY KEY NOT NULL,
	"batch_id" integer NOT NULL,
	"yield" integer DEFAULT 0 NOT NULL,
	"fate" text NOT NULL,
	"grams" integer NOT NULL,
	"day" date NOT NULL,
	"place_id" integer,
	"method" text,
	"machine_id" integer,
	CONSTRAINT "share_weighs" CHECK ("share"."grams" >= 0),
	CONSTRAINT "dry_has_a_method" CHECK (("share"."fate" = 'dry') = ("share"."method" is not null)),
	CONSTRAINT "kept_has_a_place" CHECK (("share"."fate" = 'today') = ("share"."place_id" is null))
);
--> statement-breakpoint
CREATE TABLE "tray" (
	"id" serial PRIMARY KEY NOT NULL,
	"share_id" integer NOT NULL,
	"position" integer NOT NULL,
	CONSTRAINT "tray_position" UNIQUE("share_id","position")
);
--> statement-breakpoint
CREATE TABLE "avoid" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"what" jsonb NOT NULL,
	"label" text NOT NULL,
	"reason" text NOT NULL,
	"since" date NOT NULL,
	"try_again_on" date,
	"note" text,
	"ended_on" date
);
--> statement-breakpoint
CREATE TABLE "bowl_line" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"what" text NOT NULL,
	"unit" text NOT NULL,
	"rule" jsonb NOT NULL,
	"slot_id" integer NOT NULL,
	"kcal_per_unit" double precision,
	"ended_on" date
);
--> statement-breakpoint
CREATE TABLE "dog" (
	"id" serial PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"mark" integer NOT NULL,
	"birth_date" date NOT NULL,
	"neutered" boolean NOT NULL,
	"expected_adult_grams" double precision,
	"illness" text,
	"cut" text,
	"archived_at" timestamp with time zone,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "intake" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"from_day" date NOT NULL,
	"to_day" date NOT NULL,
	"kcal" double precision NOT NULL,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "known_school" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"kind" text NOT NULL,
	"school" jsonb NOT NULL,
	CONSTRAINT "one_school_a_kind" UNIQUE("dog_id","kind")
);
--> statement-breakpoint
CREATE TABLE "litter" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"mated_on" date,
	"whelped_on" date,
	"pups" integer,
	"weaned_on" date,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "litter_begins" CHECK (num_nonnulls("litter"."mated_on", "litter"."whelped_on") > 0)
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
CREATE TABLE "proposal_answer" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"day" date NOT NULL,
	"answer" text NOT NULL,
	"from_kcal" double precision NOT NULL,
	"proposed_kcal" double precision,
	"said" text NOT NULL,
	"ration_id" integer,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "ration" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"from_day" date NOT NULL,
	"work" text NOT NULL,
	"prone_to_gain" boolean NOT NULL,
	"method" jsonb DEFAULT '{"kind":"table"}'::jsonb NOT NULL,
	"goal_grams" double precision,
	"extras" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"transition" jsonb,
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
CREATE TABLE "vet_note" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"hazard_id" text NOT NULL,
	"note" text NOT NULL,
	"day" date NOT NULL,
	"ended_on" date
);
--> statement-breakpoint
CREATE TABLE "weigh_in" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"day" date NOT NULL,
	"grams" double precision NOT NULL,
	"body_condition" integer,
	"appetite" text,
	"stool" text,
	"note" text,
	"created_at" timestamp with time zone NOT NULL,
	"struck_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "command" (
	"id" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"asked" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"result" jsonb,
	"movements" jsonb
);
--> statement-breakpoint
CREATE TABLE "equipment" (
	"id" serial PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"millilitres" double precision,
	"grams" double precision,
	"count" integer NOT NULL,
	"archived_at" timestamp with time zone,
	CONSTRAINT "equipment_has_a_size" CHECK (num_nonnulls("equipment"."millilitres", "equipment"."grams") = 1),
	CONSTRAINT "equipment_is_there" CHECK ("equipment"."count" > 0)
);
--> statement-breakpoint
CREATE TABLE "household" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"unit_set" text NOT NULL,
	"units_said" boolean DEFAULT false NOT NULL,
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
	"position" integer NOT NULL,
	"archived_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "addition_setting" (
	"food_key" text PRIMARY KEY NOT NULL,
	"allowed" boolean NOT NULL,
	"cap" double precision,
	"price_per_kg" integer,
	CONSTRAINT "cap_is_not_negative" CHECK ("addition_setting"."cap" is null or "addition_setting"."cap" >= 0)
);
--> statement-breakpoint
CREATE TABLE "component" (
	"id" serial PRIMARY KEY NOT NULL,
	"version_id" integer NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"vessel" text,
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
	"quantity" jsonb,
	"grams" double precision,
	"food_ndb" text,
	"source_version_id" integer,
	"supply_id" integer,
	"preparation" text,
	"refuse" double precision DEFAULT 0 NOT NULL,
	"strained" boolean DEFAULT false NOT NULL,
	"bone" jsonb,
	"state" text DEFAULT 'raw' NOT NULL,
	"per" jsonb,
	"choice" text,
	"part" text NOT NULL,
	"moment" text NOT NULL,
	"basis" text NOT NULL,
	CONSTRAINT "line_has_one_source" CHECK (num_nonnulls("line"."food_ndb", "line"."source_version_id", "line"."supply_id") = num_nonnulls("line"."grams")),
	CONSTRAINT "line_is_read_or_words" CHECK (("line"."grams" is null) = ("line"."quantity" is null)),
	CONSTRAINT "line_weighs" CHECK ("line"."grams" > 0),
	CONSTRAINT "refuse_is_a_share" CHECK ("line"."refuse" between 0 and 1)
);
--> statement-breakpoint
CREATE TABLE "meaning" (
	"words" text PRIMARY KEY NOT NULL,
	"food_key" text NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "meaning_has_words" CHECK (length("meaning"."words") > 0)
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
CREATE TABLE "recipe" (
	"id" serial PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"letter" text NOT NULL,
	"next_pack" integer DEFAULT 1 NOT NULL,
	"cup_grams" double precision,
	"food_facts" jsonb,
	"mark" jsonb,
	"shape" text,
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
	"preview" jsonb,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "version_number" UNIQUE("recipe_id","number")
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
	"void" boolean DEFAULT false NOT NULL,
	"density" double precision NOT NULL,
	"water_per_gram" double precision NOT NULL,
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
	"dog_id" integer,
	"packed_on" date NOT NULL,
	"label_amount" integer NOT NULL,
	"label_density" double precision NOT NULL,
	"label_water_per_gram" double precision NOT NULL,
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
	"batch_id" integer NOT NULL,
	"share_id" integer NOT NULL,
	"tray_id" integer,
	"amount" integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_plan_id_plan_id_fk" FOREIGN KEY ("plan_id") REFERENCES "public"."plan"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_parent_id_batch_id_fk" FOREIGN KEY ("parent_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_version_id_recipe_version_id_fk" FOREIGN KEY ("version_id") REFERENCES "public"."recipe_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_dog" ADD CONSTRAINT "plan_dog_plan_id_plan_id_fk" FOREIGN KEY ("plan_id") REFERENCES "public"."plan"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_dog" ADD CONSTRAINT "plan_dog_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_item" ADD CONSTRAINT "plan_item_plan_id_plan_id_fk" FOREIGN KEY ("plan_id") REFERENCES "public"."plan"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_takes_back_reading_id_fk" FOREIGN KEY ("takes_back") REFERENCES "public"."reading"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "share" ADD CONSTRAINT "share_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "share" ADD CONSTRAINT "share_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "share" ADD CONSTRAINT "share_machine_id_equipment_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."equipment"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tray" ADD CONSTRAINT "tray_share_id_share_id_fk" FOREIGN KEY ("share_id") REFERENCES "public"."share"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "avoid" ADD CONSTRAINT "avoid_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl_line" ADD CONSTRAINT "bowl_line_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl_line" ADD CONSTRAINT "bowl_line_slot_id_meal_slot_id_fk" FOREIGN KEY ("slot_id") REFERENCES "public"."meal_slot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "intake" ADD CONSTRAINT "intake_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "known_school" ADD CONSTRAINT "known_school_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "litter" ADD CONSTRAINT "litter_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "meal_slot" ADD CONSTRAINT "meal_slot_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "proposal_answer" ADD CONSTRAINT "proposal_answer_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "proposal_answer" ADD CONSTRAINT "proposal_answer_ration_id_ration_id_fk" FOREIGN KEY ("ration_id") REFERENCES "public"."ration"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ration" ADD CONSTRAINT "ration_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ration_slot" ADD CONSTRAINT "ration_slot_ration_id_ration_id_fk" FOREIGN KEY ("ration_id") REFERENCES "public"."ration"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ration_slot" ADD CONSTRAINT "ration_slot_slot_id_meal_slot_id_fk" FOREIGN KEY ("slot_id") REFERENCES "public"."meal_slot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ration_slot" ADD CONSTRAINT "ration_slot_recipe_id_recipe_id_fk" FOREIGN KEY ("recipe_id") REFERENCES "public"."recipe"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "vet_note" ADD CONSTRAINT "vet_note_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "weigh_in" ADD CONSTRAINT "weigh_in_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "component" ADD CONSTRAINT "component_version_id_recipe_version_id_fk" FOREIGN KEY ("version_id") REFERENCES "public"."recipe_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "line" ADD CONSTRAINT "line_component_id_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "line" ADD CONSTRAINT "line_source_version_id_recipe_version_id_fk" FOREIGN KEY ("source_version_id") REFERENCES "public"."recipe_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "line" ADD CONSTRAINT "line_supply_id_supply_id_fk" FOREIGN KEY ("supply_id") REFERENCES "public"."supply"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
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
ALTER TABLE "pack" ADD CONSTRAINT "pack_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_content" ADD CONSTRAINT "pack_content_holding_id_pack_holding_id_fk" FOREIGN KEY ("holding_id") REFERENCES "public"."pack"("holding_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_content" ADD CONSTRAINT "pack_content_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_content" ADD CONSTRAINT "pack_content_share_id_share_id_fk" FOREIGN KEY ("share_id") REFERENCES "public"."share"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_content" ADD CONSTRAINT "pack_content_tray_id_tray_id_fk" FOREIGN KEY ("tray_id") REFERENCES "public"."tray"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "batch_plan" ON "batch" USING btree ("plan_id");--> statement-breakpoint
CREATE INDEX "batch_version" ON "batch" USING btree ("version_id");--> statement-breakpoint
CREATE INDEX "batch_open" ON "batch" USING btree ("open");--> statement-breakpoint
CREATE INDEX "reading_batch" ON "reading" USING btree ("batch_id");--> statement-breakpoint
CREATE INDEX "share_batch" ON "share" USING btree ("batch_id");--> statement-breakpoint
CREATE INDEX "share_day" ON "share" USING btree ("day","fate");--> statement-breakpoint
CREATE INDEX "avoid_dog" ON "avoid" USING btree ("dog_id");--> statement-breakpoint
CREATE INDEX "bowl_line_dog" ON "bowl_line" USING btree ("dog_id");--> statement-breakpoint
CREATE INDEX "intake_dog" ON "intake" USING btree ("dog_id","from_day");--> statement-breakpoint
CREATE INDEX "litter_dog" ON "litter" USING btree ("dog_id");--> statement-breakpoint
CREATE INDEX "slot_dog" ON "meal_slot" USING btree ("dog_id");--> statement-breakpoint
CREATE INDEX "proposal_answer_dog" ON "proposal_answer" USING btree ("dog_id","day");--> statement-breakpoint
CREATE INDEX "ration_dog" ON "ration" USING btree ("dog_id","from_day");--> statement-breakpoint
CREATE INDEX "vet_note_dog" ON "vet_note" USING btree ("dog_id");--> statement-breakpoint
CREATE INDEX "weigh_in_dog" ON "weigh_in" USING btree ("dog_id","day");--> statement-breakpoint
CREATE INDEX "component_version" ON "component" USING btree ("version_id");--> statement-breakpoint
CREATE INDEX "line_component" ON "line" USING btree ("component_id");--> statement-breakpoint
CREATE UNIQUE INDEX "one_bowl_a_meal" ON "bowl" USING btree ("dog_id","day","slot_id") WHERE "bowl"."reversed_by" is null;--> statement-breakpoint
CREATE INDEX "part_bowl" ON "bowl_part" USING btree ("bowl_id");--> statement-breakpoint
CREATE INDEX "part_share" ON "bowl_part" USING btree ("share_id");--> statement-breakpoint
CREATE INDEX "part_holding" ON "bowl_part" USING btree ("holding_id");--> statement-breakpoint
CREATE INDEX "holding_place" ON "holding" USING btree ("place_id","amount");--> statement-breakpoint
CREATE INDEX "leg_movement" ON "leg" USING btree ("movement_id");--> statement-breakpoint
CREATE INDEX "leg_holding" ON "leg" USING btree ("holding_id");--> statement-breakpoint
CREATE INDEX "content_pack" ON "pack_content" USING btree ("holding_id");--> statement-breakpoint
CREATE INDEX "content_batch" ON "pack_content" USING btree ("batch_id");--> statement-breakpoint
CREATE INDEX "content_share" ON "pack_content" USING btree ("share_id");
--> statement-breakpoint
CREATE FUNCTION refuse_ledger_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'the ledger is append-only: reverse the movement instead';
END;
$$;
--> statement-breakpoint
CREATE TRIGGER movement_append_only BEFORE UPDATE OR DELETE ON movement FOR EACH ROW EXECUTE FUNCTION refuse_ledger_change();
--> statement-breakpoint
CREATE TRIGGER leg_append_only BEFORE UPDATE OR DELETE ON leg FOR EACH ROW EXECUTE FUNCTION refuse_ledger_change();
--> statement-breakpoint
CREATE FUNCTION legs_sum_to_zero() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF (SELECT sum(amount) FROM leg WHERE movement_id = NEW.movement_id) <> 0 THEN
    RAISE EXCEPTION 'the legs of movement % do not sum to zero', NEW.movement_id;
  END IF;
  RETURN NULL;
END;
$$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER leg_sums_to_zero AFTER INSERT ON leg DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION legs_sum_to_zero();
--> statement-breakpoint
CREATE FUNCTION keep_bowl_reversal() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.reversed_by IS NOT NULL AND NEW.reversed_by IS DISTINCT FROM OLD.reversed_by THEN
    RAISE EXCEPTION 'a bowl is taken back once';
  END IF;
  RETURN NEW;
END;
$$;
--> statement-breakpoint
CREATE TRIGGER bowl_reversed_once BEFORE UPDATE ON bowl FOR EACH ROW EXECUTE FUNCTION keep_bowl_reversal();

--> statement-breakpoint
CREATE FUNCTION refuse_reading_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'readings are append-only: strike the reading out instead';
END;
$$;
--> statement-breakpoint
CREATE TRIGGER reading_append_only BEFORE UPDATE OR DELETE ON reading FOR EACH ROW EXECUTE FUNCTION refuse_reading_change();
