ALTER TABLE "batch" ADD COLUMN "by_product" text;--> statement-breakpoint
CREATE INDEX "batch_parent" ON "batch" USING btree ("parent_id");--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "a_by_product_has_a_parent" CHECK (("batch"."parent_id" is null) = ("batch"."by_product" is null));