CREATE TABLE "lot" (
	"holding_id" integer PRIMARY KEY NOT NULL,
	"food_key" text NOT NULL,
	"name" text NOT NULL,
	"received_on" date NOT NULL,
	"received_amount" integer NOT NULL,
	"price_minor" integer,
	"label" jsonb,
	"code" text,
	"made_of" integer,
	CONSTRAINT "lot_came" CHECK ("lot"."received_amount" > 0),
	CONSTRAINT "lot_price" CHECK ("lot"."price_minor" is null or "lot"."price_minor" >= 0)
);
--> statement-breakpoint
CREATE TABLE "lot_use" (
	"movement_id" integer PRIMARY KEY NOT NULL,
	"holding_id" integer NOT NULL,
	"batch_id" integer NOT NULL,
	"line" integer NOT NULL,
	"amount" integer NOT NULL,
	"reversed_by" integer,
	CONSTRAINT "lot_use_reversed_by_unique" UNIQUE("reversed_by")
);
--> statement-breakpoint
ALTER TABLE "holding" ALTER COLUMN "density" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "plan_item" ADD COLUMN "holding_id" integer;--> statement-breakpoint
ALTER TABLE "plan_item" ADD COLUMN "movements" jsonb;--> statement-breakpoint
ALTER TABLE "lot" ADD CONSTRAINT "lot_holding_id_holding_id_fk" FOREIGN KEY ("holding_id") REFERENCES "public"."holding"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot" ADD CONSTRAINT "lot_made_of_holding_id_fk" FOREIGN KEY ("made_of") REFERENCES "public"."holding"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_use" ADD CONSTRAINT "lot_use_movement_id_movement_id_fk" FOREIGN KEY ("movement_id") REFERENCES "public"."movement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_use" ADD CONSTRAINT "lot_use_holding_id_lot_holding_id_fk" FOREIGN KEY ("holding_id") REFERENCES "public"."lot"("holding_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_use" ADD CONSTRAINT "lot_use_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_use" ADD CONSTRAINT "lot_use_reversed_by_movement_id_fk" FOREIGN KEY ("reversed_by") REFERENCES "public"."movement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "lot_food" ON "lot" USING btree ("food_key");--> statement-breakpoint
CREATE INDEX "lot_use_batch" ON "lot_use" USING btree ("batch_id");--> statement-breakpoint
CREATE INDEX "lot_use_holding" ON "lot_use" USING btree ("holding_id");