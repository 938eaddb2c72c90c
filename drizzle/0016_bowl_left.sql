CREATE TABLE "bowl_left" (
	"id" serial PRIMARY KEY NOT NULL,
	"bowl_id" integer NOT NULL,
	"amount" integer NOT NULL,
	"kcal" double precision NOT NULL,
	"fate" text NOT NULL,
	"movement_id" integer NOT NULL,
	"reversed_by" integer,
	CONSTRAINT "bowl_left_movement_id_unique" UNIQUE("movement_id"),
	CONSTRAINT "bowl_left_reversed_by_unique" UNIQUE("reversed_by")
);
--> statement-breakpoint
ALTER TABLE "bowl_left" ADD CONSTRAINT "bowl_left_bowl_id_bowl_id_fk" FOREIGN KEY ("bowl_id") REFERENCES "public"."bowl"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl_left" ADD CONSTRAINT "bowl_left_movement_id_movement_id_fk" FOREIGN KEY ("movement_id") REFERENCES "public"."movement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bowl_left" ADD CONSTRAINT "bowl_left_reversed_by_movement_id_fk" FOREIGN KEY ("reversed_by") REFERENCES "public"."movement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "one_left_a_bowl" ON "bowl_left" USING btree ("bowl_id") WHERE "bowl_left"."reversed_by" is null;