import { XMLParser } from 'fast-xml-parser';
import { boxOf, around } from './path-box.ts';
import type { Letters } from './letters.ts';
import { INK, times, type Box, type Face, type Mark, type Matrix } from './marks.ts';

/** A line of engraved music, its upper left corner at 0, 0; in points. */
export interface EngravedLine {
  readonly marks: readonly Mark[];
  readonly height: number;
  /** Upper line and lower line of each staff, from the top. */
  readonly staves: readonly (readonly [top: number, bottom: number])[];
  /** From bar line to bar line, by the bar's index. */
  readonly bars: ReadonlyMap<number, readonly [left: number, right: number]>;
  /** Heads and rests, by their ids. */
  readonly events: ReadonlyMap<string, Box>;
}

interface Node {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Node[];
  readonly text: string;
}

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  trimValues: false,
  processEntities: true,
});

type Raw = Readonly<Record<string, unknown>>;
function nodesOf(raw: readonly Raw[]): readonly Node[] {
  return raw.map((each): Node => {
    const name = Object.keys(each).find((key) => key !== ':@')!;
    const inside = each[name];
    return {
      name,
      attributes: (each[':@'] ?? {}) as Readonly<Record<string, string>>,
      children: Array.isArray(inside) ? nodesOf(inside as readonly Raw[]) : [],
      text: name === '#text' ? String(inside) : '',
    };
  });
}

interface Walk {
  readonly letters: Letters;
  readonly shapes: ReadonlyMap<string, string>;
  /** Ids of events that are left out: their places are kept. */
  readonly hidden: ReadonlySet<string>;
}

interface Place {
  readonly at: Matrix;
  readonly colour: string;
  readonly face: Face;
  readonly hides: boolean;
}

class LineMarks {
  readonly marks: Mark[] = [];
  readonly staves: [number, number][] = [];
  readonly bars = new Map<number, [number, number]>();
  readonly events = new Map<string, Box>();
}

const STAFF_LINES = /^M(-?[\d.]+) (-?[\d.]+) L(-?[\d.]+) (-?[\d.]+)$/;
const BOLD = new Set(['ending', 'tempo', 'reh', 'fing']);

/** The lines of an engraving, out of the engraver's SVG. @param scale points for one of its units. */
export function linesOf(
  svg: string,
  scale: number,
  letters: Letters,
  hidden: ReadonlySet<string>,
): readonly EngravedLine[] {
  const [root] = nodesOf(parser.parse(svg) as readonly Raw[]).filter((node) => node.name === 'svg');
  const shapes = new Map<string, string>();
  for (const defs of root!.children.filter((node) => node.name === 'defs'))
    for (const shape of defs.children)
      shapes.set(`#${shape.attributes.id!}`, shape.children.find((node) => node.name === 'path')?.attributes.d ?? '');
  const lines: LineMarks[] = [];
  // The inner drawing counts ten units where the outer one counts one.
  const inner: Matrix = [scale / 10, 0, 0, scale / 10, 0, 0];
  const place: Place = { at: inner, colour: INK, face: 'text', hides: false };
  for (const node of root!.children) if (node.name === 'svg') walk(node, place, { letters, shapes, hidden }, lines);
  return lines.map((drawn) => settled(drawn, letters));
}

function settled(drawn: LineMarks, letters: Letters): EngravedLine {
  const whole = around(drawn.marks.map((mark) => boxOf(mark, letters.widthOf)))!;
  const up = -whole.y;
  const lift = (mark: Mark): Mark =>
    mark.kind === 'text' ? { ...mark, y: mark.y + up } : { ...mark, at: times([1, 0, 0, 1, 0, up], mark.at) };
  return {
    marks: drawn.marks.map(lift),
    height: whole.height,
    staves: drawn.staves.map(([top, bottom]) => [top + up, bottom + up] as const),
    bars: drawn.bars,
    events: new Map([...drawn.events].map(([id, box]) => [id, { ...box, y: box.y + up }])),
  };
}

function matrixOf(transform: string | undefined): Matrix {
  let matrix: Matrix = [1, 0, 0, 1, 0, 0];
  for (const [, name, inside] of (transform ?? '').matchAll(/(translate|scale|rotate)\(([^)]*)\)/g)) {
    const [x = 0, y] = inside!.split(/[ ,]+/).map(Number);
    if (name === 'translate') matrix = times(matrix, [1, 0, 0, 1, x, y ?? 0]);
    else if (name === 'scale') matrix = times(matrix, [x, 0, 0, y ?? x, 0, 0]);
    else {
      const angle = (x * Math.PI) / 180;
      matrix = times(matrix, [Math.cos(angle), Math.sin(angle), -Math.sin(angle), Math.cos(angle), 0, 0]);
    }
  }
  return matrix;
}

function walk(node: Node, before: Place, on: Walk, lines: LineMarks[]): void {
  const { attributes } = node;
  const kind = attributes.class ?? '';
  const place: Place = {
    at: attributes.transform === undefined ? before.at : times(before.at, matrixOf(attributes.transform)),
    colour: colourOf(attributes) ?? before.colour,
    face: BOLD.has(kind) ? 'bold' : before.face,
    hides: before.hides || on.hidden.has(attributes.id ?? ''),
  };
  if (kind === 'system') lines.push(new LineMarks());
  const drawn = lines.at(-1);
  const first = drawn?.marks.length ?? 0;
  if (drawn !== undefined && !place.hides) drawn.marks.push(...marksOf(node, place, on));
  if (drawn !== undefined && place.hides && !before.hides) {
    const ghost = new LineMarks();
    for (const child of node.children) walk(child, { ...place, hides: false }, { ...on, hidden: new Set() }, [ghost]);
    const box = around(ghost.marks.map((mark) => boxOf(mark, on.letters.widthOf)));
    if (box !== null) drawn.events.set(attributes.id!, box);
    return;
  }
  if (node.name !== 'text') for (const child of node.children) walk(child, place, on, lines);
  if (drawn !== undefined) remember(node, kind, drawn, first, on.letters);
}

function colourOf({ fill, color }: Readonly<Record<string, string>>): string | null {
  const colour = color ?? fill ?? '';
  return /^#[0-9a-f]{6}$/i.test(colour) ? colour : null;
}

/** Where staves, bars and events lie, once all in them is drawn. */
function remember(node: Node, kind: string, drawn: LineMarks, first: number, letters: Letters): void {
  const id = node.attributes.id ?? '';
  if (kind === 'staff') rememberStaff(node, drawn, first);
  const isBar = kind === 'measure' && /^b\d+$/.test(id);
  if (isBar) {
    const staff = drawn.marks.slice(first).flatMap((mark) => (isStaffLine(mark) ? [boxOf(mark, letters.widthOf)] : []));
    const box = around(staff);
    if (box !== null) drawn.bars.set(Number(id.slice(1)), [box.x, box.x + box.width]);
  }
  if ((kind === 'note' || kind === 'rest' || kind === 'chord') && /^n\d+-\d+-\d+$/.test(id)) {
    const heads = drawn.marks.slice(first).filter((mark) => mark.kind === 'path' && mark.stroke === null);
    const box = around(heads.map((mark) => boxOf(mark, letters.widthOf)));
    if (box !== null) drawn.events.set(id, box);
  }
}

const staffLines = new WeakSet<Mark>();
const isStaffLine = (mark: Mark): boolean => staffLines.has(mark);

function rememberStaff(node: Node, drawn: LineMarks, first: number): void {
  const count = node.children.filter((child) => child.name === 'path' && isLevel(child.attributes.d)).length;
  const found = drawn.marks
    .slice(first)
    .filter((mark) => mark.kind === 'path' && isLevel(mark.d))
    .slice(0, count);
  const ys = found.flatMap((mark) =>
    mark.kind === 'path' ? [mark.at[3] * Number(STAFF_LINES.exec(mark.d)![2]) + mark.at[5]] : [],
  );
  for (const mark of found) staffLines.add(mark);
  const staff: [number, number] = [Math.min(...ys), Math.max(...ys)];
  if (ys.length > 0 && !drawn.staves.some(([top]) => Math.abs(top - staff[0]) < 0.5)) drawn.staves.push(staff);
}

function isLevel(d: string | undefined): boolean {
  const match = STAFF_LINES.exec(d ?? '');
  return match !== null && match[2] === match[4] && match[1] !== match[3];
}

function marksOf(node: Node, { at, colour, face }: Place, { shapes, letters }: Walk): readonly Mark[] {
  const { name, attributes } = node;
  const number = (key: string): number => Number(attributes[key] ?? 0);
  const width = number('stroke-width') * at[0];
  const shape = (d: string, closed: boolean): readonly Mark[] => [
    {
      kind: 'path',
      d,
      at,
      fill: closed ? colour : null,
      stroke: closed && width === 0 ? null : colour,
      width: Math.max(0.35, width),
      dash: null,
    },
  ];
  switch (name) {
    case 'path':
      return shape(attributes.d!, /[cCzZ]/.test(attributes.d!));
    case 'polygon':
      return [
        {
          kind: 'path',
          d: `M${attributes.points!.replaceAll(',', ' ')}z`,
          at,
          fill: colour,
          stroke: null,
          width: 1,
          dash: null,
        },
      ];
    case 'polyline':
      return shape(`M${attributes.points!.replaceAll(',', ' ')}`, false);
    case 'rect': {
      const d = `M${number('x')} ${number('y')}h${number('width')}v${number('height')}h${-number('width')}z`;
      return [{ kind: 'path', d, at, fill: colour, stroke: null, width: 1, dash: null }];
    }
    case 'ellipse': {
      const [x, y, rx, ry] = [number('cx'), number('cy'), number('rx'), number('ry')];
      const d = `M${x - rx} ${y}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0z`;
      return [{ kind: 'path', d, at, fill: colour, stroke: null, width: 1, dash: null }];
    }
    case 'use': {
      const d = shapes.get(attributes['xlink:href'] ?? '') ?? '';
      return d === ''
        ? []
        : [{ kind: 'path', d, at: times(at, [1, 0, 0, -1, 0, 0]), fill: colour, stroke: null, width: 1, dash: null }];
    }
    case 'text':
      return textMarks(node, at, colour, face, letters);
    default:
      return [];
  }
}

/** A text with its parts one behind the other, wherever the engraver measured them with its own font. */
function textMarks(node: Node, at: Matrix, colour: string, face: Face, letters: Letters): readonly Mark[] {
  const parts: { text: string; size: number }[] = [];
  const collect = (each: Node, size: number): void => {
    const own = /^([\d.]+)px$/.exec(each.attributes['font-size'] ?? '');
    const now = own === null || own[1] === '0' ? size : Number(own[1]);
    // The signs of the music font stand in a private place of Unicode.
    const plain = each.text
      .replaceAll('\uE262', '♯')
      .replaceAll('\uE260', '♭')
      .replaceAll('\uE261', '♮')
      .replace(/\s+/g, ' ');
    if (plain.trim() !== '') parts.push({ text: plain, size: now });
    for (const child of each.children) collect(child, now);
  };
  collect(node, 0);
  const size = Math.min(...parts.map((part) => part.size)) * at[0];
  const text = parts
    .map((part) => part.text)
    .join('')
    .trim();
  if (text === '' || !Number.isFinite(size)) return [];
  const [x, y] = [Number(node.attributes.x ?? 0) * at[0] + at[4], Number(node.attributes.y ?? 0) * at[3] + at[5]];
  const width = letters.width(text, face, size);
  const anchor = node.attributes['text-anchor'];
  const from = anchor === 'middle' ? x - width / 2 : anchor === 'end' ? x - width : x;
  return [{ kind: 'text', x: from, y, text, face, size, colour }];
}
