import { describe, expect, it } from 'vitest';
import {
  eventsLength,
  irregularBars,
  makeTune,
  performanceOrder,
  performedNotes,
  pitch,
  pitchName,
  PLAIN_BAR,
  PLAIN_NOTE,
  PLAIN_REST,
  rational,
  toNumber,
  tuneContent,
  tupletGroups,
  type Bar,
  type Note,
  type NoteValue,
  type Tune,
  type TuneDraft,
  type TuneEvent,
} from './index.ts';

const value = (base: NoteValue['base'], dots = 0, tuplet: NoteValue['tuplet'] = null): NoteValue => ({
  base,
  dots,
  tuplet,
});
const note = (name: string, base: NoteValue['base'] = 'whole', more: Partial<Note> = {}): Note => ({
  ...PLAIN_NOTE,
  pitch: pitch(name),
  value: value(base),
  ...more,
});
const frame = { ...PLAIN_BAR, key: { fifths: 0, mode: 'major' }, metre: { count: 4, unit: 4 } } as const;
type Frame = Partial<Omit<Bar, 'number'>>;

/** One semibreve a bar: A4, B4, C5 … tell the bars apart. */
const NAMES = ['C4', 'D4', 'E4', 'F4', 'G4', 'A4', 'B4', 'C5'];

function draft(frames: readonly Frame[], parts?: TuneDraft['parts']): TuneDraft {
  return {
    title: 'T',
    composer: '',
    source: '',
    licence: '',
    tags: [],
    otherTitles: [],
    tempo: null,
    bars: frames.map((own) => ({ ...frame, ...own })),
    parts: parts ?? [{ name: 'P', bars: frames.map((_, index) => [note(NAMES[index]!)]) }],
  };
}

function made(frames: readonly Frame[], parts?: TuneDraft['parts']): Tune {
  const result = makeTune(draft(frames, parts));
  if (!result.ok) throw new Error(result.error.map((error) => error.message).join(' '));
  return result.value;
}

const order = (...frames: Frame[]): string =>
  performanceOrder(made(frames))
    .map((index) => index + 1)
    .join(' ');
const problems = (input: TuneDraft): readonly string[] => {
  const result = makeTune(input);
  return result.ok ? [] : result.error.map((error) => error.message);
};

describe('performance order', () => {
  it('plays a repeat from its start sign, or from the beginning', () => {
    expect(order({}, { timesPlayed: 2 }, {})).toBe('1 2 1 2 3');
    expect(order({}, { repeatStart: true }, { timesPlayed: 2 }, {})).toBe('1 2 3 2 3 4');
    expect(order({ timesPlayed: 3 }, {})).toBe('1 1 1 2');
    expect(order({ repeatStart: true, timesPlayed: 2 }, { repeatStart: true, timesPlayed: 2 })).toBe('1 1 2 2');
  });

  it('takes the ending of each pass', () => {
    expect(order({}, { ending: [1], timesPlayed: 2 }, { ending: [2] })).toBe('1 2 1 3');
    expect(order({ repeatStart: true }, { ending: [1, 2], timesPlayed: 2 }, { ending: [3] }, {})).toBe('1 2 1 2 1 3 4');
    expect(order({}, { ending: [1] }, { ending: [1], timesPlayed: 2 }, { ending: [2] }, {})).toBe('1 2 3 1 4 5');
  });

  it('goes back by D.C. and D.S., and does not repeat again', () => {
    expect(order({}, { fine: true }, { jump: 'D.C. al fine' })).toBe('1 2 3 1 2');
    expect(order({}, { segno: true }, { jump: 'D.S.' }, {})).toBe('1 2 3 2 3');
    expect(order({}, { toCoda: true }, { jump: 'D.C. al coda' }, { coda: true })).toBe('1 2 3 1 2 4');
    expect(order({ timesPlayed: 2 }, { fine: true }, { jump: 'D.C. al fine' })).toBe('1 1 2 3 1 2');
    expect(order({}, { ending: [1], timesPlayed: 2 }, { ending: [2], fine: true }, { jump: 'D.C. al fine' })).toBe(
      '1 2 1 3 4 1 3',
    );
  });
});

describe('what sounds', () => {
  it('joins tied notes, over bar lines too, and marks what comes after a rest', () => {
    const parts = [
      {
        name: 'P',
        bars: [
          [note('G4', 'half'), note('A4', 'half', { tied: true })],
          [note('A4', 'half'), { ...PLAIN_REST, value: value('half') }],
          [note('A4')],
        ],
      },
    ];
    const played = performedNotes(made([{}, {}, {}], parts));
    expect(
      played.map((note) => [pitchName(note.pitch), toNumber(note.onset), toNumber(note.length), note.afterRest]),
    ).toEqual([
      ['G4', 0, 0.5, true],
      ['A4', 0.5, 1, false],
      ['A4', 2, 1, true],
    ]);
    expect(() => performedNotes(made([{}]), 1)).toThrow(RangeError);
  });

  it('is the same tune under another title and another layout', () => {
    const one = made([{}, { lineEnd: true }, {}]);
    expect(tuneContent({ ...one, title: 'Other', licence: 'x' })).toBe(tuneContent(made([{}, {}, {}])));
    expect(tuneContent(one)).not.toBe(tuneContent(made([{}, { timesPlayed: 2 }, {}])));
  });
});

describe('tuplet groups', () => {
  const third = (base: NoteValue['base']): TuneEvent =>
    note('G4', base, { value: value(base, 0, { actual: 3, normal: 2 }) });

  it('close when three of one value are full', () => {
    expect(
      tupletGroups([
        third('eighth'),
        third('eighth'),
        third('eighth'),
        third('eighth'),
        third('eighth'),
        third('eighth'),
      ]),
    ).toEqual([
      { first: 0, last: 2 },
      { first: 3, last: 5 },
    ]);
    expect(tupletGroups([note('G4', 'quarter'), third('quarter'), third('eighth'), note('A4', 'half')])).toEqual([
      { first: 1, last: 2 },
    ]);
  });

  it('make a crotchet of three quavers', () => {
    expect(eventsLength([third('eighth'), third('eighth'), third('eighth')])).toEqual(rational(1, 4));
  });
});

describe('makeTune', () => {
  it('refuses what is no tune', () => {
    const part = { name: 'P', bars: [[note('G4')]] };
    expect(problems({ ...draft([{}]), parts: [] })).toEqual(['The tune has no melody.']);
    expect(problems(draft([{}], [part, part, part]))[0]).toContain('3 parts');
    expect(problems(draft([{}, {}], [part]))[0]).toContain('has 1 bars, the tune has 2');
    expect(problems(draft([{}], [{ name: 'P', bars: [[{ ...PLAIN_REST, value: value('whole') }]] }]))).toEqual([
      'The tune has no notes.',
    ]);
    expect(problems(draft([{}], [part, { name: 'Q', bars: [[note('G4', 'half')]] }]))[0]).toContain(
      'not as long as the first part',
    );
  });

  it('asks every sign for its partner', () => {
    expect(problems(draft([{}, { jump: 'D.S.' }]))[0]).toContain('segno');
    expect(problems(draft([{}, { jump: 'D.C. al fine' }]))[0]).toContain('without a fine');
    expect(problems(draft([{}, { jump: 'D.C. al coda', toCoda: true }]))[0]).toContain('a coda');
  });

  it('reports all problems, each with its bar and the place of it', () => {
    const bars = [
      [note('G4')],
      [note('A4', 'half')],
      [note('B4', 'breve')],
      [note('C5', 'whole', { tied: true })],
      [note('D5')],
    ];
    const result = makeTune(draft([{}, {}, {}, {}, {}], [{ name: 'P', bars }]));
    expect(result.ok ? [] : result.error.map((error) => [error.bar, error.index])).toEqual([[4, 3]]);
  });

  it('keeps bars that are not full, and tells of them', () => {
    const bars = [[note('G4')], [note('A4', 'half')], [note('B4', 'breve')], [note('C5', 'whole')], [note('D5')]];
    const tune = made([{}, {}, {}, {}, {}], [{ name: 'P', bars }]);
    expect(irregularBars(tune).map((problem) => [problem.bar, problem.index])).toEqual([
      [2, 1],
      [3, 2],
    ]);
  });

  it('lets a pickup and the last bar make one, in each section', () => {
    const bars = [[note('G4', 'quarter')], [note('A4')], [note('B4', 'half', { value: value('half', 1) })]];
    expect(made([{}, {}, {}], [{ name: 'P', bars }]).bars.map((bar) => bar.number)).toEqual([0, 1, 2]);
  });
});
