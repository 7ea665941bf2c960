import { moved, type Box, type Mark } from './marks.ts';

const TOKENS = /[a-zA-Z]|-?\d*\.?\d+(?:e-?\d+)?/g;
const COUNTS: Readonly<Record<string, number>> = { m: 2, l: 2, h: 1, v: 1, c: 6, s: 4, q: 4, t: 2, a: 7, z: 0 };

/** Heads, rests and clefs come again and again: the corners of a shape are worked out once. */
const corners = new Map<string, readonly (readonly [number, number])[]>();
const MOST_KEPT = 5000;

/** Four points around a path: as good as all of them, for nothing here is turned by less than a right angle. */
function cornersOf(d: string): readonly (readonly [number, number])[] {
  const known = corners.get(d);
  if (known !== undefined) return known;
  const points = pathPoints(d);
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const [x, y] of points) {
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  const made = [
    [left, top],
    [right, top],
    [left, bottom],
    [right, bottom],
  ] as const;
  if (corners.size < MOST_KEPT) corners.set(d, made);
  return made;
}

/** All points that an SVG path names, control points and the sides of arcs among them: its shape lies within them. */
export function pathPoints(d: string): readonly (readonly [number, number])[] {
  const tokens = d.match(TOKENS) ?? [];
  const points: (readonly [number, number])[] = [];
  let [x, y, startX, startY] = [0, 0, 0, 0];
  let command = 'M';
  for (let at = 0; at < tokens.length;) {
    if (/[a-zA-Z]/.test(tokens[at]!)) command = tokens[at++]!;
    const kind = command.toLowerCase();
    const relative = command === kind;
    const numbers = tokens.slice(at, at + COUNTS[kind]!).map(Number);
    at += COUNTS[kind]!;
    const [fromX, fromY] = relative ? [x, y] : [0, 0];
    if (kind === 'z') [x, y] = [startX, startY];
    else if (kind === 'h') x = fromX + numbers[0]!;
    else if (kind === 'v') y = fromY + numbers[0]!;
    else {
      const pairs = kind === 'a' ? numbers.slice(5) : numbers;
      if (kind === 'a') {
        const [rx, ry, , large, sweep] = numbers as [number, number, number, number, number];
        const to = [fromX + pairs[0]!, fromY + pairs[1]!] as const;
        points.push(...arcEnds([x, y], to, [rx, ry], large === 1, sweep === 1));
      }
      for (let pair = 0; pair < pairs.length; pair += 2) points.push([fromX + pairs[pair]!, fromY + pairs[pair + 1]!]);
      [x, y] = points.at(-1)!;
      if (kind === 'm') {
        [startX, startY] = [x, y];
        command = relative ? 'l' : 'L';
      }
    }
    points.push([x, y]);
    if (COUNTS[kind] === 0 && at < tokens.length && !/[a-zA-Z]/.test(tokens[at]!)) at++;
  }
  return points;
}

type Point = readonly [number, number];

/**
 * The outermost points of an arc to the left, right, top and bottom, as far as it reaches them.
 * @param radii of an ellipse that is not turned; too short ones grow, as SVG says.
 * @param isLarge whether it is the longer way around.
 * @param isClockwise as seen on the page, where y goes down.
 */
function arcEnds(
  [x1, y1]: Point,
  [x2, y2]: Point,
  [rx, ry]: Point,
  isLarge: boolean,
  isClockwise: boolean,
): readonly Point[] {
  // In units of the radii it is an arc of a circle.
  const [dx, dy] = [(x2 - x1) / rx / 2, (y2 - y1) / ry / 2];
  const half = Math.hypot(dx, dy);
  if (!Number.isFinite(half) || half === 0) return [];
  const radius = Math.max(1, half);
  const away = (Math.sqrt(radius * radius - half * half) / half) * (isLarge === isClockwise ? -1 : 1);
  const [cx, cy] = [(x1 + x2) / rx / 2 - dy * away, (y1 + y2) / ry / 2 + dx * away];
  const [from, to] = [Math.atan2(y1 / ry - cy, x1 / rx - cx), Math.atan2(y2 / ry - cy, x2 / rx - cx)];
  const turn = (angle: number): number => {
    const round = 2 * Math.PI;
    return (((isClockwise ? angle - from : from - angle) % round) + round) % round;
  };
  return [0, 0.5, 1, 1.5]
    .map((share) => share * Math.PI)
    .filter((angle) => turn(angle) < turn(to))
    .map((angle): Point => [(cx + radius * Math.cos(angle)) * rx, (cy + radius * Math.sin(angle)) * ry]);
}

/** Of several boxes; null for none. */
export function around(boxes: readonly Box[]): Box | null {
  if (boxes.length === 0) return null;
  const x = Math.min(...boxes.map((box) => box.x));
  const y = Math.min(...boxes.map((box) => box.y));
  return {
    x,
    y,
    width: Math.max(...boxes.map((box) => box.x + box.width)) - x,
    height: Math.max(...boxes.map((box) => box.y + box.height)) - y,
  };
}

/** Where a mark lies. A text is taken as high as its letters, and as wide as `widthOf` says. */
export function boxOf(mark: Mark, widthOf: (mark: Extract<Mark, { kind: 'text' }>) => number): Box {
  if (mark.kind === 'text') return { x: mark.x, y: mark.y - 0.75 * mark.size, width: widthOf(mark), height: mark.size };
  const points = cornersOf(mark.d).map((point) => moved(point, mark.at));
  const half = mark.stroke === null ? 0 : mark.width / 2;
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [x, y] = [Math.min(...xs) - half, Math.min(...ys) - half];
  return { x, y, width: Math.max(...xs) + half - x, height: Math.max(...ys) + half - y };
}
