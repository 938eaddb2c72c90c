import 'server-only';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';

/** Wide alphabets: a dog may be called anything. */
const font = (name: string) =>
  join(/*turbopackIgnore: true*/ process.cwd(), 'node_modules', 'dejavu-fonts-ttf', 'ttf', `${name}.ttf`);

/** A PDF with the house's two faces, `plain` and `bold`. */
export function pdfDocument(title: string, options: PDFKit.PDFDocumentOptions): PDFKit.PDFDocument {
  const doc = new PDFDocument({ ...options, info: { Title: title, Producer: 'Hodman' } });
  doc.registerFont('plain', font('DejaVuSansCondensed'));
  doc.registerFont('bold', font('DejaVuSansCondensed-Bold'));
  return doc;
}

/** Draws on a document, ends it, and gives its bytes. */
export function drawnPdf(doc: PDFKit.PDFDocument, draw: (doc: PDFKit.PDFDocument) => void): Promise<Buffer> {
  const chunks: Buffer[] = [];
  const ended = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  draw(doc);
  doc.end();
  return ended;
}
