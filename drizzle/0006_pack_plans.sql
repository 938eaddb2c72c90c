ALTER TABLE "share" ADD COLUMN "pack_plan" jsonb;--> statement-breakpoint
ALTER TABLE "pack" ADD COLUMN "split" jsonb;--> statement-breakpoint
ALTER TABLE "pack" ADD COLUMN "pieces" integer;