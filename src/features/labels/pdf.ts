import 'server-only';
import QRCode from 'qrcode';
import { placesOn, type LabelSheet } from '@/core/label/sheets';
import type { Hatch } from '@/core/recipe/protein';
import type { LabelWords } from '@/core/label/words';
import { drawnPdf, pdfDocument } from '@/ui/print/pdf';
import { drawBadge, drawHatch, type DogMark } from './marks';

/** pt in a mm. */
const MM = 72 / 25.4;
/** mm that stay white inside a label: what a printer cuts off. */
const INSET = 2.5;

export interface LabelToPrint extends LabelWords {
  /** What its QR opens. */
  readonly address: string;
  /** The hatch of its protein, and the tags of the dogs it is for. */
  readonly hatch: Hatch;
  readonly marks: readonly DogMark[];
}

export interface LabelPrint {
  readonly sheet: LabelSheet;
  /** The first free place of a sheet half used, 1 is the first. */
  readonly first: number;
  /** mm that the printer is off. */
  readonly offset: { readonly right: number; readonly down: number };
}

/**
 * Labels as a PDF, in the order given: code large, what it is, whom it feeds, until when, cautions in a frame, and a QR that
 * opens the pack. Black on white; nothing is told by colour. Words that have no room are cut short, never printed beside.
 */
export function labelsPdf(labels: readonly LabelToPrint[], { sheet, first, offset }: LabelPrint): Promise<Buffer> {
  const size: [number, number] = [sheet.page[0] * MM, sheet.page[1] * MM];
  return drawnPdf(pdfDocument('Labels', { size, margin: 0, autoFirstPage: false }), (doc) => {
    const places = placesOn(sheet, labels.length, first, offset);
    let page = -1;
    for (const [index, label] of labels.entries()) {
      const place = places[index];
      if (!place) continue;
      while (page < place.page) {
        doc.addPage();
        page++;
      }
      draw(
        doc,
        label,
        { x: place.x * MM, y: place.y * MM, width: sheet.width * MM, height: sheet.height * MM },
        sheet.cut === true,
      );
    }
    if (page < 0) doc.addPage();
  });
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

function draw(doc: PDFKit.PDFDocument, label: LabelToPrint, box: Box, cut: boolean): void {
  if (cut) doc.lineWidth(0.4).dash(2, { space: 2 }).rect(box.x, box.y, box.width, box.height).stroke('#000').undash();
  const pad = INSET * MM;
  const inner = { x: box.x + pad, y: box.y + pad, width: box.width - 2 * pad, height: box.height - 2 * pad };
  // The code is read by a phone through frost: no smaller than a third of the label.
  const qr = Math.min(inner.height, inner.width * 0.32, 26 * MM);
  drawQr(doc, label.address, inner.x + inner.width - qr, inner.y, qr);
  const large = Math.min(28, inner.height * 0.27);
  const words: readonly (readonly ['plain' | 'bold', string])[] = [
    ['bold', label.until],
    ['bold', label.title],
    // A caution is never what has no room.
    ['bold', label.cautions.length > 0 ? `! ${label.cautions.join(' · ')}` : ''],
    ...label.lines.map((line) => ['plain', line] as const),
  ];
  const said = words.filter(([, text]) => text !== '');
  const bottom = inner.y + inner.height;
  // As large as lets all of it stand; what has no room even then is left out from the end.
  const small = Math.max(LEAST, Math.min(9, (inner.height - large * 1.08) / (said.length * LEADING)));
  let y = inner.y;
  const line = (text: string, face: 'plain' | 'bold', points: number, leading: number) => {
    if (y + points > bottom + 0.5) return;
    // Below the code for the phone a line has the whole width.
    const width = y > inner.y + qr ? inner.width : inner.width - qr - MM;
    doc.font(face).fontSize(points).fillColor('#000');
    const shown = narrowed(doc, text, width, points);
    doc.text(shown, inner.x, y, { width, lineBreak: false });
    y += points * leading;
  };
  line(label.code, 'bold', large, 1.08);
  drawMarks(doc, label, inner.x + doc.widthOfString(label.code) + MM, inner.y, inner.x + inner.width - qr - MM, large);
  for (const [face, text] of said) line(text, face, small, LEADING);
}

/** The hatch and the dogs' tags beside the code, as many as have room. */
function drawMarks(
  doc: PDFKit.PDFDocument,
  { hatch, marks }: LabelToPrint,
  from: number,
  top: number,
  until: number,
  large: number,
): void {
  const [size, gap] = [large * 0.8, large * 0.15];
  const y = top + large * 0.14;
  let x = from + gap;
  if (x + size > until) return;
  drawHatch(doc, hatch, x, y, size, size);
  x += size + gap;
  for (const mark of marks) {
    if (x + size > until) return;
    drawBadge(doc, mark, x, y, size);
    x += size + gap;
  }
}

/** The smallest type on a label, in pt, and its leading. */
const LEAST = 5.5;
const LEADING = 1.16;

/** A text in smaller type where it is a little too long, and cut with an ellipsis where it is more than that. */
function narrowed(doc: PDFKit.PDFDocument, text: string, width: number, points: number): string {
  for (const part of [1, 0.92, 0.84, 0.76]) {
    doc.fontSize(points * part);
    if (doc.widthOfString(text) <= width) return text;
  }
  return fitted(doc, text, width);
}

/** As much of a text as has room, cut with an ellipsis. */
function fitted(doc: PDFKit.PDFDocument, text: string, width: number): string {
  if (doc.widthOfString(text) <= width) return text;
  let [low, high] = [0, text.length];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (doc.widthOfString(`${text.slice(0, middle)}…`) <= width) low = middle;
    else high = middle - 1;
  }
  return `${text.slice(0, low)}…`;
}

function drawQr(doc: PDFKit.PDFDocument, text: string, x: number, y: number, size: number): void {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  // Four modules of white around it, as a reader asks (ISO/IEC 18004).
  const one = size / (modules.size + 8);
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column)) doc.rect(x + (column + 4) * one, y + (row + 4) * one, one + 0.02, one + 0.02);
  doc.fill('#000');
}
