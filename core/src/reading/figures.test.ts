import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readAbc, writeAbc } from '../formats/index.ts';
import { instrument } from '../instruments/index.ts';
import type { Tune } from '../music/index.ts';
import { anyTune } from '../testing/index.ts';
import { figuresOf } from './figures.ts';
import { chooseNotes, NOTHING_KNOWN, readTune, syllableAt } from './index.ts';

function tune(body: string, head = 'M:4/4\nL:1/4\nQ:1/4=80\nK:G'): Tune {
  const read = readAbc(`X:1\nT:Test\n${head}\n${body}\n`);
  if (!read.ok) throw new Error(read.error[0]?.message);
  return read.value.tune;
}

const named = (music: Tune) =>
  figuresOf(music).map(
    ({ letter, kind, places, oddOneOut }) =>
      `${letter} ${kind} ${places.map(({ bars }) => bars.join('-')).join(' ')}${oddOneOut === null ? '' : `, not ${oddOneOut.bars.join('-')}`}`,
  );

describe('figures', () => {
  it('are the stretches that come again, and the one that ends differently', () => {
    expect(named(tune('G A B c|d2 B2|A B c A|B4|\nG A B c|d2 B2|G2 E2|D4|\nG A B c|d2 G2|A2 D2|G4|]'))[0]).toBe(
      'a exact 1-2 5-6, not 9-10',
    );
  });

  it('are three notes and more inside a bar, too', () => {
    expect(named(tune('G A B c|d B A2|G A B d|c4|]'))).toContain('a exact 1-1 3-3');
  });

  it('are the same shape from another note, and the same rhythm with other notes', () => {
    expect(named(tune('G A B G|A B c A|d4|G4|]'))).toContain('a shape 1-1 2-2');
    expect(named(tune('G A/B/ c2|d B/A/ G2|A4|G4|]'))).toContain('a rhythm 1-1 2-2');
  });

  it('are no bars that only rest', () => {
    expect(named(tune('z4|z4|G A B c|z4|z4|d4|]'))).toEqual([]);
  });

  it('have places that hold the same notes, whatever the tune', () => {
    fc.assert(
      fc.property(anyTune, (music) => {
        for (const { kind, places } of figuresOf(music)) {
          expect(places.length).toBeGreaterThan(1);
          if (kind === 'exact') expect(new Set(places.map(({ notes }) => notes.join(' '))).size).toBe(1);
          else expect(new Set(places.map(({ notes }) => notes.length)).size).toBe(1);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('the words of a tune', () => {
  const { sung } = readTune(
    tune('G2 A2|B/A/ G A2|G3 z|]\nw: Down the\nw: gar-den path a-\nw: way', 'M:4/4\nL:1/4\nK:G'),
    instrument('soprano-recorder-baroque'),
    NOTHING_KNOWN,
  );

  it('say on which word a note falls, also while it is held', () => {
    const song = readTune(
      tune('G2 A2|B A G2|]\nw: Down the gar-_ den', 'M:4/4\nL:1/4\nK:G'),
      instrument('soprano-recorder-baroque'),
      NOTHING_KNOWN,
    ).sung!;
    expect(syllableAt(song, { barIndex: 0, eventIndex: 1 })?.word).toBe('the');
    expect(syllableAt(song, { barIndex: 1, eventIndex: 1 })).toMatchObject({ word: 'garden', syllable: 'gar' });
    expect(sung).not.toBeNull();
  });

  it('are said to drag where the stress falls off the beat', () => {
    const drags = (words: string) =>
      readTune(
        tune(`G/ A/ B/ A/ G2|]\nw: ${words}`, 'M:4/4\nL:1/4\nK:G'),
        instrument('soprano-recorder-baroque'),
        NOTHING_KNOWN,
      ).sung!.offBeat.map(({ word, syllable }) => `${syllable} of ${word}`);
    expect(drags('The gar-den path now')).toEqual(['gar of garden']);
    expect(drags('gar-den path-way now')).toEqual([]);
    expect(drags('a-way to-day now')).toEqual(['way of away', 'day of today']);
  });
});

describe('either-or notes', () => {
  const music = tune('G A [De]2|[De]- [De] G2|]');
  const played = (...notes: string[]) =>
    writeAbc(chooseNotes(music, { notes: new Set(notes) }))
      .trim()
      .split('\n')
      .at(-1);

  it('stay both on the sheet', () => {
    expect(writeAbc(music)).toContain('[De]');
  });

  it('become what the class knows; the upper one when it knows both or neither', () => {
    expect(played('D4', 'G4')).not.toContain('e');
    expect(played('D4')).not.toContain('e');
    expect(played('D4', 'E5')).not.toContain('D');
    expect(played()).not.toContain('D');
  });
});
