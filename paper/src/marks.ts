/** A transformation as PDF and SVG write it: x' = a x + c y + e, y' = b x + d y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const UNMOVED: Matrix = [1, 0, 0, 1, 0, 0];

export function times([a, b, c, d, e, f]: Matrix, [g, h, i, j, k, l]: Matrix): Matrix {
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f];
}

export function moved([x, y]: readonly [number, number], [a, b, c, d, e, f]: Matrix): readonly [number, number] {
  return [a * x + c * y + e, b * x + d * y + f];
}

/** A typeface of the sheets; `music` has the signs that the others lack. */
export type Face = 'text' | 'bold' | 'heading' | 'music';

/** What is drawn on a page, in points from its upper left corner, y down. All else is made of these two. */
export type Mark =
  | {
      readonly kind: 'path';
      /** As in SVG. */
      readonly d: string;
      readonly at: Matrix;
      readonly fill: string | null;
      readonly stroke: string | null;
      readonly width: number;
      readonly dash: number | null;
    }
  | {
      readonly kind: 'text';
      readonly x: number;
      /** Of the base line. */
      readonly y: number;
      readonly text: string;
      readonly face: Face;
      readonly size: number;
      readonly colour: string;
    };

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export const INK = '#1f2b2b';
export const SOFT = '#5b625f';
/** Light enough to write on, dark enough for any printer. */
export const SHADE = '#e4e1d8';

export function path(d: string, more: Partial<Extract<Mark, { kind: 'path' }>> = {}): Mark {
  return { kind: 'path', d, at: UNMOVED, fill: null, stroke: null, width: 1, dash: null, ...more };
}

export const line = (
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  more: Partial<Extract<Mark, { kind: 'path' }>> = {},
): Mark => path(`M${x1} ${y1}L${x2} ${y2}`, { stroke: INK, ...more });

export const rectangle = ({ x, y, width, height }: Box, more: Partial<Extract<Mark, { kind: 'path' }>>): Mark =>
  path(`M${x} ${y}h${width}v${height}h${-width}z`, more);

export const circle = (x: number, y: number, r: number, more: Partial<Extract<Mark, { kind: 'path' }>>): Mark =>
  path(`M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`, more);

/** The same marks elsewhere, and larger or smaller. */
export function placed(marks: readonly Mark[], x: number, y: number, scale = 1): readonly Mark[] {
  const by: Matrix = [scale, 0, 0, scale, x, y];
  return marks.map((mark) =>
    mark.kind === 'path'
      ? { ...mark, at: times(by, mark.at) }
      : { ...mark, x: x + scale * mark.x, y: y + scale * mark.y, size: scale * mark.size },
  );
}
