import { describe, expect, it } from 'vitest';
import { costParts, instrument, moveBetween } from '../instruments/index.ts';
import { pitch, staffStep } from '../music/index.ts';
import { bridgeBetween, bridgeTo } from '../practice/index.ts';
import { NOTHING_KNOWN, readTune } from '../reading/index.ts';
import { tuneOf } from '../testing/index.ts';
import {
  breathWords,
  bridgeWords,
  costWords,
  describeMove,
  elementWords,
  gapWords,
  hardSpotWords,
  intervalWords,
  shiftWords,
  signWords,
  staffPlace,
  trapWords,
} from './index.ts';

const recorder = instrument('soprano-recorder-baroque');
const pitches = (names: string) => names.split(' ').map(pitch);

describe('words for a tune', () => {
  it('says elements in both vocabularies', () => {
    expect(elementWords('note dotted-quarter', 'british')).toBe('dotted crotchet');
    expect(elementWords('rest half', 'american')).toBe('half rest');
    expect(elementWords('note eighth in 3', 'british')).toBe('quaver in a triplet');
    expect(elementWords('syncopation', 'british')).toBe('syncopation');
  });

  it('says signs', () => {
    expect(signWords('metre 3/4')).toBe('3/4 time');
    expect(signWords('key -1')).toBe('key signature of 1 flat');
    expect(signWords('key 2')).toBe('key signature of 2 sharps');
  });

  it('says how far it is moved, and how far two notes are apart', () => {
    expect(shiftWords(2)).toBe('up a tone');
    expect(shiftWords(-12)).toBe('down an octave');
    expect([1, 6, 10].map(intervalWords)).toEqual(['a minor second', 'a tritone', 'a minor seventh']);
  });

  it('says why a spot is hard and a breath is here', () => {
    const reading = readTune(
      tuneOf('X:1\nT:Test\nM:4/4\nL:1/4\nQ:1/4=84\nK:G\nA2 E2|A2 E2|\nG2 A2|G4|]\n'),
      recorder,
      NOTHING_KNOWN,
    );
    expect(hardSpotWords(reading.hardSpots[0]!.hardest)).toBe(
      'A4 to E4: three fingers land together, in both hands, twice; the move is new.',
    );
    const why = (...reasons: (typeof reading.breaths)[number]['reasons']): string =>
      breathWords({ ...reading.breaths[0]!, reasons });
    expect(why('line-end', 'long-note')).toBe('at the end of a line, after a long note');
    expect(why()).toBe('before the air runs out');
  });

  it('says where a note stands', () => {
    const place = (name: string): string => staffPlace(staffStep(pitch(name)));
    expect(['E4', 'G4', 'B4', 'D5', 'F5'].map(place)).toEqual(
      ['first', 'second', 'third', 'fourth', 'fifth'].map((line) => `on the ${line} line`),
    );
    expect(['F4', 'A4', 'C5', 'E5'].map(place)).toEqual(
      ['first', 'second', 'third', 'fourth'].map((s) => `in the ${s} space`),
    );
    expect(place('D4')).toBe('hanging under the staff');
    expect(place('C4')).toBe('on the first ledger line below');
    expect(place('B3')).toBe('hanging under the first ledger line below');
    expect(place('G5')).toBe('sitting on top of the staff');
    expect(place('A5')).toBe('on the first ledger line above');
  });
});

describe('words for moves', () => {
  const move = (from: string, to: string, instrument = recorder) => moveBetween(instrument, pitch(from), pitch(to))!;

  it('says what the fingers do', () => {
    expect(describeMove(move('A4', 'E4'))).toBe('three fingers land together, in both hands');
    expect(describeMove(move('C5', 'D5'))).toBe('only the thumb lifts');
    expect(describeMove(move('F4', 'E4'))).toBe('one finger lands while two fingers lift');
    expect(describeMove(move('G4', 'G4'))).toContain('tongue');
    expect(describeMove(move('E4', 'E5', instrument('tin-whistle-d')))).toContain('breath');
  });

  it('says what a cost is made of', () => {
    const words = (from: string, to: string): string => costParts(recorder, move(from, to)).map(costWords).join(', ');
    expect(words('D4', 'C4')).toBe(
      'one finger, landing: seal the hole, the right hand, the little finger, seven holes to seal',
    );
    expect(words('A4', 'D4')).toContain('two fingers more');
  });
});

describe('the bridge from a known note', () => {
  const words = (note: string, known: string): string => bridgeWords(bridgeTo(recorder, pitch(note), pitches(known))!);

  it('says what changes', () => {
    expect(words('A4', 'B4')).toBe('B, and one more finger');
    expect(words('E4', 'B4 A4 G4')).toBe('G, and two more fingers');
    expect(words('D5', 'C5 A4')).toBe('C, without the thumb');
    expect(words('C5', 'B4 A4')).toBe('A, and one finger fewer');
    expect(words('Bb4', 'A4')).toBe('A, but two fingers land while one finger lifts, in both hands');
  });

  it('speaks of breath on the whistle, and of nothing without a known note', () => {
    const whistle = instrument('tin-whistle-d');
    expect(bridgeWords(bridgeTo(whistle, pitch('E5'), pitches('E4'))!)).toBe('E, and more breath');
    expect(bridgeWords(bridgeTo(whistle, pitch('G5'), pitches('A5'))!)).toBe('A, and one more finger');
    expect(bridgeTo(recorder, pitch('B4'), [])).toBeNull();
    expect(bridgeBetween(recorder, pitch('C3'), pitch('B4'))).toBeNull();
    expect(bridgeWords(bridgeBetween(whistle, pitch('B4'), pitch('E5'))!)).toBe(
      'B, and four more fingers, and more breath',
    );
  });
});

describe('words for echo patterns', () => {
  it('says what may go wrong, and why a grade has none', () => {
    const [from, to] = [pitch('B4'), pitch('F#4')];
    expect(trapWords({ kind: 'skip', from, to })).toBe('Skips from B to F sharp.');
    const doubles = { kind: 'skip', from: pitch('F##4'), to: pitch('Bbb4') } as const;
    expect(trapWords(doubles)).toBe('Skips from F double sharp to B double flat.');
    expect(trapWords({ kind: 'link', on: from, after: to })).toBe('Starts on B; the last one ended on F sharp.');
    expect(gapWords('two-notes-only')).toBe('Needs three notes.');
  });
});
