import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { escalier } from './escalier.ts';

const GOOSE_WALK = fileURLToPath(new URL('../../demo/tunes/goose-walk.abc', import.meta.url));
const json = async (...argv: string[]): Promise<unknown> =>
  JSON.parse((await escalier([...argv, '--json'])).out) as unknown;

describe('escalier fingering', () => {
  it('shows the holes of the instrument that is asked for', async () => {
    expect((await escalier(['fingering', 'F4'])).out).toBe('0 123 467  (forked: 5 stays up)');
    expect((await escalier(['fingering', 'F4', '--instrument', 'soprano-recorder-german'])).out).toBe('0 123 4');
    expect(await json('fingering', 'C5', '--instrument', 'tin-whistle-d')).toMatchObject({
      note: 'C5',
      fingerings: [
        { holes: 'oxx ooo', primary: true },
        { holes: 'hoo ooo', primary: false },
      ],
    });
    expect((await escalier(['fingering', 'F#5', '--instrument', 'soprano-recorder-german'])).out).toContain(
      'Makers differ',
    );
  });
});

describe('escalier move', () => {
  it('says what the fingers do and what it costs', async () => {
    expect((await escalier(['move', 'A4', 'E4'])).out).toBe(
      [
        'A4 (0 12) to E4 (0 123 45): three fingers land together, in both hands',
        'Cost 3.4 = 1.9 several fingers together + 0.15 one finger more + 0.15 landing: seal every hole + 1.2 both hands',
      ].join('\n'),
    );
    expect(await json('move', 'A4', 'E4')).toMatchObject({
      kind: 'team',
      lands: 3,
      lifts: 0,
      bothHands: true,
      cost: 3.4,
      words: 'three fingers land together, in both hands',
      fingers: expect.arrayContaining([{ hole: '4', hand: 'right', finger: 'index', does: 'lands' }]) as unknown,
    });
    expect(await json('move', 'C4', 'E4', '--instrument', 'tin-whistle-d')).toEqual({
      error: { message: 'C4 or E4 is not on the tin whistle in D.' },
    });
  });
});

describe('escalier echo', () => {
  const three = ['echo', '--notes', 'B4,A4,G4', '--new', 'G4', '--seed', '7'];

  it('gives a graded set that the seed repeats', async () => {
    const first = (await json(...three)) as { patterns: { grade: string; notes: { note: string | null }[] }[] };
    expect(first.patterns.map((pattern) => pattern.grade).filter((grade) => grade === 'skip')).toHaveLength(3);
    expect(first.patterns.every((pattern) => pattern.notes.some(({ note }) => note === 'G4'))).toBe(true);
    expect(await json(...three)).toEqual(first);
    expect((await escalier(three)).out.split('\n')).toHaveLength(15);
  });

  it('asks for what is missing', async () => {
    expect((await escalier(['echo', '--new', 'G4'])).err).toContain('--notes');
    expect((await escalier(['echo', '--notes', 'B4,A4', '--new', 'G4'])).err).toContain('not among the notes');
    expect((await escalier([...three, '--rhythm', 'note huge'])).err).toContain('not rhythm values');
    expect((await escalier(['echo', '--notes', 'B4', '--new', 'B4', '--seed', 'x'])).err).toContain('whole number');
  });
});

describe('escalier agree', () => {
  it('says which packages it needs', async () => {
    const path = process.env.PATH;
    process.env.PATH = '';
    try {
      expect((await escalier(['agree'])).err).toContain('apt install abcmidi lilypond');
    } finally {
      process.env.PATH = path;
    }
  });
});

describe('escalier bare', () => {
  it('lets a tune grow', async () => {
    const grown = (await json('bare', GOOSE_WALK, '--stages', '4')) as { stages: { notes: number; abc: string }[] };
    expect(grown.stages.map((stage) => stage.notes)).toEqual([8, 14, 20, 22]);
    expect(grown.stages[0]!.abc.replace(/"[^"]*"/g, '')).toContain('B8|B8|A8|E8|');
    expect((await escalier(['bare', GOOSE_WALK, '--stages', '9'])).err).toContain('from 3 to 5');
  });
});

describe('escalier read', () => {
  it('says what is new in a tune', async () => {
    const read = await json('read', GOOSE_WALK, '--knows', 'B4,A4,G4');
    expect(read).toMatchObject({
      title: 'Goose Walk',
      bars: 8,
      tempo: 84,
      notes: { all: ['E4', 'G4', 'A4', 'B4'], new: [{ note: 'E4', count: 3, bars: [4, 7] }] },
      left: [],
    });
    expect((read as { moves: unknown[] }).moves).toContainEqual(
      expect.objectContaining({ from: 'G4', to: 'E4', kind: 'team', count: 2 }),
    );
    expect((await escalier(['read', GOOSE_WALK])).out).toContain('Hard: bar 7, G4 to E4: two fingers land together');
  });

  it('takes another tempo', async () => {
    expect(await json('read', GOOSE_WALK, '--tempo', '60')).toMatchObject({ tempo: 60 });
  });
});

describe('escalier read, what is said and what is mixed up', () => {
  it('counts every part in every school, a text for each bar', async () => {
    const { counting, mixUps } = (await json('read', GOOSE_WALK)) as {
      counting: Record<string, readonly (readonly string[])[]>;
      mixUps: unknown;
    };
    expect(Object.keys(counting)).toEqual(['numbers', 'ta', 'beat-function', 'beat-position']);
    for (const parts of Object.values(counting)) expect(parts.map((bars) => bars.length)).toEqual([8]);
    expect(counting.numbers![0]!.at(-1)).toBe('1-2-3-4');
    expect(mixUps).toEqual([]);
  });
});

describe('escalier chunks, figures and mixups', () => {
  it('teach a tune piece by piece', async () => {
    const { chunks } = (await json('chunks', GOOSE_WALK, '--knows', 'B4,A4,G4')) as { chunks: readonly unknown[] };
    expect(chunks[0]).toEqual({ bars: [1, 1], starts: 'teacher', times: 2, tempo: 42, why: 'New.' });
    expect(chunks.at(-1)).toEqual({
      bars: [1, 8],
      starts: 'together',
      times: 1,
      tempo: 84,
      why: 'The whole tune.',
    });
    const { chunks: larger } = (await json('chunks', GOOSE_WALK, '--beats', '8')) as { chunks: readonly unknown[] };
    expect(larger.length).toBeLessThan(chunks.length);
  });

  it('find what comes again', async () => {
    const { figures } = (await json('figures', GOOSE_WALK)) as { figures: readonly { kind: string; count: number }[] };
    expect(figures).toContainEqual({
      letter: 'c',
      kind: 'exact',
      count: 4,
      places: [1, 2, 5, 6].map((bar) => ({ bars: [bar, bar], notes: ['B4', 'A4', 'G4'] })),
      oddOneOut: null,
    });
  });

  it('name the pairs to watch', async () => {
    expect(await json('mixups', GOOSE_WALK, '--knows', 'Bb4,A4,G4,E4')).toMatchObject({
      mixUps: [{ pair: ['Bb4', 'B4'], bars: [1, 2, 3, 5, 6], kind: 'letter' }, { pair: ['A4', 'B4'] }],
    });
  });

  it('refuse what is no file and no number', async () => {
    expect((await escalier(['chunks', GOOSE_WALK, '--beats', '0'])).code).toBe(1);
    expect((await escalier(['figures'])).err).toBe('escalier: Name one file to read.'.slice(10));
  });
});

describe('escalier read, all of it', () => {
  it('says form, hard spots, breaths, difficulty and keys', async () => {
    const read = await json('read', GOOSE_WALK, '--instrument', 'soprano-recorder-baroque', '--knows', 'B4,A4,G4');
    expect(read).toMatchObject({
      hardSpots: [{ bars: [7, 7], drill: { toggle: ['G4', 'E4'] } }],
      form: { sameBars: [[1, 2, 5, 6]], distinctBars: 5, learnBars: [1, 3, 4, 7, 8] },
      breaths: expect.arrayContaining([expect.objectContaining({ afterBar: 4, afterBeat: 4 })]) as unknown,
      difficulty: { total: expect.any(Number) as number },
      left: [],
    });
    expect((read as { keys: unknown[] }).keys[0]).toMatchObject({ shift: 0, key: 'G major', newNotes: ['E4'] });
  });
});

describe('escalier convert', () => {
  it('goes through every format and back', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'escalier-'));
    let from = GOOSE_WALK;
    for (const ending of ['musicxml', 'mxl', 'xml', 'mid', 'abc']) {
      const to = join(folder, `tune.${ending}`);
      expect(await escalier(['convert', from, to])).toMatchObject({ code: 0 });
      from = to;
    }
    expect(await json('read', from)).toMatchObject({
      title: 'Goose Walk',
      notes: { all: ['E4', 'G4', 'A4', 'B4'] },
      form: { distinctBars: 5 },
    });
    expect((await escalier(['convert', GOOSE_WALK, join(folder, 'tune.pdf')])).err).toContain('The ending');
    expect((await escalier(['convert', GOOSE_WALK])).err).toContain('a file to write');
    await rm(folder, { recursive: true });
  });
});

describe('bad input', () => {
  const wrong: readonly (readonly [string, readonly string[]])[] = [
    ['no command', ['sing']],
    ['is not a note', ['fingering', 'H4']],
    ['is not a note', ['fingering']],
    ['no instrument', ['fingering', 'F4', '--instrument', 'tuba']],
    ['not on the', ['fingering', 'C3']],
    ['cannot be read', ['read', '/nowhere.abc']],
    ['Name a file', ['read']],
    ['no tempo', ['read', GOOSE_WALK, '--tempo', 'fast']],
    ['Usage', ['read', GOOSE_WALK, '--loud']],
    ['not ABC', ['read', fileURLToPath(import.meta.url)]],
  ];
  for (const [sentence, argv] of wrong) {
    it(argv.join(' ').slice(-40), async () => {
      const ended = await escalier(argv);
      expect(ended).toMatchObject({ code: 1, out: '' });
      expect(ended.err).toContain(sentence);
      expect(await json(...argv)).toMatchObject({ error: { message: ended.err } });
    });
  }

  it('helps when nothing is asked', async () => {
    expect(await escalier([])).toMatchObject({ code: 0, out: expect.stringContaining('fingering NOTE') as string });
  });
});
