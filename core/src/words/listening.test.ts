import { describe, expect, it } from 'vitest';
import { instrument } from '../instruments/index.ts';
import { hearNotes, listenTo, PLAIN_RULE, tuneScore, type Listened, type ListeningRule } from '../listening/index.ts';
import {
  barsOf,
  listenToMade,
  PLAIN_RECORDING,
  recordingOf,
  STILE_AND_GATE,
  STILE_NOTES,
  SURROUNDINGS,
  tuneOf,
  type RecordingRecipe,
} from '../testing/index.ts';
import { listenedWords } from './listening.ts';
import { sayNote } from './stairs.ts';

const recorder = instrument('soprano-recorder-baroque');
const said = (listened: Listened): string =>
  listenedWords(listened, { tune: STILE_AND_GATE, on: recorder, say: sayNote });

describe('a recording held against its tune', () => {
  it.each(SURROUNDINGS)('finds every fault and none besides: %s', (surroundings) => {
    const seed = SURROUNDINGS.indexOf(surroundings) + 50;
    for (const faults of [
      { wrong: 2, extra: 1, slurred: 1 },
      { missed: 1, hesitations: 1, restartAfter: 7 },
    ]) {
      const { recording, assessment } = listenToMade({ ...faults, surroundings, seed, voice: 'whistle' });
      const amiss = (verdicts: readonly string[]) => verdicts.map((kind) => kind !== 'right');
      expect(amiss(assessment.verdicts.map(({ kind }) => kind))).toEqual(amiss(recording.verdicts));
      expect(assessment.extras.filter(({ kind }) => kind === 'extra')).toHaveLength(recording.extras);
      expect(assessment.hesitations).toHaveLength(recording.hesitations);
      expect(assessment.restarts).toHaveLength(recording.restarts);
    }
  });

  it('says what a teacher would say, in one sentence', () => {
    expect(said(listenToMade({}))).toBe('All right, 100 beats a minute.');
    expect(said(listenToMade({ wrong: 1, seed: 4 }))).toMatch(
      /^[A-G] played as (high )?[A-G]( sharp)? in bar \d; the rest is right, \d+ beats a minute\.$/,
    );
    expect(said(listenToMade({ hesitations: 1, seed: 3 }))).toMatch(/^Stops before bar \d; the rest is right/);
    expect(said(listenToMade({ squeaks: 2, seed: 3 }))).toMatch(/^Squeaks twice; the rest is right/);
  });

  it('measures the tempo within 2 %, and says that it is too slow', () => {
    for (const share of [0.66, 0.8, 1, 1.3]) {
      const { assessment } = listenToMade({ tempo: 100 * share });
      expect(assessment.tempo! / (100 * share)).toBeCloseTo(1, 1);
      expect(Math.abs(assessment.tempo! / (100 * share) - 1)).toBeLessThan(0.02);
    }
    const slow = listenToMade({ tempo: 66 }, STILE_NOTES, { ...PLAIN_RULE, tempo: 90 });
    expect(slow.proposal).toMatchObject({ outcome: 'nearly', remarks: ['slow'] });
    expect(said(slow)).toContain('Too slow at 66, not 90');
  });

  it('takes a tune in another octave, or on another instrument, for what it is', () => {
    const up = STILE_NOTES.map((note) => ({ ...note, midi: note.midi + 12 }));
    expect(listenToMade({}, up)).toMatchObject({ assessment: { moved: 12 }, proposal: { outcome: 'passed' } });
    const alto = STILE_NOTES.map((note) => ({ ...note, midi: note.midi - 7 }));
    const heard = listenToMade({ wrong: 1, seed: 6 }, alto);
    expect(heard.assessment.moved).toBe(-7);
    expect(said(heard)).toContain('a different instrument');
    expect(heard.assessment.verdicts.filter(({ kind }) => kind === 'wrong')).toHaveLength(1);
  });

  it('follows who leaves a bar out, repeats a line, or gives up', () => {
    const leftOut = listenToMade({}, barsOf([1, 2, 4, 5, 6, 7, 8]));
    expect(said(leftOut)).toMatch(/^Leaves most of bar 3 out/);
    const again = listenToMade({}, barsOf([1, 2, 3, 4, 1, 2, 3, 4, 5, 6, 7, 8]));
    expect(again.assessment.verdicts.every(({ kind }) => kind === 'right')).toBe(true);
    expect(said(again)).toMatch(/^Starts again from bar 1;/);
    const half = listenToMade({}, barsOf([1, 2, 3, 4]));
    expect(said(half)).toMatch(/^Breaks off after bar 4;/);
    expect(half.proposal).toMatchObject({ outcome: 'not-yet', remarks: ['stopped'] });
  });

  it('lets repeats be left out', () => {
    const repeated = tuneOf('X:1\nT:Twice\nM:4/4\nL:1/4\nQ:1/4=100\nK:G\n|:G A B2|B A G2:|\nA A B c|B A G2|]');
    const once = tuneOf('X:1\nT:Once\nM:4/4\nL:1/4\nQ:1/4=100\nK:G\nG A B2|B A G2|A A B c|B A G2|]');
    for (const played of [repeated, once]) {
      const { samples, rate } = recordingOf(tuneScore(played, recorder).notes, PLAIN_RECORDING);
      const { proposal } = listenTo(hearNotes(samples, rate), repeated, recorder, PLAIN_RULE);
      expect(proposal).toMatchObject({ outcome: 'passed', reasons: [] });
    }
  });
});

describe('a proposal', () => {
  it('goes by the class’s own rule', () => {
    const outcome = (recipe: Partial<RecordingRecipe>, rule: Partial<ListeningRule>) =>
      listenToMade({ seed: 8, ...recipe }, STILE_NOTES, { ...PLAIN_RULE, ...rule }).proposal.outcome;
    expect(outcome({ wrong: 2 }, {})).toBe('nearly');
    expect(outcome({ wrong: 2 }, { kind: 'steady' })).toBe('passed');
    expect(outcome({ wrong: 2 }, { slips: 2 })).toBe('passed');
    expect(outcome({ wrong: 4 }, {})).toBe('not-yet');
    expect(outcome({ hesitations: 1 }, {})).toBe('nearly');
    expect(outcome({ hesitations: 1 }, { kind: 'right' })).toBe('passed');
    expect(outcome({ slurred: 1 }, {})).toBe('passed');
    expect(outcome({ slurred: 1 }, { lookFor: ['tongue'] })).toBe('nearly');
  });

  it('names the forgotten sharp, and the bar to practise', () => {
    const natural = STILE_NOTES.map((note) => (note.unsigned === null ? note : { ...note, midi: note.unsigned }));
    const forgotten = listenToMade({}, natural);
    const { proposal, score } = forgotten;
    expect(said(forgotten)).toMatch(/^F sharp played as F in bars 3 and 7; the rest is right/);
    expect(proposal.remarks).toEqual(['signature']);
    expect(STILE_AND_GATE.bars[score.notes[proposal.practise!]!.barIndex]!.number).toBe(3);
  });

  it('proposes nothing where nothing can be judged', () => {
    const silent = listenTo(hearNotes(new Float32Array(44_100), 22_050), STILE_AND_GATE, recorder, PLAIN_RULE);
    expect(silent.proposal).toMatchObject({ outcome: null, unclear: 'silence' });
    const other = tuneOf('X:1\nT:Other\nM:3/4\nL:1/4\nQ:1/4=140\nK:D\nd e d|c B c|d e f|e3|c B c|e e d|f3|d3|]');
    const unlike = listenToMade({}, tuneScore(other, recorder).notes);
    expect(unlike.proposal).toMatchObject({ outcome: null, unclear: 'other-tune', remarks: [] });
    expect(said(unlike)).toBe('This doesn’t sound like the tune.');
  });
});
