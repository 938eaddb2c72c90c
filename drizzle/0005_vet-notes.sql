CREATE TABLE "vet_note" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"hazard_id" text NOT NULL,
	"note" text NOT NULL,
	"day" date NOT NULL,
	"ended_on" date
);
--> statement-breakpoint
ALTER TABLE "vet_note" ADD CONSTRAINT "vet_note_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "vet_note_dog" ON "vet_note" USING btree ("dog_id");