CREATE TABLE "box_plan" (
	"id" serial PRIMARY KEY NOT NULL,
	"batch_id" integer NOT NULL,
	"plan" jsonb NOT NULL,
	"filled" jsonb NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"closed_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "plating" jsonb;--> statement-breakpoint
ALTER TABLE "pack_content" ADD COLUMN "density" double precision;--> statement-breakpoint
ALTER TABLE "pack_content" ADD COLUMN "water_per_gram" double precision;--> statement-breakpoint
UPDATE "pack_content" SET "density" = "holding"."density", "water_per_gram" = "holding"."water_per_gram" FROM "holding" WHERE "holding"."id" = "pack_content"."holding_id";--> statement-breakpoint
ALTER TABLE "pack_content" ALTER COLUMN "density" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "pack_content" ALTER COLUMN "water_per_gram" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "box_plan" ADD CONSTRAINT "box_plan_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "boxes_batch" ON "box_plan" USING btree ("batch_id");