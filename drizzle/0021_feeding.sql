CREATE TABLE "given" (
	"id" serial PRIMARY KEY NOT NULL,
	"dog_id" integer NOT NULL,
	"day" date NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"kcal" double precision,
	"said" text NOT NULL,
	"less" jsonb NOT NULL,
	"bowl_id" integer,
	"taken_back_at" timestamp with time zone,
	CONSTRAINT "given_bowl_id_unique" UNIQUE("bowl_id")
);
--> statement-breakpoint
CREATE TABLE "pack_hold" (
	"id" serial PRIMARY KEY NOT NULL,
	"holding_id" integer NOT NULL,
	"dog_id" integer NOT NULL,
	"day" date NOT NULL,
	"ended_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "bowl" ALTER COLUMN "slot_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "mixed_proteins" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "bowl" ADD COLUMN "additions" jsonb;--> statement-breakpoint
ALTER TABLE "bowl_part" ADD COLUMN "frozen" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "given" ADD CONSTRAINT "given_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "given" ADD CONSTRAINT "given_bowl_id_bowl_id_fk" FOREIGN KEY ("bowl_id") REFERENCES "public"."bowl"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_hold" ADD CONSTRAINT "pack_hold_holding_id_pack_holding_id_fk" FOREIGN KEY ("holding_id") REFERENCES "public"."pack"("holding_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack_hold" ADD CONSTRAINT "pack_hold_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "given_dog" ON "given" USING btree ("dog_id","day");--> statement-breakpoint
CREATE UNIQUE INDEX "one_hold_a_pack" ON "pack_hold" USING btree ("holding_id") WHERE "pack_hold"."ended_at" is null;