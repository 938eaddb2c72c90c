CREATE TABLE "power_cut" (
	"id" serial PRIMARY KEY NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	"settled_at" timestamp with time zone,
	"dropped_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "power_cut_event" (
	"id" serial PRIMARY KEY NOT NULL,
	"cut_id" integer NOT NULL,
	"place_id" integer NOT NULL,
	"kind" text NOT NULL,
	"value" double precision NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"unsaid_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "power_cut_event" ADD CONSTRAINT "power_cut_event_cut_id_power_cut_id_fk" FOREIGN KEY ("cut_id") REFERENCES "public"."power_cut"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "power_cut_event" ADD CONSTRAINT "power_cut_event_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "power_cut_events" ON "power_cut_event" USING btree ("cut_id");