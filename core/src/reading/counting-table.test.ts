import { describe, expect, it } from 'vitest';
import { readAbc } from '../formats/index.ts';
import { countTune, COUNTINGS } from '../music/index.ts';

/** A bar in ABC with L:1/4, and how it is counted: by numbers, ta, the beat's function, the place in the beat. */
type Row = readonly [metre: string, bar: string, numbers: string, ta: string, byFunction: string, byPlace: string];

/** Every value in every metre, in every school. What is in brackets is not struck: rests, and what is held over. */
const TABLE: readonly Row[] = [
  ['4/4', 'A4', '1-2-3-4', 'ta-a-a-a', 'du', 'ta'],
  ['4/4', 'A2 A2', '1-2 3-4', 'ta-a ta-a', 'du du', 'ta ta'],
  ['4/4', 'A A A A', '1 2 3 4', 'ta ta ta ta', 'du du du du', 'ta ta ta ta'],
  ['4/4', 'A3 A', '1-2-3 4', 'ta-a-a ta', 'du du', 'ta ta'],
  ['4/4', 'A/A/A/A/ A2', '1 & 2 & 3-4', 'ti ti ti ti ta-a', 'du de du de du', 'ta di ta di ta'],
  ['4/4', 'A//A//A//A// A A2', '1 e & a 2 3-4', 'ti ka ti ka ta ta-a', 'du ta de ta du du', 'ta ka di mi ta ta'],
  [
    '4/4',
    'A/A//A// A//A//A/ A2',
    '1 & a 2 e & 3-4',
    'ti ti ka ti ka ti ta-a',
    'du de ta du ta de du',
    'ta di mi ta ka di ta',
  ],
  ['4/4', 'A3/A/ A2', '1-2 & 3-4', 'tam ti ta-a', 'du de du', 'ta di ta'],
  ['4/4', 'A3/4A/4 A A2', '1 a 2 3-4', 'tim ka ta ta-a', 'du ta du du', 'ta mi ta ta'],
  ['4/4', 'A/4A3/4 A A2', '1 e 2 3-4', 'ti tim ta ta-a', 'du ta du du', 'ta ka ta ta'],
  ['4/4', 'A7/4A/4 A2', '1-2 a 3-4', 'tam ka ta-a', 'du ta du', 'ta mi ta'],
  ['4/4', 'A/AA/ A2', '1 &-2 & 3-4', 'syn co pa ta-a', 'du de de du', 'ta di di ta'],
  ['4/4', '(3A/A/A/ A A2', '1 trip let 2 3-4', 'tri o la ta ta-a', 'du da di du du', 'ta ki da ta ta'],
  ['4/4', '(3AAA A2', '1 trip let 3-4', 'tri o la ta-a', 'du da di du', 'ta ki da ta'],
  ['4/4', 'z A z2', '(1) 2 (3-4)', 'sh ta sh sh', '(du) du (du)', '(ta) ta (ta)'],
  ['4/4', 'A z/A/ A2', '1 (2) & 3-4', 'ta sh ti ta-a', 'du (du) de du', 'ta (ta) di ta'],
  ['4/4', 'A7/2 A/', '1-2-3-4 &', 'ta-a-a-a ti', 'du de', 'ta di'],
  ['2/4', 'A2', '1-2', 'ta-a', 'du', 'ta'],
  ['2/4', 'A A', '1 2', 'ta ta', 'du du', 'ta ta'],
  ['2/4', 'A/A/A/A/', '1 & 2 &', 'ti ti ti ti', 'du de du de', 'ta di ta di'],
  ['2/4', 'A3/2A/', '1-2 &', 'tam ti', 'du de', 'ta di'],
  ['2/4', 'A//A//A//A// A', '1 e & a 2', 'ti ka ti ka ta', 'du ta de ta du', 'ta ka di mi ta'],
  ['2/4', '(3A/A/A/ A', '1 trip let 2', 'tri o la ta', 'du da di du', 'ta ki da ta'],
  ['3/4', 'A3', '1-2-3', 'ta-a-a', 'du', 'ta'],
  ['3/4', 'A2 A', '1-2 3', 'ta-a ta', 'du du', 'ta ta'],
  ['3/4', 'A A2', '1 2-3', 'ta ta-a', 'du du', 'ta ta'],
  ['3/4', 'A3/2A/ A', '1-2 & 3', 'tam ti ta', 'du de du', 'ta di ta'],
  ['3/4', 'A/A/A/A/A/A/', '1 & 2 & 3 &', 'ti ti ti ti ti ti', 'du de du de du de', 'ta di ta di ta di'],
  ['2/2', 'A4', '1-2', 'ta-a-a-a', 'du', 'ta'],
  ['2/2', 'A2 A2', '1 2', 'ta-a ta-a', 'du du', 'ta ta'],
  ['2/2', 'A A A A', '1 & 2 &', 'ta ta ta ta', 'du de du de', 'ta di ta di'],
  ['2/2', 'A3 A', '1-2 &', 'ta-a-a ta', 'du de', 'ta di'],
  ['2/2', 'A/A/A/A/ A2', '1 e & a 2', 'ti ti ti ti ta-a', 'du ta de ta du', 'ta ka di mi ta'],
  ['2/2', '(3AAA A2', '1 trip let 2', 'tri o la ta-a', 'du da di du', 'ta ki da ta'],
  ['3/8', 'A3/2', '1-2-3', 'tam', 'du', 'ta'],
  ['3/8', 'A/A/A/', '1 2 3', 'ti ti ti', 'du du du', 'ta ta ta'],
  ['3/8', 'A A/', '1-2 3', 'ta ti', 'du du', 'ta ta'],
  ['3/8', 'A/ A', '1 2-3', 'ti ta', 'du du', 'ta ta'],
  ['3/8', 'A//A//A/A/', '1 & 2 3', 'ti ti ti ti', 'du de du du', 'ta di ta ta'],
  ['6/8', 'A3', '1-2-3-4-5-6', 'tam-am', 'du', 'ta'],
  ['6/8', 'A3/2A3/2', '1-2-3 4-5-6', 'tam tam', 'du du', 'ta ta'],
  ['6/8', 'A/A/A/A/A/A/', '1 2 3 4 5 6', 'ti ti ti ti ti ti', 'du da di du da di', 'ta ki da ta ki da'],
  ['6/8', 'A A/A A/', '1-2 3 4-5 6', 'ta ti ta ti', 'du di du di', 'ta da ta da'],
  ['6/8', 'A3/4A//A/ A3/2', '1-2 & 3 4-5-6', 'tim ka ti tam', 'du ta di du', 'ta di da ta'],
  ['6/8', 'A/A//A//A/ A3/2', '1 2 & 3 4-5-6', 'ti ti ka ti tam', 'du da ta di du', 'ta ki di da ta'],
  [
    '6/8',
    'A//A//A//A//A//A// A3/2',
    '1 & 2 & 3 & 4-5-6',
    'ti ka ti ka ti ka tam',
    'du ta da ta di ta du',
    'ta va ki di da ma ta',
  ],
  ['6/8', '(2A/A/ A3/2', '1-2 &-3 4-5-6', 'ta ta tam', 'du de du', 'ta di ta'],
  ['6/8', 'A/A A3/2', '1 2-3 4-5-6', 'ti ta tam', 'du da du', 'ta ki ta'],
  ['6/8', 'z3/2 A3/2', '(1-2-3) 4-5-6', 'sh tam', '(du) du', '(ta) ta'],
  ['9/8', 'A3/2A3/2A3/2', '1-2-3 4-5-6 7-8-9', 'tam tam tam', 'du du du', 'ta ta ta'],
  ['9/8', 'A3 A3/2', '1-2-3-4-5-6 7-8-9', 'tam-am tam', 'du du', 'ta ta'],
  [
    '9/8',
    'A A/A A/A/A/A/',
    '1-2 3 4-5 6 7 8 9',
    'ta ti ta ti ti ti ti',
    'du di du di du da di',
    'ta da ta da ta ki da',
  ],
  ['12/8', 'A3/2A3/2A3', '1-2-3 4-5-6 7-8-9-10-11-12', 'tam tam tam-am', 'du du du', 'ta ta ta'],
  ['5/4', 'A3 A2', '1-2-3 4-5', 'ta-a-a ta-a', 'du du', 'ta ta'],
  ['5/4', 'A A A A A', '1 2 3 4 5', 'ta ta ta ta ta', 'du du du du du', 'ta ta ta ta ta'],
  ['6/4', 'A A A A A A', '1 2 3 4 5 6', 'ta ta ta ta ta ta', 'du da di du da di', 'ta ki da ta ki da'],
  ['6/4', 'A3 A3', '1-2-3 4-5-6', 'ta-a-a ta-a-a', 'du du', 'ta ta'],
  ['6/4', 'A2 A A2 A', '1-2 3 4-5 6', 'ta-a ta ta-a ta', 'du di du di', 'ta da ta da'],
];

describe('counting, as every school says it', () => {
  it.each(TABLE)('%s %s', (metre, bar, ...said) => {
    const read = readAbc(`X:1\nT:Bar\nM:${metre}\nL:1/4\nK:G\n${bar}|]\n`);
    if (!read.ok) throw new Error(read.error[0]?.message);
    const { tune } = read.value;
    const words = COUNTINGS.map((school) =>
      countTune(tune, school)[0]!
        .filter((word) => word !== '')
        .join(' '),
    );
    expect(words).toEqual(said);
  });
});
