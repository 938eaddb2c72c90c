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
ALTER TABLE "dog" ADD COLUMN "illness" text;--> statement-breakpoint
ALTER TABLE "dog" ADD COLUMN "cut" text;--> statement-breakpoint
ALTER TABLE "ration" ADD COLUMN "method" jsonb DEFAULT '{"kind":"table"}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "ration" ADD COLUMN "goal_grams" double precision;--> statement-breakpoint
ALTER TABLE "ration" ADD COLUMN "extras" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "ration" ADD COLUMN "transition" jsonb;--> statement-breakpoint
ALTER TABLE "weigh_in" ADD COLUMN "appetite" text;--> statement-breakpoint
ALTER TABLE "weigh_in" ADD COLUMN "stool" text;--> statement-breakpoint
ALTER TABLE "weigh_in" ADD COLUMN "struck_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "recipe" ADD COLUMN "cup_grams" double precision;--> statement-breakpoint
ALTER TABLE "avoid" ADD CONSTRAINT "avoid_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl_line" ADD CONSTRAINT "bowl_line_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl_line" ADD CONSTRAINT "bowl_line_slot_id_meal_slot_id_fk" FOREIGN KEY ("slot_id") REFERENCES "public"."meal_slot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "intake" ADD CONSTRAINT "intake_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "known_school" ADD CONSTRAINT "known_school_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "litter" ADD CONSTRAINT "litter_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "proposal_answer" ADD CONSTRAINT "proposal_answer_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "proposal_answer" ADD CONSTRAINT "proposal_answer_ration_id_ration_id_fk" FOREIGN KEY ("ration_id") REFERENCES "public"."ration"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "avoid_dog" ON "avoid" USING btree ("dog_id");--> statement-breakpoint
CREATE INDEX "bowl_line_dog" ON "bowl_line" USING btree ("dog_id");--> statement-breakpoint
CREATE INDEX "intake_dog" ON "intake" USING btree ("dog_id","from_day");--> statement-breakpoint
CREATE INDEX "litter_dog" ON "litter" USING btree ("dog_id");--> statement-breakpoint
CREATE INDEX "proposal_answer_dog" ON "proposal_answer" USING btree ("dog_id","day");