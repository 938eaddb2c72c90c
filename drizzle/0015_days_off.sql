CREATE TABLE "days_off" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"kind" text NOT NULL,
	"from_day" date NOT NULL,
	"to_day" date NOT NULL,
	"slot_id" integer,
	"taken_back_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "days_off" ADD CONSTRAINT "days_off_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "days_off" ADD CONSTRAINT "days_off_slot_id_meal_slot_id_fk" FOREIGN KEY ("slot_id") REFERENCES "public"."meal_slot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "days_off_dog" ON "days_off" USING btree ("dog_id");