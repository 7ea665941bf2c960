import { describe, expect, it } from 'vitest';
import { performanceOrder, performedNotes, pitchName, toNumber } from '../music/index.ts';
import { readAbc, writeMusicXml } from './index.ts';

function abc(body: string, head = 'M:4/4\nL:1/4\nK:G'): string {
  return `X:1\nT:Test\n${head}\n${body}\n`;
}

function tune(body: string, head?: string) {
  const read = readAbc(abc(body, head));
  if (!read.ok) throw new Error(read.error.map((error) => error.message).join(' '));
  return read.value.tune;
}

function names(body: string, head?: string): string {
  return performedNotes(tune(body, head))
    .map((note) => pitchName(note.pitch))
    .join(' ');
}

describe('readAbc', () => {
  it('reads pitches with the key signature and accidentals that last for the bar', () => {
    expect(names('G F c d|')).toBe('G4 F#4 C5 D5');
    expect(names('=F F f F|F4|')).toBe('F4 F4 F#5 F4 F#4');
    expect(names('B ^A B _B|', 'M:4/4\nL:1/4\nK:Dmin')).toBe('Bb4 A#4 Bb4 Bb4');
    expect(names('B c|d2|', 'M:2/4\nL:1/4\nK:Edor').startsWith('B4 C#5')).toBe(true);
  });

  it('keeps what stands in the head', () => {
    const read = readAbc(
      'X:1\nT:Mill\nC:Ann\nS:a book\nG:calm, sea\n%%abc-copyright CC0-1.0\nM:6/8\nL:1/8\nQ:3/8=66\nK:D\nA3 A3|\n',
    );
    expect(read.ok && read.value.tune).toMatchObject({
      title: 'Mill',
      composer: 'Ann',
      source: 'a book',
      licence: 'CC0-1.0',
      tags: ['calm', 'sea'],
      tempo: { beat: { num: 3, den: 8 }, perMinute: 66 },
    });
  });

  it('numbers bars from 1, a pickup is 0, halves around a repeat are one bar', () => {
    expect(tune('D|G4|G3|]').bars.map((bar) => bar.number)).toEqual([0, 1, 2]);
    expect(tune('G4|G2:|:A2|B4|]', 'M:4/4\nL:1/4\nK:C').bars.map((bar) => bar.number)).toEqual([1, 2, 2, 3]);
  });

  it('ties, slurs, triplets, rests, breaths and staccato come through', () => {
    const { parts } = tune('(3ABc .G z|(AB) G2-|G4|]', 'M:4/4\nL:1/4\nK:C');
    const events = parts[0].bars.flat();
    expect(toNumber(performedNotes(tune('G2 A2-|A4|]')).at(-1)!.length)).toBe(1.5);
    expect(events[0]!.value.tuplet).toEqual({ actual: 3, normal: 2 });
    expect(events[3]).toMatchObject({ articulations: ['staccato'] });
    expect(events[4]!.kind).toBe('rest');
    expect(events[5]).toMatchObject({ slurStarts: 1 });
    expect(events[6]).toMatchObject({ slurEnds: 1 });
    expect(tune('!breath!G2 A2|G4|]').parts[0].bars[0]![0]).toMatchObject({ breath: true });
  });

  it('writes a length that takes two values as tied notes', () => {
    const notes = tune('G5|A5|]', 'M:5/4\nL:1/4\nK:G').parts[0].bars[0]!;
    expect(notes.map((note) => note.value.base)).toEqual(['whole', 'quarter']);
    expect(notes[0]).toMatchObject({ tied: true });
    expect(performedNotes(tune('G5|A5|]', 'M:5/4\nL:1/4\nK:G'))).toHaveLength(2);
  });

  it('reads words with holds and hyphens', () => {
    const events = tune('B A G2|B A G2|]\nw:Goo-se walk_ * on').parts[0].bars.flat();
    expect(events.map((event) => (event.kind === 'note' ? (event.syllables[0]?.text ?? null) : null))).toEqual([
      'Goo',
      'se',
      'walk',
      null,
      null,
      'on',
    ]);
  });

  it('plays repeats and endings', () => {
    const bars = performanceOrder(tune('|:G4|A4|1 B4:|2 c4||d4|]'));
    expect(bars).toEqual([0, 1, 2, 0, 1, 3, 4]);
    expect(performanceOrder(tune('G4|A4:|B4|]'))).toEqual([0, 1, 0, 1, 2]);
    expect(performanceOrder(tune('G4|!fine!A4|!D.C.alfine!B4|]'))).toEqual([0, 1, 2, 0, 1]);
  });

  it('names the bar that does not add up and what it holds', () => {
    const told = (body: string): readonly string[] => {
      const read = readAbc(abc(body));
      return read.ok ? read.value.leftOut.map((notice) => notice.message) : [];
    };
    expect(told('G4|A3|B4|]')).toEqual([
      'Bar 2 is too short: 4/4 asks for 4, it holds 3 (counted in quarters). Kept as it is.',
    ]);
    expect(told('G4|A4B|B4|]')[0]).toContain('Bar 2 is too long: 4/4 asks for 4, it holds 5');
    expect(told('G4|A3|B4|c3|d4|e5|f4|]')).toEqual([
      'Bars 2, 4 and 6 don’t match their time signature. Kept as they are.',
    ]);
    expect(told('G4|A4-|B4|]')).toEqual(['Left out: a tie with no matching note after it.']);
  });

  it('says what it leaves out', () => {
    const read = readAbc(abc('[GBd]4|{c}A4|~G4|]'));
    expect(read.ok && read.value.leftOut.map((notice) => [notice.bar, notice.message])).toEqual([
      [1, 'Left out: a chord of 3 notes (the highest is kept).'],
      [3, 'Left out: the sign "irishroll".'],
    ]);
  });

  it('refuses what is no tune with one sentence', () => {
    for (const [text, part] of [
      ['', 'empty'],
      ['hello', 'not ABC'],
      ['X:1\nT:x\nK:C\n', 'no notes'],
      ['X:1\nT:x\nM:4/4\nL:1/4\nK:C clef=perc\nCDEF|\n', 'percussion'],
      [`X:1\nK:C\n${'C'.repeat(210_000)}`, 'too long'],
    ] as const) {
      const read = readAbc(text);
      expect(read.ok ? [] : read.error.map((error) => error.message), text.slice(0, 20)).toEqual([
        expect.stringContaining(part),
      ]);
    }
  });
});

describe('writeMusicXml', () => {
  it('puts an id on every bar and event, and beams quavers', () => {
    const xml = writeMusicXml(tune('BAGA|B4|]', 'M:2/4\nL:1/8\nK:G'));
    expect(xml).toContain('id="n0-0-3"');
    expect(xml).toContain('id="b1"');
    expect([...xml.matchAll(/<beam number="1">(\w+)</g)].map((match) => match[1])).toEqual([
      'begin',
      'continue',
      'continue',
      'end',
    ]);
  });

  it('prints accidentals only where the signature does not give them', () => {
    const xml = writeMusicXml(tune('F =F ^F F|F4|]'));
    expect([...xml.matchAll(/<accidental>([\w-]+)</g)].map((match) => match[1])).toEqual(['natural', 'sharp']);
  });

  it('writes names under the notes instead of the words', () => {
    const xml = writeMusicXml(tune('G A B2|G4|]\nw:one two three four'), {
      underNote: (_, index) => [`n${index}`, null],
    });
    expect(xml).toContain('<text>n2</text>');
    expect(xml).not.toContain('three');
  });
});
