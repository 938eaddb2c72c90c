import 'server-only';
import type { Hatch } from '@/core/recipe/protein';
import { BADGE_PATHS, HATCH_PATHS } from '@/ui/badges/paths';

/** The mark of a dog: its tag and letters. */
export interface DogMark {
  readonly letters: string;
  readonly badge: number;
}

/** Drawn at half the size that a screen has. */
const SCALE = 0.5;

/** A tile of a hatch in a frame, in black alone; pt. */
export function drawHatch(doc: PDFKit.PDFDocument, hatch: Hatch, x: number, y: number, width: number, height: number) {
  const { size, turn = 0, path, stroke } = HATCH_PATHS[hatch];
  const reach = Math.ceil(Math.hypot(width, height) / 2 / (size * SCALE)) + 1;
  doc.save();
  doc.rect(x, y, width, height).clip();
  doc
    .translate(x + width / 2, y + height / 2)
    .rotate(turn)
    .scale(SCALE);
  for (let row = -reach; row < reach; row++)
    for (let column = -reach; column < reach; column++) {
      doc
        .save()
        .translate(column * size, row * size)
        .path(path);
      if (stroke === undefined) doc.fill('#000');
      else doc.lineWidth(stroke).stroke('#000');
      doc.restore();
    }
  doc.restore();
  doc.lineWidth(0.7).rect(x, y, width, height).stroke('#000');
}

/** A dog's tag with its letters, in black alone; pt. */
export function drawBadge(doc: PDFKit.PDFDocument, { letters, badge }: DogMark, x: number, y: number, size: number) {
  const path = BADGE_PATHS[badge % BADGE_PATHS.length] ?? BADGE_PATHS[0];
  doc.save();
  doc
    .translate(x, y)
    .scale(size / 48)
    .path(path)
    .lineWidth(2.4)
    .stroke('#000');
  doc
    .font('bold')
    .fontSize(letters.length > 1 ? 16 : 20)
    .fillColor('#000');
  doc.text(letters, 24 - doc.widthOfString(letters) / 2, 24 - doc.currentLineHeight() / 2, { lineBreak: false });
  doc.restore();
}
