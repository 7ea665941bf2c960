import { describe, expect, it } from 'vitest';
import { planLesson, RUNG_RUNS, type Block, type LessonFacts } from '../lesson/index.ts';
import { USUAL_LADDER } from '../practice/index.ts';
import {
  blockLines,
  blockTitle,
  blockWhyWords,
  goOnWords,
  hearingReachWords,
  leftBehindWords,
  otherWayWords,
  PLAIN_SPEECH,
  rungRunWords,
} from './lesson.ts';
import { substituteLine } from './substitute.ts';

const names: Readonly<Record<string, string>> = { a: 'Ann', x: 'Xi', y: 'Yara' };
const speech = { ...PLAIN_SPEECH, tune: 'Goose Walk', extra: 'Kite', nameOf: (id: string) => names[id]! };
const facts: LessonFacts = {
  minutes: 40,
  seed: 1,
  part: 'first',
  usual: null,
  hearingMinutes: 8,
  step: {
    position: 2,
    title: 'Goose Walk',
    newNotes: ['F#4'],
    knownNotes: ['G4', 'A4', 'B4'],
    newElements: [],
    easier: null,
    extra: 'Kite',
    moves: [{ from: 'G4', to: 'F#4' }],
    hardSpot: null,
    rungs: USUAL_LADDER,
    rungsDone: [],
  },
  queue: [{ pupilId: 'a', reason: 'due', seconds: 70, step: 1 }],
  ahead: ['x'],
  behind: ['y'],
  weak: [],
  open: [],
  noteTaught: false,
  playedThrough: true,
  hearsAfterPlaying: true,
  toClean: 2,
  beltsToHand: 1,
};
const blocks = planLesson(facts).blocks;
const said = (kind: Block['kind']): string => {
  const block = blocks.find((block) => block.kind === kind)!;
  return [blockTitle(block, speech), blockWhyWords(block), ...blockLines(block, speech)].join(' | ');
};

describe('a lesson in words', () => {
  it('says what is done, and why', () => {
    expect(said('settle')).toContain('2 instruments to clean before playing.');
    expect(said('new-note')).toContain('New note: F sharp | New on this step');
    expect(said('moves')).toContain('G to F sharp and back');
    expect(said('hearing')).toContain('Overdue: Ann. | Ahead (Xi): “Kite”, the extra tune.');
    expect(said('hearing')).toContain('Behind (Yara): the hard spot, fingers only.');
    expect(said('together')).toContain('“Goose Walk” with the backing');
  });

  it('names the rhythm of an echo and the note that it is on', () => {
    const warmUp = blocks.find(({ kind }) => kind === 'warm-up')!;
    const echo = (more: Partial<Block>) => blockLines({ ...warmUp, weak: undefined, ...more }, speech)[0];
    const on = (element: string, notes = ['B4', 'A4']) => echo({ weak: { kind: 'rhythm', element }, notes });
    expect(on('note half')).toBe('Echo minims on B: you play four beats, the class answers.');
    expect(on('rest quarter')).toContain('Echo rhythms with crotchet rests on B:');
    expect(on('tie')).toContain('rhythms with ties');
    expect(on('syncopation')).toContain('rhythms with syncopation');
    expect(on('note half', [])).toContain('Echo minims: you');
    expect(echo({ notes: ['B4', 'A4', 'G4', 'E4'] })).toContain('Echo on G, A and B:');
    expect(echo({ weak: { kind: 'move', from: 'B4', to: 'C5' } })).toContain('Echo on B to high C:');
  });

  it('says whom the hearing reaches, and the sums of each other way', () => {
    expect(hearingReachWords({ waiting: 27, reached: 7, lessons: 4, ways: [] })).toBe(
      '7 of 27 fit in; at this pace all are heard in 4 lessons.',
    );
    expect(hearingReachWords({ waiting: 2, reached: 0, lessons: null, ways: [] })).toContain('no turn fits');
    const way = { minutes: 16, lessons: 2, rows: 7, sums: [] };
    expect(otherWayWords({ ...way, way: 'rows' })).toBe('In 7 rows of up to 4: about 16 min, 2 lessons.');
    expect(otherWayWords({ ...way, way: 'recordings' })).toContain('about 16 minutes of listening');
    expect(otherWayWords({ ...way, way: 'hearing-lesson', lessons: 1 })).toContain('1 lesson.');
  });

  it('tells a substitute what to press, what to say, and what the children do', () => {
    const lines = blocks.map((block) => substituteLine(block, speech));
    expect(lines.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(40);
    for (const line of lines) for (const part of [line.press, line.say, line.children]) expect(part).toMatch(/[.”]$/);
  });

  it('says whether the class goes on, and what becomes of the others', () => {
    const rule = { kind: 'share', share: 70 } as const;
    const answer = { rule, goOn: true, passed: 8, heard: 9, of: 10, missing: 0, holding: [], behind: ['a', 'y'] };
    expect(goOnWords(answer)).toBe('Move on: 8 of 10 passed. Your rule is 70%.');
    expect(goOnWords({ ...answer, goOn: false, passed: 6, missing: 1 })).toContain('Stay on this step: 6 of 10 passed');
    expect(leftBehindWords(answer, speech.nameOf)).toContain('Ann and Yara have not passed yet');
    expect(leftBehindWords({ ...answer, goOn: false }, speech.nameOf)).toBeNull();
    expect(goOnWords({ ...answer, of: 0 })).toBe('The class has no pupils yet.');
  });

  it('says how each rung is run', () => {
    expect(rungRunWords(RUNG_RUNS.slow)).toBe('The whole class, slowly, twice: until nobody stops.');
  });
});
