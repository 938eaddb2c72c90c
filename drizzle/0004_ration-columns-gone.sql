ALTER TABLE "ration" DROP COLUMN "own_factor";--> statement-breakpoint
ALTER TABLE "ration" DROP COLUMN "home_fraction";