import { describe, expect, it } from 'vitest';
import { instrument, primaryFingering } from '../instruments/index.ts';
import {
  barLength,
  midiNumber,
  parsePitch,
  pitch,
  staffStep,
  sum,
  toNumber,
  valueLength,
  type Metre,
  type Tune,
  type TuneEvent,
} from '../music/index.ts';
import { tuneOf } from '../testing/index.ts';
import {
  KINDS,
  madeUpClass,
  makeHandout,
  NoHandout,
  USUAL_OPTIONS,
  usualRequest,
  type Answer,
  type Handout,
  type HandoutKind,
  type HandoutRequest,
  type SheetMusic,
} from './index.ts';

const FOUR_FOUR: Metre = { count: 4, unit: 4 };
const ON = instrument('soprano-recorder-baroque');
const TUNE = tuneOf(
  [
    ...['X:1', 'T:Stile and Gate', 'M:4/4', 'L:1/4', 'Q:1/4=100', 'K:G', 'G A B2|B A G2|G A B A|B A G2|'],
    'G A B2|B A A2|A G A B|B A G2|]',
  ].join('\n'),
);
const request = (more: Partial<HandoutRequest> = {}): HandoutRequest =>
  usualRequest({
    seed: 7,
    notes: ['D4', 'E4', 'G4', 'A4', 'B4'].map(pitch),
    counting: 'ta',
    tune: TUNE,
    elements: new Set(['note quarter', 'note half', 'note eighth', 'rest quarter']),
    ...more,
  });
const made = (kind: HandoutKind, more: Partial<HandoutRequest> = {}): Handout => makeHandout(kind, request(more));
const refusal = (kind: HandoutKind, more: Partial<HandoutRequest>): string => {
  try {
    made(kind, more);
  } catch (problem) {
    if (problem instanceof NoHandout) return problem.message;
    throw problem;
  }
  return '';
};

/** All music of a sheet, in order: blocks and boxes. */
const musicOf = (handout: Handout): readonly SheetMusic[] =>
  handout.sections.flatMap(({ blocks }) =>
    blocks.flatMap((block) => {
      if (block.kind === 'music') return [block.music];
      const boxes =
        block.kind === 'tiles' ? block.tiles : block.kind === 'match' ? [...block.left, ...block.right] : [];
      return boxes.flatMap(({ picture }) => (picture?.kind === 'music' ? [picture.music] : []));
    }),
  );
const eventsOf = (tune: Tune): readonly TuneEvent[] => tune.parts[0].bars.flat();
const pitchesOf = (music: SheetMusic): readonly string[] =>
  eventsOf(music.tune).flatMap((event) =>
    event.kind === 'note' ? [`${event.pitch.letter}${event.pitch.octave}`] : [],
  );
const lengthOf = (event: TuneEvent): number => toNumber(valueLength(event.value));
const fact = <Value>({ facts }: Answer, name: string): Value => facts[name] as Value;

describe('every handout', () => {
  it('is the same from the same seed, and other tasks from another', () => {
    for (const { kind, hasKey } of KINDS) {
      expect(made(kind), kind).toEqual(made(kind));
      const tasks = ['note-hunt', 'note-names', 'spell-words', 'complete-bar'];
      if (hasKey && tasks.includes(kind))
        expect(
          [2, 3, 4].some((seed) => JSON.stringify(made(kind, { seed }).key) !== JSON.stringify(made(kind).key)),
          kind,
        ).toBe(true);
    }
  });

  it('has an answer for each task, numbered from 1', () => {
    for (const { kind, hasKey } of KINDS) {
      const { key } = made(kind);
      expect(key.length > 0, kind).toBe(hasKey);
      expect(
        key.map(({ number }) => number),
        kind,
      ).toEqual(key.map((_, index) => index + 1));
    }
  });

  it('says in a sentence what it lacks', () => {
    expect(refusal('tune-sheet', { tune: null })).toBe('Choose a tune for this sheet.');
    expect(refusal('note-names', { notes: [] })).toBe('Choose at least one note.');
    expect(refusal('note-match', { notes: [pitch('B4')] })).toBe('This sheet needs at least 2 different notes.');
    expect(refusal('note-names', { notes: [pitch('C2')] })).toMatch(/^The Soprano recorder.* has no /);
    expect(refusal('note-names', { count: 5000 })).toBe('From 1 to 60 fit on this sheet.');
    expect(refusal('spell-words', { notes: ['G4', 'F#4'].map(pitch) })).toMatch(/^G don’t spell any word/);
    expect(refusal('rhythm-cards', { elements: new Set() })).toMatch(/can’t fill a bar/);
    expect(refusal('class-list', { schoolClass: { ...madeUpClass(), pupils: [] } })).toBe(
      'The class has no pupils yet.',
    );
    expect(refusal('booklet', { schoolClass: { ...madeUpClass(), steps: [] } })).toMatch(/no staircase/);
    expect(refusal('family-letter', { words: 'Dear {famly}' })).toMatch(
      /^There is no field \{famly\}\. You can use \{pupil\}/,
    );
  });
});

describe('the keys of note work, solved again from the sheet', () => {
  it('counts the notes that are to be circled', () => {
    const hunt = made('note-hunt');
    musicOf(hunt).forEach((music, index) => {
      const wanted = fact<string>(hunt.key[index]!, 'wanted');
      expect(hunt.key[index]!.answer).toBe(String(pitchesOf(music).filter((name) => name === wanted).length));
    });
    expect(musicOf(hunt)).toHaveLength(hunt.key.length);
  });

  it('names the notes that are shown', () => {
    const names = made('note-names');
    expect(musicOf(names).map((music) => pitchesOf(music)[0]![0])).toEqual(names.key.map(({ answer }) => answer));
  });

  it('spells with the notes that are shown', () => {
    const words = made('spell-words');
    expect(
      musicOf(words).map((music) =>
        pitchesOf(music)
          .map((name) => name[0])
          .join(''),
      ),
    ).toEqual(words.key.map(({ answer }) => answer));
  });

  it('tells higher from lower by the pitch', () => {
    const pairs = made('higher-lower');
    musicOf(pairs).forEach((music, index) => {
      const [a, b] = pitchesOf(music).map((name) => midiNumber(pitch(name)));
      expect(pairs.key[index]!.answer).toBe(b! > a! ? 'higher' : b! < a! ? 'lower' : 'the same');
    });
  });

  it('matches each note with the chart that has its fingering', () => {
    const match = made('note-match');
    const [block] = match.sections[0]!.blocks.flatMap((block) => (block.kind === 'match' ? [block] : []));
    block!.left.forEach((tile, index) => {
      const { answer } = match.key[index]!;
      const chart = block!.right.find(({ label }) => label === answer)!.picture;
      const music = tile.picture?.kind === 'music' ? tile.picture.music : null;
      const right = primaryFingering(ON, pitch(pitchesOf(music!)[0]!));
      expect(chart?.kind === 'fingering' ? chart.fingering?.holes : null).toEqual(right!.holes);
    });
  });

  it('finds the mistakes by comparing holes', () => {
    const mistakes = made('fingering-mistake');
    for (const answer of mistakes.key) {
      const right = primaryFingering(ON, parsePitch(fact(answer, 'note'))!)!.holes.join();
      const isRight = fact<readonly string[]>(answer, 'drawn').join() === right;
      expect(answer.answer === 'Yes').toBe(isRight);
    }
    expect(new Set(mistakes.key.map(({ answer }) => answer === 'Yes')).size).toBe(2);
  });

  it('knows the stair and the place on the staff', () => {
    const stairs = made('staff-to-stairs');
    for (const answer of stairs.key) {
      const names = fact<readonly string[]>(answer, 'stairs');
      const heights = names.map((name) => midiNumber(pitch(name)));
      expect(heights).toEqual(heights.toSorted((a, b) => a - b));
      expect(names[fact<number>(answer, 'stair') - 1]).toBe(fact(answer, 'note'));
    }
    for (const answer of made('note-draw').key)
      expect(fact(answer, 'step')).toBe(staffStep(pitch(fact(answer, 'note'))));
  });
});

describe('the keys of rhythm work, added up again', () => {
  it('finds the missing length by subtraction', () => {
    const bars = made('complete-bar');
    musicOf(bars).forEach(({ tune, covered }, index) => {
      const events = eventsOf(tune);
      const rest = events
        .filter((_, place) => place !== covered[0]!.eventIndex)
        .reduce((all, event) => all + lengthOf(event), 0);
      const whole = toNumber(barLength(tune.bars[0]!.metre));
      expect(whole - rest).toBeCloseTo(fact(bars.key[index]!, 'missingLength'), 9);
    });
  });

  it('puts bar lines where the beats are full', () => {
    const lines = made('bar-lines');
    musicOf(lines).forEach(({ tune }, index) => {
      const ends: number[] = [];
      let [beats, count] = [0, 0];
      for (const event of eventsOf(tune)) {
        beats += lengthOf(event);
        count += 1;
        if (Math.abs(beats - 1) < 1e-9) {
          ends.push(count);
          beats = 0;
        }
      }
      expect(ends.slice(0, -1)).toEqual(fact(lines.key[index]!, 'ends'));
    });
  });

  it('lays the back of a card behind its front', () => {
    const cards = made('rhythm-cards');
    const [front, back] = cards.sections.map(({ blocks }) =>
      blocks.flatMap((block) => (block.kind === 'tiles' ? block.tiles : [])),
    );
    front!.forEach((tile, index) => {
      const [row, column] = [Math.floor(index / 3), index % 3];
      const behind = back![row * 3 + (2 - column)]!;
      expect(behind.label).toBe(String(tile.number));
      expect(behind.caption).toBe(cards.key[tile.number! - 1]!.answer);
    });
  });

  it('lets the four own bars add up', () => {
    expect(made('write-bars').key[0]!.answer).toBe('Each bar has 4 beats, 4 bars have 16.');
    expect(fact(made('write-bars').key[0]!, 'total')).toBe(4 * toNumber(sum([barLength(FOUR_FOUR)])));
  });

  it('says each rhythm as the class counts', () => {
    expect(made('clap-tick').key.map(({ answer }) => answer)).toContain('ta-a ta ta');
    const match = made('match-syllables');
    for (const { answer, facts } of match.key) {
      const [letter, words] = answer.split(': ');
      const order = facts.order as readonly string[];
      expect(order[letter!.codePointAt(0)! - 65]).toBe(words);
    }
  });
});

describe('the keys of pattern work, compared again', () => {
  const barText = (tune: Tune, index: number): string =>
    tune.parts[0].bars[index]!.map(
      (event) => `${event.kind === 'note' ? event.pitch.letter : 'z'}${lengthOf(event)}`,
    ).join(' ');

  it('groups bars that are the same note for note', () => {
    const same = made('same-bars');
    for (const answer of same.key) {
      const bars = fact<readonly number[]>(answer, 'bars');
      expect(new Set(bars.map((bar) => barText(TUNE, bar - 1))).size).toBe(1);
    }
  });

  it('finds the note from which two bars differ', () => {
    const [first] = made('where-changes').key;
    const [a, b] = fact<readonly [number, number]>(first!, 'bars').map((bar) => barText(TUNE, bar - 1).split(' '));
    const at = fact<number>(first!, 'differsAt') - 1;
    expect(a!.slice(0, at)).toEqual(b!.slice(0, at));
    expect(a![at]).not.toBe(b![at]);
  });

  it('numbers mixed-up lines in the order of the tune', () => {
    const order = made('order-lines');
    const lines = musicOf(order);
    const heads = order.key.map(({ answer }) => barText(lines[answer.charCodeAt(0) - 65]!.tune, 0));
    expect(heads).toEqual([barText(TUNE, 0), barText(TUNE, 4)]);
    expect(order.key.map(({ answer }) => answer).join('')).not.toBe('AB');
  });
});

describe('papers of a class', () => {
  it('say nothing of other children in a letter', () => {
    const { sections } = made('family-letter', { words: '{pupil} in {class}' });
    expect(sections).toHaveLength(8);
    const [first] = sections;
    expect(JSON.stringify(first)).toContain('Abena in 3 Heron');
    expect(JSON.stringify(first)).not.toContain('Bruno');
  });

  it('give a certificate to whoever has passed something, and a slip for each belt', () => {
    expect(made('certificate').sections.map(({ title }) => title)).toEqual([
      'Bruno',
      'Cleo',
      'Darja',
      'Fenna',
      'Goran',
      'Hana',
    ]);
    expect(JSON.stringify(made('certificate').sections[1])).toContain('Cleo has passed 2 steps in 3 Heron.');
    expect(JSON.stringify(made('belt-slips'))).toContain('Moss belt: “Down the Lane”');
  });

  it('write of a new note, a pass or a recital, each to whom it is about', () => {
    const letter = (id: 'new-note' | 'pass' | 'recital') => made('family-letter', { letter: id }).sections;
    expect(JSON.stringify(letter('new-note')[0])).toContain('we are learning “Down the Lane”. New notes: G.');
    expect(letter('pass').map(({ title }) => title)).not.toContain('To the family of Abena');
    expect(JSON.stringify(letter('pass')[1])).toContain('Cleo has passed 2 steps in 3 Heron and earned the Moss belt.');
    expect(JSON.stringify(letter('recital')[0])).toContain('Please send Abena with the instrument');
  });

  it('say what to practise in ten minutes, with the music of each part', () => {
    const sheet = made('ten-minutes');
    const heads = sheet.sections[0]!.blocks.flatMap((block) =>
      block.kind === 'text' && block.look === 'head' ? [block.text] : [],
    );
    expect(heads[0]).toBe('1. Warm up – two minutes');
    expect(heads.at(-1)).toBe('Tick each day you practise:');
    expect(musicOf(sheet).at(-1)!.tune.title).toBe('Stile and Gate');
    expect(refusal('ten-minutes', { tune: null })).toBe('Choose a tune for this sheet.');
  });

  it('plan the next lesson for a substitute, minute by minute', () => {
    const [block] = made('substitute-plan').sections[0]!.blocks.flatMap((block) =>
      block.kind === 'table' ? [block] : [],
    );
    const minutes = block!.rows.map(([when]) => when!.split('–').map(Number));
    expect(minutes[0]![0]).toBe(0);
    expect(minutes.at(-1)![1]).toBe(40);
    for (const [index, [from]] of minutes.entries()) if (index > 0) expect(from).toBe(minutes[index - 1]![1]);
    expect(JSON.stringify(block!.rows)).toContain('Down the Lane');
    expect(refusal('substitute-plan', { schoolClass: { ...madeUpClass(), lesson: [] } })).toMatch(
      /^There is no lesson/,
    );
  });

  it('tick the steps that were passed, in whatever order', () => {
    const klass = madeUpClass();
    const [abena] = klass.pupils;
    const schoolClass = { ...klass, pupils: [{ ...abena!, passed: [0, 2] }] };
    const [block] = made('board', { schoolClass }).sections[0]!.blocks;
    expect(block!.kind === 'table' ? block!.rows : []).toEqual([['Abena', '✓', '', '✓', '']]);
    expect(JSON.stringify(made('belt-slips', { schoolClass }))).toContain('Slate belt: “Rain at Noon”');
  });

  it('give an instrument’s number where one is lent, and none otherwise', () => {
    const klass = madeUpClass();
    const pupils = klass.pupils
      .slice(0, 2)
      .map((pupil, index) => ({ ...pupil, instrumentNumber: index === 0 ? 12 : null }));
    const text = JSON.stringify(made('labels', { schoolClass: { ...klass, pupils } }));
    expect(text).toContain('3 Heron · No. 12');
    expect(text).toContain('"caption":"3 Heron"');
  });

  it('bring a booklet with each step’s new notes before its tune', () => {
    const booklet = made('booklet');
    expect(booklet.sections.map(({ title }) => title)).toEqual([
      ...['3 Heron', 'Contents', 'How to hold it and how to blow', 'Two Windows', 'Down the Lane', 'Rain at Noon'],
      ...['The Long Stair', 'What I have passed', 'Fingering chart: Soprano recorder, baroque fingering'],
    ]);
    expect(JSON.stringify(booklet.sections[4])).toContain('New note: G, on the second line');
  });
});

describe('a tune sheet', () => {
  const sheet = (options: Partial<typeof USUAL_OPTIONS>, more: Partial<HandoutRequest> = {}): SheetMusic =>
    musicOf(made('tune-sheet', { options: { ...USUAL_OPTIONS, ...options }, ...more })).at(-1)!;

  it('shows what is asked for and nothing else', () => {
    expect(sheet({})).toMatchObject({ rows: [{ kind: 'letters', fill: 'first' }], fingerings: false, shades: [] });
    expect(sheet({ names: 'none', counting: true }).rows).toEqual([{ kind: 'counting', fill: 'full' }]);
    expect(sheet({ form: true }).letters.map(({ letter }) => letter)).toEqual(['A', 'B']);
    expect(sheet({ form: false, breaths: false, hardSpot: false })).toMatchObject({
      letters: [],
      breaths: [],
      bracket: null,
    });
    expect(sheet({ shades: true }).shades[0]).toEqual([0, 4]);
  });

  it('breathes where the teacher says, else where a breath carries', () => {
    const own = [{ barIndex: 0, eventIndex: 1 }];
    expect(sheet({}, { breathing: { seconds: 6, kept: own } }).breaths).toEqual(own);
    const short = sheet({}, { breathing: { seconds: 3, kept: null } }).breaths;
    const long = sheet({}, { breathing: { seconds: 12, kept: null } }).breaths;
    expect(short.length).toBeGreaterThan(long.length);
  });

  it('names notes in the class’s way, on the sheet and in its line, by the key of the tune', () => {
    const words = JSON.stringify(made('tune-sheet', { naming: 'fixed-do', notes: [pitch('G4')] }));
    expect(words).toContain('New: la, ti.');
    const movable = made('note-names', { naming: 'movable-do', notes: ['G4', 'A4', 'B4'].map(pitch) });
    expect(new Set(movable.key.map(({ answer }) => answer))).toEqual(new Set(['do', 're', 'mi']));
  });

  it('has the easier line over the tune, and the sheet twice where two are cut from a page', () => {
    expect(musicOf(made('tune-sheet', { easier: TUNE }))).toHaveLength(2);
    expect(musicOf(made('tune-sheet', { options: { ...USUAL_OPTIONS, twoToPage: true } }))).toHaveLength(2);
  });
});
