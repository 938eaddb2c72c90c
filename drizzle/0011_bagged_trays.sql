ALTER TABLE "pack_content" DROP CONSTRAINT "pack_content_tray_id_tray_id_fk";
--> statement-breakpoint
ALTER TABLE "pack_content" DROP COLUMN "tray_id";