CREATE TABLE "quality_note" (
	"id" serial PRIMARY KEY NOT NULL,
	"batch_id" integer NOT NULL,
	"holding_id" integer,
	"dog_id" integer,
	"about" text NOT NULL,
	"good" boolean NOT NULL,
	"words" text,
	"at" timestamp with time zone NOT NULL,
	"taken_back_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "cycle" (
	"id" serial PRIMARY KEY NOT NULL,
	"machine_id" integer NOT NULL,
	"method" text NOT NULL,
	"celsius" double precision,
	"loaded_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "cycle_event" (
	"id" serial PRIMARY KEY NOT NULL,
	"cycle_id" integer NOT NULL,
	"kind" text NOT NULL,
	"value" double precision,
	"text" text,
	"at" timestamp with time zone NOT NULL,
	"takes_back" integer,
	CONSTRAINT "cycle_event_takes_back_unique" UNIQUE("takes_back"),
	CONSTRAINT "a_struck_event_strikes" CHECK (("cycle_event"."kind" = 'struck') = ("cycle_event"."takes_back" is not null))
);
--> statement-breakpoint
CREATE TABLE "shelf_rules" (
	"id" serial PRIMARY KEY NOT NULL,
	"fridge_days" integer NOT NULL,
	"own" jsonb NOT NULL,
	"since" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "share" ADD COLUMN "load_day" date;--> statement-breakpoint
ALTER TABLE "share" ADD COLUMN "waits_in" text;--> statement-breakpoint
ALTER TABLE "share" ADD COLUMN "form" text;--> statement-breakpoint
ALTER TABLE "tray" ADD COLUMN "cycle_id" integer;--> statement-breakpoint
ALTER TABLE "tray" ADD COLUMN "slot" integer;--> statement-breakpoint
ALTER TABLE "equipment" ADD COLUMN "dryer" jsonb;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "kwh_minor" double precision;--> statement-breakpoint
ALTER TABLE "holding" ADD COLUMN "packaging" text;--> statement-breakpoint
ALTER TABLE "movement" ADD COLUMN "rules_id" integer;--> statement-breakpoint
ALTER TABLE "pack" ADD COLUMN "freeze_on" date;--> statement-breakpoint
ALTER TABLE "pack" ADD COLUMN "freeze_in" integer;--> statement-breakpoint
ALTER TABLE "pack" ADD COLUMN "moisture" double precision;--> statement-breakpoint
ALTER TABLE "pack_content" ADD COLUMN "trays" jsonb;--> statement-breakpoint
ALTER TABLE "quality_note" ADD CONSTRAINT "quality_note_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "quality_note" ADD CONSTRAINT "quality_note_dog_id_dog_id_fk" FOREIGN KEY ("dog_id") REFERENCES "public"."dog"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cycle" ADD CONSTRAINT "cycle_machine_id_equipment_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."equipment"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cycle_event" ADD CONSTRAINT "cycle_event_cycle_id_cycle_id_fk" FOREIGN KEY ("cycle_id") REFERENCES "public"."cycle"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cycle_event" ADD CONSTRAINT "cycle_event_takes_back_cycle_event_id_fk" FOREIGN KEY ("takes_back") REFERENCES "public"."cycle_event"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "quality_batch" ON "quality_note" USING btree ("batch_id");--> statement-breakpoint
CREATE INDEX "cycle_machine" ON "cycle" USING btree ("machine_id");--> statement-breakpoint
CREATE INDEX "event_cycle" ON "cycle_event" USING btree ("cycle_id");--> statement-breakpoint
ALTER TABLE "tray" ADD CONSTRAINT "tray_cycle_id_cycle_id_fk" FOREIGN KEY ("cycle_id") REFERENCES "public"."cycle"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "movement" ADD CONSTRAINT "movement_rules_id_shelf_rules_id_fk" FOREIGN KEY ("rules_id") REFERENCES "public"."shelf_rules"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pack" ADD CONSTRAINT "pack_freeze_in_place_id_fk" FOREIGN KEY ("freeze_in") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "tray_cycle" ON "tray" USING btree ("cycle_id");--> statement-breakpoint
ALTER TABLE "tray" ADD CONSTRAINT "a_slot_is_of_a_cycle" CHECK (("tray"."cycle_id" is null) = ("tray"."slot" is null));--> statement-breakpoint
UPDATE "pack_content" SET "trays" = jsonb_build_array(jsonb_build_object('trayId', "tray_id", 'amount', "amount")) WHERE "tray_id" IS NOT NULL;--> statement-breakpoint
INSERT INTO "shelf_rules" ("fridge_days", "own", "since") SELECT "fridge_days", '[]'::jsonb, now() FROM "household";--> statement-breakpoint
CREATE TRIGGER cycle_event_append_only BEFORE UPDATE OR DELETE ON "cycle_event" FOR EACH ROW EXECUTE FUNCTION refuse_reading_change();
