import PDFDocument from 'pdfkit';
import { FONT_NAMES, type FontFiles, type Letters } from './letters.ts';
import type { Laid, PageLaid } from './lay-out.ts';
import type { Mark } from './marks.ts';

/** A day that is no day: the same sheet is the same file, byte for byte. */
const NO_DAY = new Date(0);

/** One PDF of many sheets: real text, fonts embedded, a bookmark for each section. */
export async function toPdf(
  sheets: readonly Laid[],
  letters: Letters,
  fonts: FontFiles,
  title: string,
): Promise<Uint8Array> {
  const pdf = new PDFDocument({
    autoFirstPage: false,
    font: null as unknown as string,
    lang: 'en',
    displayTitle: true,
    pdfVersion: '1.7',
    compress: true,
    info: { Title: title, Creator: 'Escalier', Producer: 'Escalier', CreationDate: NO_DAY, ModDate: NO_DAY },
  });
  const chunks: Uint8Array[] = [];
  const ended = new Promise<void>((resolve, reject) => {
    pdf.on('data', (chunk: Uint8Array) => chunks.push(chunk));
    pdf.on('end', resolve);
    pdf.on('error', reject);
  });
  for (const name of FONT_NAMES) pdf.registerFont(name, fonts[name]);
  for (const { pages } of sheets)
    for (const page of pages) {
      pdf.addPage({ size: [page.width, page.height], margin: 0 });
      if (page.begins !== null) pdf.outline.addItem(page.begins);
      draw(pdf, page, letters);
    }
  pdf.end();
  await ended;
  const whole = new Uint8Array(chunks.reduce((sum, chunk) => sum + chunk.length, 0));
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
}

function draw(pdf: PDFKit.PDFDocument, { marks }: PageLaid, letters: Letters): void {
  for (const mark of marks) {
    if (mark.kind === 'text') drawText(pdf, mark, letters);
    else drawPath(pdf, mark);
  }
}

function drawText(
  pdf: PDFKit.PDFDocument,
  { x, y, text, face, size, colour }: Extract<Mark, { kind: 'text' }>,
  letters: Letters,
): void {
  let at = x;
  pdf.fillColor(colour);
  for (const run of letters.runs(text, face)) {
    pdf.font(run.font).fontSize(size).text(run.text, at, y, { baseline: 'alphabetic', lineBreak: false });
    at += run.width * size;
  }
}

function drawPath(
  pdf: PDFKit.PDFDocument,
  { d, at, fill, stroke, width, dash }: Extract<Mark, { kind: 'path' }>,
): void {
  pdf.save();
  const [a, b, c, e, f, g] = at;
  const scale = Math.sqrt(Math.abs(a * e - b * c)) || 1;
  if (a !== 1 || b !== 0 || c !== 0 || e !== 1 || f !== 0 || g !== 0) pdf.transform(a, b, c, e, f, g);
  pdf.path(d);
  if (stroke !== null) pdf.lineWidth(width / scale).strokeColor(stroke);
  if (stroke !== null && dash !== null) pdf.dash(dash / scale, { space: dash / scale });
  if (fill !== null && stroke !== null) pdf.fillAndStroke(fill, stroke);
  else if (fill !== null) pdf.fill(fill);
  else if (stroke !== null) pdf.stroke();
  pdf.restore();
}
