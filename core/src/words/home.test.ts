import { describe, expect, it } from 'vitest';
import { hearNotes, listenTo, PLAIN_RULE, stretchScore, tuneScore } from '../listening/index.ts';
import { instrument } from '../instruments/index.ts';
import { listenToMade, STILE_AND_GATE, STILE_NOTES, type RecordingRecipe } from '../testing/index.ts';
import { kindTogether, kindWords } from './home.ts';
import { sayNote } from './stairs.ts';

const on = instrument('soprano-recorder-baroque');
const kind = (recipe: Partial<RecordingRecipe>, played = STILE_NOTES) =>
  kindWords(listenToMade(recipe, played), { tune: STILE_AND_GATE, on, say: sayNote });

describe('what a child hears of a recording', () => {
  it('is praise where nothing is to be mended', () => {
    expect(kind({})).toEqual({ good: 'Every note is there. Lovely!', next: [] });
  });

  it('is what went well, and at most two things to do, by their bars; never a mark', () => {
    const { good, next } = kind({ wrong: 2, hesitations: 2, squeaks: 1, seed: 4 });
    expect(good).toMatch(/^(Nearly all of it|A good part of it) is right\.$/);
    expect(next).toHaveLength(2);
    expect(next[0]).toMatch(/^(Practise into bar \d without stopping|(One|Two) notes? to fix: .* in bars? .*)\.$/);
    expect([good, ...next].join(' ')).not.toMatch(/\d+ ?(%|of|out of|\/)/);
  });

  it('says what to do where nothing could be heard', () => {
    const nothing = listenTo(hearNotes(new Float32Array(44_100), 22_050), STILE_AND_GATE, on, PLAIN_RULE);
    expect(kindWords(nothing, { tune: STILE_AND_GATE, on, say: sayNote })).toEqual({
      good: 'I could not hear you.',
      next: ['Sit closer to the device and try again.'],
    });
  });

  it('is put together from short takes', () => {
    const right = { good: 'Every note is there. Lovely!', next: [] };
    const wrong = { good: 'Nearly all of it is right.', next: ['One note to fix: B in bar 2.'] };
    expect(kindTogether([right, right])).toEqual({ good: 'Every one came back right. Lovely!', next: [] });
    expect(kindTogether([right, wrong, wrong])).toEqual({ good: 'One of three came back right.', next: wrong.next });
    expect(kindTogether([wrong]).good).toBe('Listen once more, then play it back.');
  });
});

describe('a stretch of a tune', () => {
  it('is its notes once, from its own beginning', () => {
    const full = tuneScore(STILE_AND_GATE, on);
    const stretch = stretchScore(full, { from: { barIndex: 1, eventIndex: 1 }, to: { barIndex: 2, eventIndex: 0 } });
    expect(stretch.notes.map(({ barIndex, eventIndex, onset }) => [barIndex, eventIndex, onset])).toEqual([
      [1, 1, 0],
      [1, 2, 1],
      [2, 0, 3],
    ]);
    expect(
      stretchScore(full, { from: { barIndex: 90, eventIndex: 0 }, to: { barIndex: 99, eventIndex: 0 } }).notes,
    ).toEqual([]);
  });
});
