CREATE TABLE "struck_observation" (
	"id" serial PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"counted_again_at" timestamp with time zone
);
--> statement-breakpoint
CREATE UNIQUE INDEX "struck_once" ON "struck_observation" USING btree ("key") WHERE "struck_observation"."counted_again_at" is null;