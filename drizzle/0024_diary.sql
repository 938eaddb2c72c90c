CREATE TABLE "diary" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"day" date NOT NULL,
	"topic" text,
	"said" text NOT NULL,
	"photo" "bytea",
	"created_at" timestamp with time zone NOT NULL,
	"taken_back_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "diary" ADD CONSTRAINT "diary_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "diary_dog" ON "diary" USING btree ("dog_id","day");--> statement-breakpoint
CREATE UNIQUE INDEX "one_word_a_topic" ON "diary" USING btree ("dog_id","day","topic") WHERE "diary"."taken_back_at" is null and "diary"."topic" is not null;