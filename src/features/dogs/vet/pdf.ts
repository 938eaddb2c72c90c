import 'server-only';
import { line, scaleLinear, scaleTime } from 'd3';
import { parseISO } from 'date-fns';
import { groupsOf, paperRows, type Section, type VetSheet } from '@/core/vet/sheet';
import { sure } from '@/core/sure';
import { drawnPdf, pdfDocument } from '@/ui/print/pdf';

/** pt of an A4 page, and of its margin. */
const [WIDE, HIGH, MARGIN] = [595.28, 841.89, 34];
const ROOM = WIDE - 2 * MARGIN;
/** Type sizes that are tried, in pt, until all of it stands on two pages. */
const SIZES = [9, 8.5, 8, 7.5, 7, 6.5, 6];
/** Parts of the rows that are tried when the smallest type is too large. */
const PARTS = [0.7, 0.5, 0.3, 0.15];
const PAGES = 2;

type Doc = PDFKit.PDFDocument;

/** The pages for the vet as a PDF: two, in as large a type as all of it has room in, and then with fewer rows of each table. */
export function vetPdf(sheet: VetSheet): Promise<Buffer> {
  const smallest = Math.min(...SIZES);
  const tries = [...SIZES.map((size) => ({ size, part: 1 })), ...PARTS.map((part) => ({ size: smallest, part }))];
  const how = tries.find(({ size, part }) => draw(started(sheet), sheet, size, part) <= PAGES) ?? sure(tries.at(-1));
  return drawnPdf(started(sheet), (doc) => draw(doc, sheet, how.size, how.part));
}

const started = (sheet: VetSheet): Doc => pdfDocument(sheet.title, { size: 'A4', margin: MARGIN, bufferPages: true });

/** Draws it in one size of type, with a part of the rows that paper takes; says on how many pages. */
function draw(doc: Doc, sheet: VetSheet, size: number, part: number): number {
  const text = (words: string, face: 'plain' | 'bold', points: number, indent = 0) => {
    doc.font(face).fontSize(points);
    room(doc, doc.heightOfString(words, { width: ROOM - indent }));
    doc.text(words, MARGIN + indent, doc.y, { width: ROOM - indent });
  };
  text(sheet.title, 'bold', size * 1.9);
  text(sheet.under, 'plain', size);
  for (const section of sheet.sections) {
    doc.y += size * 0.7;
    // A heading never stands alone at the foot of a page.
    room(doc, size * 5);
    text(section.heading, 'bold', size * 1.25);
    if (section.said.length > 0) text(section.said.join(' '), 'plain', size);
    const { rows, more } = paperRows(section, part);
    if (section.isGrouped) {
      for (const [head, own] of groupsOf(rows)) {
        text(head, 'bold', size);
        text(`${own.map(([what, mass, per]) => `${what} ${mass} g (${per})`).join(', ')}.`, 'plain', size, size);
      }
      if (rows.length > 0) text('In brackets: g in 1000 kcal.', 'plain', size * 0.9);
    } else if (rows.length > 0) table(doc, section, rows, size);
    if (more > 0) text(`and ${more} more: all of them are in the CSV.`, 'plain', size);
    if (section.heading === 'Weights' && sheet.weights.length > 1) curve(doc, sheet.weights, size);
  }
  doc.y += size;
  text(sheet.foot, 'plain', size * 0.9);
  const pages = doc.bufferedPageRange().count;
  for (let page = 0; page < pages; page++) {
    doc.switchToPage(page);
    doc.font('plain').fontSize(7);
    // Below the margin, where a text would begin a page of its own.
    doc.page.margins.bottom = 0;
    doc.text(`${sheet.title} · ${page + 1} of ${pages}`, MARGIN, HIGH - MARGIN + 8, { width: ROOM, align: 'right' });
    doc.page.margins.bottom = MARGIN;
  }
  return pages;
}

/** Begins a page where so many pt have no room any more. */
function room(doc: Doc, high: number): void {
  if (doc.y + high > HIGH - MARGIN) {
    doc.addPage();
    doc.y = MARGIN;
  }
}

/** A figure stays with its unit on one line. */
const together = (cell: string): string => cell.replace(/(?<=\d) (?=\p{L}|%)/gu, '\u00a0');

/** A table: a cell that is too long for its column goes on below. */
function table(
  doc: Doc,
  { columns, figures = [] }: Section,
  given: readonly (readonly string[])[],
  size: number,
): void {
  const rows = given.map((row) => row.map(together));
  const widths = widthsOf(doc, columns, rows, size);
  const cells = (row: readonly string[], face: 'plain' | 'bold') => {
    doc.font(face).fontSize(size);
    const high = Math.max(...row.map((cell, at) => doc.heightOfString(cell || ' ', { width: widths[at] ?? 0 })));
    room(doc, high + 2);
    const top = doc.y;
    let x = MARGIN;
    for (const [at, cell] of row.entries()) {
      const width = widths[at] ?? 0;
      doc.text(cell, x, top, { width, align: figures.includes(at) ? 'right' : 'left' });
      x += width + size;
    }
    doc.y = top + high;
    doc
      .lineWidth(0.3)
      .moveTo(MARGIN, doc.y + 0.5)
      .lineTo(MARGIN + ROOM, doc.y + 0.5)
      .stroke('#999');
    doc.fillColor('#000').y += 1.5;
  };
  if (columns.some((name) => name !== '')) cells(columns, 'bold');
  for (const row of rows) cells(row, 'plain');
}

/**
 * pt of each column: no less than its longest word, and of what is free then each as much as its longest cell wants more.
 */
function widthsOf(doc: Doc, columns: readonly string[], rows: readonly (readonly string[])[], size: number): number[] {
  const longest = (texts: readonly string[], face: 'plain' | 'bold') => {
    doc.font(face).fontSize(size);
    return Math.max(0, ...texts.map((text) => doc.widthOfString(text)));
  };
  const words = (text: string) => text.split(' ');
  const free = ROOM - size * (columns.length - 1);
  const asked = columns.map((name, at) => {
    const cells = rows.map((row) => row[at] ?? '');
    const head = longest([name], 'bold');
    // A word that nobody could print is broken.
    const least = Math.min(
      free / 3,
      Math.max(longest(words(name), 'bold'), longest(cells.flatMap(words), 'plain')) + 1,
    );
    return { least, more: Math.max(0, Math.max(head, longest(cells, 'plain')) + 3 - least) };
  });
  const sum = (of: (column: { least: number; more: number }) => number) =>
    asked.reduce((all, each) => all + of(each), 0);
  const part = Math.min(
    1,
    Math.max(0, free - sum(({ least }) => least)) /
      Math.max(
        1,
        sum(({ more }) => more),
      ),
  );
  const shrink = Math.min(1, free / sum(({ least }) => least));
  return asked.map(({ least, more }) => least * shrink + more * part);
}

/** The weights as a line, with the first and the last said. */
function curve(doc: Doc, weights: VetSheet['weights'], size: number): void {
  const [high, label] = [size * 6, size * 5];
  room(doc, high + size);
  const top = doc.y + size * 0.5;
  const days = weights.map(({ day }) => parseISO(day));
  const values = weights.map(({ grams }) => grams / 1000);
  const [first, last] = [days[0], days.at(-1)];
  if (!first || !last) return;
  const x = scaleTime()
    .domain([first, last])
    .range([MARGIN + label, MARGIN + ROOM - label]);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const y = scaleLinear()
    .domain(least === most ? [least - 1, most + 1] : [least, most])
    .range([top + high - size, top + size]);
  const path = line<number>()
    .x((_, index) => x(days[index] ?? first))
    .y((value) => y(value))(values);
  doc
    .lineWidth(1)
    .path(path ?? '')
    .stroke('#000');
  values.forEach((value, index) => doc.circle(x(days[index] ?? first), y(value), 1.5).fill('#000'));
  doc.font('plain').fontSize(size);
  doc.text(weights[0]?.said ?? '', MARGIN, y(values[0] ?? 0) - size / 2, { width: label - 4, lineBreak: false });
  doc.text(weights.at(-1)?.said ?? '', MARGIN + ROOM - label + 4, y(values.at(-1) ?? 0) - size / 2, {
    width: label,
    lineBreak: false,
  });
  doc.x = MARGIN;
  doc.y = top + high;
}
