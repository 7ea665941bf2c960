import { describe, expect, it } from 'vitest';
import { pitch } from '../../music/index.ts';
import { SourceText } from './source-text.ts';
import { readAbc } from './read-abc.ts';
import { tokensOf, Words } from './read-words.ts';
import { readEnding, readKey, readLength, readMetre } from './signs.ts';
import { writeAbc } from './write-abc.ts';

describe('words under the notes', () => {
  it('are cut into syllables, holds, gaps and bars', () => {
    expect(tokensOf('Goo-se walk_ * on~by | x\\-y')).toEqual([
      { text: 'Goo', end: 'join' },
      { text: 'se', end: 'word' },
      { text: 'walk', end: 'hold' },
      'none',
      'none',
      { text: 'on by', end: 'word' },
      'bar',
      { text: 'x-y', end: 'word' },
    ]);
    expect(tokensOf('time__ - x')).toEqual([
      { text: 'time', end: 'hold' },
      'none',
      'none',
      'none',
      { text: 'x', end: 'word' },
    ]);
  });

  it('go to notes and not to rests, verse by verse, and wait for the bar', () => {
    const text = 'X:1\nK:C\nA z B|c d|\nw:one two | four\nw:eins zwei\n';
    const words = new Words(new SourceText(text));
    const at = (letter: string, bar: number) =>
      words.syllablesAt(text.indexOf(letter, 8), bar).map((syllable) => syllable?.text ?? null);
    expect(at('A', 0)).toEqual(['one', 'eins']);
    expect(at('B', 0)).toEqual(['two', 'zwei']);
    expect(at('c', 1)).toEqual(['four']);
    expect(at('d', 1)).toEqual([]);
  });
});

describe('signs of ABC', () => {
  it('reads keys by tonic and mode, and refuses what is none of the seven', () => {
    const key = (root: string, mode: string, signs: number, acc = '') =>
      readKey({ root, acc, mode, accidentals: Array.from({ length: signs }, () => ({ acc: 'sharp', note: 'f' })) });
    expect(key('D', 'Mix', 1)).toEqual({ fifths: 1, mode: 'mixolydian' });
    expect(key('B', 'm', 2)).toEqual({ fifths: 2, mode: 'minor' });
    expect(key('F', '', 6, '#')).toEqual({ fifths: 6, mode: 'major' });
    expect(key('D', '', 1)).toBeNull();
    expect(key('HP', '', 2)).toBeNull();
    expect(readKey({ root: 'none', acc: '', mode: '' })).toEqual({ fifths: 0, mode: 'major' });
  });

  it('reads metres, endings and lengths', () => {
    expect(readMetre({ type: 'common_time' })).toEqual({ count: 4, unit: 4 });
    expect(readMetre({ type: 'cut_time' })).toEqual({ count: 2, unit: 2 });
    expect(readMetre({ type: 'specified', value: [{ num: '2+3', den: '8' }] })).toEqual({
      count: 5,
      unit: 8,
      groups: [2, 3],
    });
    expect(readMetre({ type: 'specified', value: [{ num: '2', den: '7' }] })).toBeNull();
    expect([readEnding('1'), readEnding('1,3'), readEnding('1-3'), readEnding('last')]).toEqual([
      [1],
      [1, 3],
      [1, 2, 3],
      null,
    ]);
    expect([readLength(0.375), readLength(1 / 3), readLength(0)]).toEqual([{ num: 3, den: 8 }, null, null]);
  });
});

describe('reading ABC as people write it', () => {
  const read = (body: string, head = 'M:4/4\nL:1/4\nK:C') => {
    const result = readAbc(`% a remark\nX:7\nT:One\nT:Two\n${head}\n${body}\n`);
    if (!result.ok) throw new Error(result.error[0]?.message);
    return result.value;
  };

  it('takes changes of key and metre, in a line and at its start', () => {
    const { tune } = read('C D E F|[K:D][M:3/4]F G A|\n[M:2/4]C D|[K:C]F2|]');
    expect(tune.bars.map((bar) => [bar.key.fifths, bar.metre.count])).toEqual([
      [0, 4],
      [2, 3],
      [2, 2],
      [0, 2],
    ]);
    expect(tune.parts[0].bars[1]![0]).toMatchObject({ pitch: { letter: 'F', alter: 1 } });
  });

  it('takes common time, bars of rest, and synonyms of signs', () => {
    const { tune } = read('Z2|!dacoda!C4|!coda!D4|]', 'M:C\nL:1/4\nK:C');
    expect(tune.bars).toHaveLength(4);
    expect([tune.bars[2]!.toCoda, tune.bars[3]!.coda]).toEqual([true, true]);
    expect(read('C4|!dacapo!D4|]').tune.bars[1]!.jump).toBe('D.C.');
  });

  it('takes two voices of one length as a duet and leaves a third out', () => {
    const { tune, leftOut, parts } = read('V:1\nC4|]\nV:2\nE4|]\nV:3\nG4|]');
    expect([tune.parts.length, parts.length]).toEqual([1, 3]);
    expect(leftOut.map((notice) => notice.message)).toContain('Left out: the part "Part 2".');
    expect(read('V:1\nC4|]\nV:2\nE4|]').tune.parts).toHaveLength(2);
  });

  it('gives the line and the column of what is wrong or unknown', () => {
    const result = readAbc('X:1\nT:x\nM:4/4\nL:1/4\nK:C\nC4|\nC D E|F4|]\n');
    expect(result.ok && result.value.leftOut).toMatchObject([{ bar: 2, at: { line: 7, column: 1 } }]);
    expect(read('!wiggle!C4|]').leftOut[0]).toMatchObject({
      message: expect.stringContaining('Unknown decoration') as string,
      at: { line: 8 },
    });
  });

  it('says when the file holds more tunes', () => {
    const result = readAbc('X:1\nT:a\nL:1/4\nK:C\nC4|]\n\nX:2\nT:b\nL:1/4\nK:C\nD4|]\n');
    expect(result.ok && result.value.leftOut).toEqual([
      { bar: null, message: 'The file holds 2 tunes; this is number 1.' },
    ]);
    expect(result.ok && result.value.tunes).toEqual(['a', 'b']);
    const second = readAbc('X:1\nT:a\nL:1/4\nK:C\nC4|]\n\nX:2\nT:b\nL:1/4\nK:C\nD4|]\n', { tune: 1 });
    expect(second.ok && second.value.tune.title).toBe('b');
  });

  it('loses no word and no section silently', () => {
    const sheep = read('F G A F|G2 A2|]\nw:Cloud sheep are graz-ing by');
    expect(sheep.leftOut.map((notice) => notice.message)).toEqual([]);
    const lost = read('F G A F|G2 A2|]\nw:Cloud sheep are graz-ing slow-ly by');
    expect(lost.leftOut.map((notice) => notice.message)).toEqual([
      'Left out: the words “ly by”; line 8 has no notes for them.',
    ]);
    const thrice = read('|:C D E F|"^3x"G4:|]');
    expect(thrice.tune.bars[1]!.timesPlayed).toBe(3);
    expect(read('C4|]', 'P:AABA\nM:4/4\nL:1/4\nK:C').leftOut[0]!.message).toContain('the order of the parts, AABA');
  });

  it('keeps grace notes, additive metres and free bars', () => {
    const { tune } = read('{Bc}d2 {^c}d2|]');
    const [first, second] = tune.parts[0].bars[0]!;
    expect(first).toMatchObject({ grace: [pitch('B4'), pitch('C5')] });
    expect(second).toMatchObject({ grace: [pitch('C#5')] });
    expect(read('CDEFG|]', 'M:3+2/8\nL:1/8\nK:C').tune.bars[0]!.metre).toEqual({ count: 5, unit: 8, groups: [3, 2] });
    expect(read('C D E F G A B|c4|]', 'M:none\nL:1/4\nK:C').tune.bars.map((bar) => bar.number)).toEqual([1, 2]);
  });
});

it('writes ABC that a musician would write', () => {
  const result = readAbc(
    'X:1\nT:Mill\nC:Ann\nM:2/4\nL:1/8\nQ:1/4=80\nK:Dmix\n|:"G"BA .G2|(3ABc d2:|\n[1 A4:|[2 G4||\n!breath!z2 c2-|c4|]\nw:last line here\n',
  );
  expect(result.ok && writeAbc(result.value.tune)).toBe(
    '%abc-2.1\nX:1\nT:Mill\nC:Ann\nL:1/8\nM:2/4\nQ:1/4=80\nK:DMix\n|:"G"BA .G2|(3:2:3ABc d2:|\n[1 A4:|[2 G4||\n!breath!z2 c2-|c4|]\nw:last line\n',
  );
});
