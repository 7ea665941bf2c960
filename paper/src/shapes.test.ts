import { PLAIN_TILE, type Block, type Tile } from '@escalier/core/handouts';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Letters } from './letters.ts';
import { circle, line, rectangle, type Mark } from './marks.ts';
import { toolsOnDisk } from './node.ts';
import { around, boxOf, pathPoints } from './path-box.ts';
import { fitting, paragraph } from './pieces.ts';
import { paperOf } from './sizes.ts';
import { staircasePiece } from './staircase.ts';
import { matchPieces, tileRows } from './tiles.ts';
import type { Room, Tools } from './tools.ts';

let letters: Letters;
let warnings: string[];
let tools: Tools;
beforeAll(async () => {
  const disk = await toolsOnDisk();
  letters = disk.letters;
  warnings = [];
  tools = { ...disk, textScale: 1, staffScale: 1, warn: (warning: string) => void warnings.push(warning) } as Tools;
});

const noText = (): number => 0;
const room: Room = { width: 480, height: 300 };
const tile = (more: Partial<Tile> = {}): Tile => ({ ...PLAIN_TILE, ...more });
const texts = (marks: readonly Mark[]) => marks.flatMap((mark) => (mark.kind === 'text' ? [mark] : []));

describe('the points of a path', () => {
  it.each([
    [
      'absolute and relative lines',
      'M10 10 L20 10 l0 5',
      [
        [10, 10],
        [20, 10],
        [20, 15],
      ],
    ],
    [
      'one after the other without a letter',
      'm1 1 2 0 0 2',
      [
        [1, 1],
        [3, 1],
        [3, 3],
      ],
    ],
    [
      'across and down',
      'M0 0 H7 v-3',
      [
        [0, 0],
        [7, 0],
        [7, -3],
      ],
    ],
    [
      'closed, and on from where it began',
      'M5 5 h10 z l1 1',
      [
        [5, 5],
        [15, 5],
        [5, 5],
        [6, 6],
      ],
    ],
    [
      'numbers that touch',
      'M.5.5L-1-2',
      [
        [0.5, 0.5],
        [-1, -2],
      ],
    ],
    [
      'half a circle over the top',
      'M0 0 a5 5 0 0 1 10 0',
      [
        [0, 0],
        [5, -5],
        [10, 0],
      ],
    ],
    [
      'half a circle below',
      'M0 0 a5 5 0 0 0 10 0',
      [
        [0, 0],
        [5, 5],
        [10, 0],
      ],
    ],
    [
      'a quarter, which reaches no side',
      'M0 0 A10 10 0 0 1 10 10',
      [
        [0, 0],
        [10, 10],
      ],
    ],
    [
      'three quarters of a circle',
      'M0 0 A10 10 0 1 1 10 10',
      [
        [0, 0],
        [10, -10],
        [20, 0],
        [10, 10],
      ],
    ],
  ] as const)('%s', (_, d, wanted) => {
    const rounded = (x: number): number => Math.round(x * 1e6) / 1e6 + 0;
    const found = pathPoints(d).map((point) => point.map(rounded).join(' '));
    for (const point of wanted) expect(found).toContain(point.join(' '));
    expect(new Set(found).size).toBe(new Set(wanted.map((point) => point.join(' '))).size);
  });

  it('hold the control points of a curve, between which it lies', () => {
    expect(pathPoints('M0 0 C1 9 2 -9 3 0')).toEqual(
      expect.arrayContaining([
        [1, 9],
        [2, -9],
        [3, 0],
      ]),
    );
  });
});

describe('where a mark lies', () => {
  it('counts half the stroke on each side', () => {
    expect(boxOf(line(10, 20, 30, 20, { stroke: '#000', width: 4 }), noText)).toEqual({
      x: 8,
      y: 18,
      width: 24,
      height: 4,
    });
    expect(boxOf(rectangle({ x: 1, y: 2, width: 3, height: 4 }, { fill: '#000' }), noText)).toEqual({
      x: 1,
      y: 2,
      width: 3,
      height: 4,
    });
  });

  it('holds the whole of a circle', () => {
    const box = boxOf(circle(50, 50, 10, { fill: '#000' }), noText);
    expect([box.x, box.y]).toEqual([40, 40]);
    expect([box.width, box.height]).toEqual([20, 20]);
  });

  it('of several is what holds them all, and nothing for none', () => {
    expect(
      around([
        { x: 0, y: 5, width: 2, height: 2 },
        { x: -3, y: 6, width: 1, height: 9 },
      ]),
    ).toEqual({ x: -3, y: 5, width: 5, height: 10 });
    expect(around([])).toBeNull();
  });
});

describe('a page', () => {
  it('is turned for wide sheets, and keeps the edge free where a child holds it', () => {
    const [upright, wide] = [paperOf('a4', false), paperOf('a4', true)];
    expect([wide.width, wide.height]).toEqual([upright.height, upright.width]);
    const held = paperOf('letter', false, 'left');
    expect(held.left).toBeGreaterThan(paperOf('letter', false).left);
    expect(held.right).toBe(paperOf('letter', false).right);
    expect(paperOf('letter', false, 'right').right).toBeLessThan(held.right);
  });
});

describe('words in a width', () => {
  it('take the largest size that fits, and none where even the least does not', () => {
    const size = fitting(letters, 'Over the stile', 'bold', { width: 60, lines: 1, most: 20, least: 5 })!;
    expect(letters.width('Over the stile', 'bold', size)).toBeLessThanOrEqual(60);
    expect(letters.width('Over the stile', 'bold', size + 0.5)).toBeGreaterThan(60);
    expect(fitting(letters, 'Unbreakablelongword', 'bold', { width: 10, lines: 3, most: 20, least: 6 })).toBeNull();
  });

  it('are as high as their lines, in the middle where that is wanted; no words are no lines', () => {
    const one = paragraph(letters, 'short', 300, { face: 'text', size: 10 });
    const many = paragraph(letters, 'a line that is much too long for its narrow column', 60, {
      face: 'text',
      size: 10,
      align: 'middle',
    });
    expect(many.height / one.height).toBe(texts(many.marks).length);
    expect(texts(many.marks).every(({ x }) => x >= 0 && x < 30)).toBe(true);
    expect(paragraph(letters, '', 300, { face: 'text', size: 10 })).toEqual({ marks: [], height: 0 });
  });
});

describe('boxes in columns', () => {
  const tiles = (more: Partial<Extract<Block, { kind: 'tiles' }>>): Extract<Block, { kind: 'tiles' }> => ({
    kind: 'tiles',
    columns: 3,
    tiles: [],
    cut: false,
    height: null,
    ...more,
  });

  it('stand row by row, each in the middle of its column, with their number before them', () => {
    const rows = tileRows(
      tiles({ tiles: ['low D', 'E', 'F♯', 'G'].map((label, index) => tile({ label, number: index + 1 })) }),
      room,
      tools,
    );
    expect(rows).toHaveLength(2);
    const found = texts(rows[0]!.marks).filter(({ text }) => !text.endsWith('.'));
    expect(found.map(({ text }) => text)).toEqual(['low D', 'E', 'F♯']);
    found.forEach((mark, column) => {
      const middle = mark.x + letters.widthOf(mark) / 2;
      const width = (room.width - 2 * 12) / 3;
      expect(middle).toBeCloseTo(column * (width + 12) + width / 2, 0);
    });
    expect(texts(rows[1]!.marks).map(({ text }) => text)).toEqual(expect.arrayContaining(['4.', 'G']));
  });

  it('that are cut out touch each other, with a dashed line around each', () => {
    const [row] = tileRows(
      tiles({ cut: true, height: 90, columns: 2, tiles: [tile({ label: 'ta' }), tile({ label: 'ti-ti' })] }),
      room,
      tools,
    );
    const frames = row!.marks.filter((mark) => mark.kind === 'path' && mark.dash !== null);
    expect(frames.map((mark) => boxOf(mark, noText).width)).toEqual(
      [240.7, 240.7].map((width) => expect.closeTo(width, 1)),
    );
    expect(row!.height).toBe(90);
  });

  it('with lines to write on grow by each of them', () => {
    const height = (lines: number) => tileRows(tiles({ tiles: [tile({ lines })] }), room, tools)[0]!.height;
    expect(height(3) - height(2)).toBeCloseTo(height(2) - height(1));
    expect(height(2)).toBeGreaterThan(height(1));
  });

  it('say what does not fit', () => {
    warnings.length = 0;
    const label = 'Donaudampfschifffahrtsgesellschaftskapitän'.repeat(3);
    tileRows(tiles({ columns: 6, tiles: [tile({ label })] }), room, tools);
    expect(warnings).toEqual([`“${label}” does not fit its box.`]);
  });
});

describe('pairs to join by a line', () => {
  it('have a dot at each side, on one height, with room between', () => {
    const pieces = matchPieces(
      {
        kind: 'match',
        left: [tile({ label: 'A' }), tile({ label: 'B' })],
        right: [tile({ label: 'one' }), tile({ label: 'two' })],
      },
      400,
      tools,
    );
    expect(pieces).toHaveLength(2);
    for (const { marks, height } of pieces) {
      const dots = marks.filter((mark) => mark.kind === 'path').map((mark) => boxOf(mark, noText));
      expect(dots).toHaveLength(2);
      expect(dots[0]!.y).toBeCloseTo(dots[1]!.y);
      expect(dots[1]!.x - dots[0]!.x).toBeGreaterThan(50);
      expect(dots[0]!.y + dots[0]!.height).toBeLessThan(height);
    }
  });
});

describe('the staircase on paper', () => {
  const steps = [
    { title: 'Goose Walk', about: 'B A G', belt: 'straw', lessons: 2, rise: 3 },
    { title: 'Stile and Gate', about: 'E', belt: 'straw', lessons: 4, rise: 1 },
  ];

  it('is as wide as the room, with each title over its own tread', () => {
    const { marks } = staircasePiece(steps, room, tools);
    const stairs = boxOf(marks[1]!, noText);
    expect(stairs.width).toBeCloseTo(room.width + 1.8, 5);
    const tread = (room.width * 2) / 6;
    const title = texts(marks).filter(({ face }) => face === 'bold');
    expect(
      title
        .filter(({ x }) => x < tread)
        .map(({ text }) => text)
        .join(' '),
    ).toBe('1 Goose Walk');
    expect(
      title
        .filter(({ x }) => x >= tread)
        .map(({ text }) => text)
        .join(' '),
    ).toBe('2 Stile and Gate');
    expect(Math.min(...title.map(({ y }) => y))).toBeGreaterThan(0);
  });
});
