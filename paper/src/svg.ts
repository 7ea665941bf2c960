import type { FontName, Letters } from './letters.ts';
import type { PageLaid } from './lay-out.ts';
import type { Mark } from './marks.ts';

const FAMILIES: Readonly<Record<FontName, readonly [family: string, weight: number]>> = {
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
  const textOf = texts === 'letters' ? textSvg : outlineSvg;
  const body = marks.map((mark) => (mark.kind === 'text' ? textOf(mark, letters) : pathSvg(mark))).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${short(width)} ${short(height)}" width="${short(width)}" height="${short(height)}" role="img" aria-label="${escape(label)}"><rect width="100%" height="100%" fill="#ffffff"/>${body}</svg>`;
}

function textSvg({ x, y, text, face, size, colour }: Extract<Mark, { kind: 'text' }>, letters: Letters): string {
  let at = x;
  return letters
    .runs(text, face)
    .map((run) => {
      const [family, weight] = FAMILIES[run.font];
      const element = `<text x="${short(at)}" y="${short(y)}" font-family="${family}" font-weight="${weight}" font-size="${short(size)}" fill="${colour}" xml:space="preserve">${escape(run.text)}</text>`;
      at += run.width * size;
      return element;
    })
    .join('');
}

function outlineSvg({ x, y, text, face, size, colour }: Extract<Mark, { kind: 'text' }>, letters: Letters): string {
  let at = x;
  return letters
    .runs(text, face)
    .map((run) => {
      const scale = size / letters.unitsOf(run.font);
      const element = `<path d="${letters.outline(run)}" transform="matrix(${[scale, 0, 0, -scale, at, y].map((value) => String(Math.round(value * 1e5) / 1e5)).join(' ')})" fill="${colour}"/>`;
      at += run.width * size;
      return element;
    })
    .join('');
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
