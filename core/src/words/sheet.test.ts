import { describe, expect, it } from 'vitest';
import { instrument } from '../instruments/index.ts';
import { tuneOf } from '../testing/index.ts';
import { sheetWords, type SheetSpeech } from './sheet.ts';

const on = instrument('soprano-recorder-baroque');
const LETTERS: SheetSpeech = { on, naming: 'letters', lengths: 'american' };
const read = (body: string, speech = LETTERS, head = 'M:4/4\nL:1/4\nK:G') =>
  sheetWords(tuneOf(`X:1\nT:Read aloud\n${head}\n${body}`), speech);

describe('a sheet read aloud', () => {
  it('goes bar by bar, with its time first', () => {
    expect(read('B A G2|F z c2|]')).toEqual([
      '4/4 time, 2 bars.',
      'Bar 1: B quarter note, A quarter note, G half note.',
      'Bar 2: F sharp quarter note, quarter rest, high C half note.',
    ]);
  });

  it('is said in the class’s names and lengths', () => {
    expect(read('B3/2 A/ z2|]', { on, naming: 'fixed-do', lengths: 'british' })[1]).toBe(
      'Bar 1: ti dotted crotchet, la quaver, minim rest.',
    );
  });

  it('says pickups, ties and repeats', () => {
    const words = read('G|B2-B A|1 G3:|2 G4|]', LETTERS, 'M:4/4\nL:1/4\nK:G');
    expect(words[1]).toBe('Pickup: G quarter note.');
    expect(words[2]).toBe('Bar 1: B half note, held over, B quarter note, A quarter note.');
    expect(words[3]).toBe('Bar 2: G dotted half note; only time 1; repeat.');
    expect(words[4]).toContain('only time 2');
  });

  it('says the second part after the first', () => {
    expect(read('V:1\nB2 A2|]\nV:2\nG2 G2|]')[1]).toBe(
      'Bar 1: B half note, A half note; second part: G half note, G half note.',
    );
  });
});
