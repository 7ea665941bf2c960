import type { FontName, Letters, Run } from './letters.ts';
import type { PageLaid } from './lay-out.ts';
import type { Mark } from './marks.ts';

/** What a page of Escalier has loaded; what is in other fonts is drawn. */
const FAMILIES: Readonly<Partial<Record<FontName, readonly [family: string, weight: number]>>> = {
  text: ['Atkinson Hyperlegible Next', 400],
  'text-ext': ['Atkinson Hyperlegible Next', 400],
  bold: ['Atkinson Hyperlegible Next', 700],
  'bold-ext': ['Atkinson Hyperlegible Next', 700],
  heading: ['Bricolage Grotesque', 700],
  'heading-ext': ['Bricolage Grotesque', 700],
  music: ['Leipzig', 400],
};

const escape = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
const short = (value: number): string => String(Math.round(value * 1000) / 1000);

/** A page as SVG: with letters for the screen, which has the fonts, or drawn for a document that has not. */
export function toSvg(
  { width, height, marks }: PageLaid,
  letters: Letters,
  label: string,
  texts: 'letters' | 'outlines' = 'letters',
): string {
  const body = marks.map((mark) => (mark.kind === 'text' ? textSvg(mark, letters, texts) : pathSvg(mark))).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${short(width)} ${short(height)}" width="${short(width)}" height="${short(height)}" role="img" aria-label="${escape(label)}"><rect width="100%" height="100%" fill="#ffffff"/>${body}</svg>`;
}

type TextMark = Extract<Mark, { kind: 'text' }>;

function textSvg(mark: TextMark, letters: Letters, texts: 'letters' | 'outlines'): string {
  let at = mark.x;
  return letters
    .runs(mark.text, mark.face)
    .map((run) => {
      const [family, weight] = (texts === 'letters' ? FAMILIES[run.font] : undefined) ?? [];
      const element =
        family === undefined
          ? outline(run, at, mark, letters)
          : `<text x="${short(at)}" y="${short(mark.y)}" font-family="${family}" font-weight="${weight}" font-size="${short(mark.size)}" fill="${mark.colour}" xml:space="preserve">${escape(run.text)}</text>`;
      at += run.width * mark.size;
      return element;
    })
    .join('');
}

function outline(run: Run, x: number, { y, size, colour }: TextMark, letters: Letters): string {
  const scale = size / letters.unitsOf(run.font);
  const matrix = [scale, 0, 0, -scale, x, y].map((value) => String(Math.round(value * 1e5) / 1e5)).join(' ');
  return `<path d="${letters.outline(run)}" transform="matrix(${matrix})" fill="${colour}"/>`;
}

function pathSvg({ d, at, fill, stroke, width, dash }: Extract<Mark, { kind: 'path' }>): string {
  const isMoved = at.some((value, index) => value !== [1, 0, 0, 1, 0, 0][index]);
  const transform = isMoved ? ` transform="matrix(${at.map(short).join(' ')})"` : '';
  const scale = Math.sqrt(Math.abs(at[0] * at[3] - at[1] * at[2])) || 1;
  const line =
    stroke === null
      ? ''
      : ` stroke="${stroke}" stroke-width="${short(width / scale)}"${dash === null ? '' : ` stroke-dasharray="${short(dash / scale)}"`}`;
  return `<path d="${d}"${transform} fill="${fill ?? 'none'}"${line}/>`;
}
