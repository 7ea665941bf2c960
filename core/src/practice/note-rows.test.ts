import { readAbc } from '../formats/index.ts';
import { instrument } from '../instruments/index.ts';
import { USUAL_SAYINGS } from '../music/index.ts';
import type { NoteRow } from './teaching.ts';
import { expect, it } from 'vitest';
import { rowsUnder } from './note-rows.ts';

const read = readAbc('X:1\nT:T\nM:4/4\nL:1/4\nK:G\nB A G z|B/ A B/ G2|]\nw: gar-den path now _ * here\n');
if (!read.ok) throw new Error(read.error[0]?.message);
const { tune } = read.value;

function bar(index: number, ...rows: NoteRow[]) {
  const under = rowsUnder(tune, instrument('soprano-recorder-baroque'), { rows, counting: 'ta' });
  return tune.parts[0].bars[index]!.map((_, event) =>
    under(index, event)
      .map((text) => text ?? '-')
      .join('/'),
  );
}

it('writes the rows in their order, a rest only where it is counted', () => {
  expect(bar(0, { kind: 'finger-count', fill: 'full' }, { kind: 'counting', fill: 'full' })).toEqual([
    '1/ta',
    '2/ta',
    '3/ta',
    '-/sh',
  ]);
  expect(bar(0, { kind: 'words', fill: 'full' })).toEqual(['gar-', 'den', 'path', '-']);
});

it('writes only the first of a kind, or leaves room to write', () => {
  expect(bar(1, { kind: 'letters', fill: 'first' })).toEqual(['-', '-', '-', '-']);
  expect(bar(0, { kind: 'letters', fill: 'blank' })).toEqual(['.....', '.....', '.....', '-']);
});

it('says syncopation and rests as the class does', () => {
  const said = (syncopation: 'syn-co-pa' | 'ti-ta-ti' | 'numbers', rest = '') => {
    const rows: NoteRow[] = [{ kind: 'counting', fill: 'full' }];
    const sayings = { ...USUAL_SAYINGS, syncopation, rest };
    const under = rowsUnder(tune, instrument('soprano-recorder-baroque'), { rows, counting: 'ta', sayings });
    return [0, 1].map((index) => tune.parts[0].bars[index]!.map((_, event) => under(index, event)[0]).join(' '));
  };
  expect(said('syn-co-pa')[1]).toBe('syn co pa ta-a');
  expect(said('ti-ta-ti')[1]).toBe('ti ta ti ta-a');
  expect(said('numbers')[1]).toBe('1 &-2 & ta-a');
  expect(said('ti-ta-ti', 'out')[0]).toBe('ta ta ta out');
});
