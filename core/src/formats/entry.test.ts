import { describe, expect, it } from 'vitest';
import { keyAlter, pitchName, staffStep, type Note, type NoteValue, type Tune } from '../music/index.ts';
import { EMPTY_ENTRY, entryOf, readAbc, tuneOfEntry, typeKey, writeAbc, type Entry } from './index.ts';

function typed(keys: string, from: Entry = EMPTY_ENTRY): Entry {
  return keys
    .split(' ')
    .filter((key) => key !== '')
    .reduce((entry, key) => typeKey(entry, key.replace('Shift+', ''), key.startsWith('Shift+')), from);
}

function tuneOf(entry: Entry): Tune {
  const made = tuneOfEntry(entry);
  if (!made.ok) throw new Error(made.error[0]?.message);
  return made.value.tune;
}

const music = (entry: Entry) => writeAbc(tuneOf(entry)).trim().split('\n').slice(-1)[0]!.replaceAll(' ', '');

describe('typing a tune', () => {
  it('takes letters and lengths, and closes a bar that is full', () => {
    expect(music(typed('b a 2 g 4 b a 2 g'))).toBe('B2A2G4|B2A2G4|]');
  });

  it('takes each letter as near as can be to the note before, in the key', () => {
    const entry = typed('g f e d g b d f g');
    expect(entry.events.map(({ pitch }) => `${pitch!.letter}${pitch!.octave}${pitch!.alter === 1 ? '#' : ''}`)).toEqual(
      ['G4', 'F4#', 'E4', 'D4', 'G4', 'B4', 'D5', 'F5#', 'G5'],
    );
  });

  it('moves the last note, dots it, ties it, and makes it a rest or a triplet', () => {
    expect(music(typed('g ArrowUp Shift+ArrowUp'))).toBe('a2|]');
    expect(music(typed('b . 8 a 2 g'))).toBe('B3AG4|]');
    expect(music(typed('2 b t b'))).toBe('B4-B4|]');
    expect(music(typed('g r r g'))).toBe('G2z2z2G2|]');
    expect(music(typed('8 g a b 3 2 g'))).toContain('(3:2:3GAB');
    expect(music(typed('f = f'))).toBe('=F2^F2|]');
  });

  it('carries what is too long over the bar line', () => {
    expect(music(typed('2 g . a'))).toBe('G6A2-|A2|]');
  });

  it('goes back and puts in between, and takes away', () => {
    expect(music(typed('g b ArrowLeft a'))).toBe('G2A2B2|]');
    expect(music(typed('g a b Backspace'))).toBe('G2A2|]');
  });

  it('has a pickup, repeats, lines and words', () => {
    const entry = { ...typed('d 4 g [ a b g Enter 2 b . ]'), pickup: 1, words: 'Down the gar-den lane now' };
    expect(writeAbc(tuneOf(entry))).toContain('d2');
    expect(tuneOf(entry).bars[0]!.number).toBe(0);
    expect(tuneOf(entry).bars.at(-1)!.timesPlayed).toBe(2);
    const words = tuneOf(entry)
      .parts[0].bars.flat()
      .flatMap((event) => (event as Note).syllables);
    expect(words.map((word) => word?.text)).toEqual(['Down', 'the', 'gar', 'den', 'lane', 'now']);
  });

  it('changes nothing for a key that means nothing', () => {
    expect(typed('q x Backspace ArrowUp')).toEqual(EMPTY_ENTRY);
  });
});

describe('a stored tune', () => {
  const read = (abc: string) => {
    const found = readAbc(abc);
    if (!found.ok) throw new Error(found.error[0]?.message);
    return found.value.tune;
  };
  const HEAD = 'X:1\nT:Goose Walk\nL:1/4\nM:4/4\nQ:1/4=84\nK:G\n';

  it('comes into the editor and out as it was', () => {
    const goose = read(`${HEAD}B A G2|B A G2|A B A G|E4|\nB A G2|B A G2|A G E E|G4|]\nw:Geese go by\n`);
    expect(writeAbc(tuneOf(entryOf(goose)!))).toBe(writeAbc(goose));
  });

  it('stays text when it has more than an entry holds', () => {
    expect(entryOf(read(`${HEAD}(B A) G2|!p!G4|]\n`))).toBeNull();
    expect(entryOf(read(`${HEAD}|:G4|1A4:|2B4|]\n`))).toBeNull();
  });

  it('of eight bars takes at most three keys a note', () => {
    const tunes = [
      `${HEAD}B A G2|B A G2|A B A G|E4|B A G2|B A G2|A G E E|G4|]`,
      `${HEAD}G G d d|e e d2|c c B B|A A G2|d d c c|B B A2|d d c c|B B A2|]`,
      'X:1\nT:Jig\nM:6/8\nL:1/8\nQ:3/8=80\nK:D\nD2F A2F|G2B A3|B2d A2F|G2E E3|D2F A2F|G2B A3|B2A F2E|D3 D3|]',
      `${HEAD}G>A B/c/d|e2 d2|c>B A/B/c|d4|G>A B/c/d|e2 d2|c/B/A G F|G4|]`,
    ].map(read);
    for (const tune of tunes) {
      const keys = keysFor(tune);
      const entry = typed(keys.join(' '), { ...EMPTY_ENTRY, key: tune.bars[0]!.key, metre: tune.bars[0]!.metre });
      const sounds = (tune: Tune) =>
        tune.parts[0].bars.map((bar) =>
          JSON.stringify(bar.map((event) => [event.value, pitchName((event as Note).pitch)])),
        );
      expect(sounds(tuneOf(entry))).toEqual(sounds(tune));
      const notes = tune.parts[0].bars.flat().length;
      expect(keys.length / notes).toBeLessThanOrEqual(3);
    }
  });
});

/** The keys that somebody needs who types a tune note by note. */
function keysFor(tune: Tune): readonly string[] {
  const keys: string[] = [];
  const key = tune.bars[0]!.key;
  const digit = (value: NoteValue): string =>
    ({ whole: '1', half: '2', quarter: '4', eighth: '8', sixteenth: '6' })[value.base as 'whole'];
  let length = '4';
  let entry: Entry = { ...EMPTY_ENTRY, key, metre: tune.bars[0]!.metre };
  const press = (name: string): void => {
    keys.push(name);
    entry = typeKey(entry, name.replace('Shift+', ''), name.startsWith('Shift+'));
  };
  for (const event of tune.parts[0].bars.flat()) {
    if (digit(event.value) !== length) press((length = digit(event.value)));
    if (event.kind === 'rest') {
      press('r');
      continue;
    }
    press(event.pitch.letter.toLowerCase());
    const octaves = (staffStep(event.pitch) - staffStep(entry.events.at(-1)!.pitch!)) / 7;
    for (let octave = 0; octave < Math.abs(octaves); octave++) press(octaves > 0 ? 'Shift+ArrowUp' : 'Shift+ArrowDown');
    if (event.pitch.alter !== keyAlter(key, event.pitch.letter)) press(['-', '=', '#'][event.pitch.alter + 1]!);
    for (let dot = 0; dot < event.value.dots; dot++) press('.');
  }
  return keys;
}
