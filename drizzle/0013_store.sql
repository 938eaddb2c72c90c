ALTER TABLE "holding" ADD COLUMN "origin" jsonb;--> statement-breakpoint
ALTER TABLE "pack_content" ADD COLUMN "sealed_amount" integer;--> statement-breakpoint
UPDATE "pack_content" SET "sealed_amount" = greatest("amount", 1);--> statement-breakpoint
ALTER TABLE "pack_content" ALTER COLUMN "sealed_amount" SET NOT NULL;
