ALTER TABLE "dog" RENAME COLUMN "mark" TO "badge";--> statement-breakpoint
ALTER TABLE "dog" RENAME COLUMN "cut" TO "bite_size";--> statement-breakpoint
ALTER TABLE "recipe" RENAME COLUMN "mark" TO "protein";--> statement-breakpoint
UPDATE "plan" SET "entry" = ("entry" - 'dishes') || jsonb_build_object(
  'batches', "entry" -> 'dishes',
  'binding', (("entry" -> 'binding') - 'dish') || jsonb_build_object('batch', "entry" -> 'binding' -> 'dish')
);
