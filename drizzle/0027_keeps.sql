ALTER TABLE "holding" ADD COLUMN "keeps_thawed" integer;--> statement-breakpoint
ALTER TABLE "holding" ADD COLUMN "keeps_opened" integer;--> statement-breakpoint
ALTER TABLE "holding" ADD COLUMN "folded_by" integer DEFAULT 0 NOT NULL;