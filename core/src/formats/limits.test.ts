import { describe, expect, it } from 'vitest';
import { performanceOrder } from '../music/index.ts';
import { readAbc, readOneRosterZip, readRoster, readTuneFile } from './index.ts';

const HEAD = 'X:1\nT:Too much\nM:4/4\nL:1/4\nK:C\n';

/** The sentence that refuses a text, or nothing. */
function refusal(text: string): string | null {
  const read = readTuneFile(new TextEncoder().encode(text));
  return read.ok ? null : read.error[0]!.message;
}

/** A score of one bar, with more before its notes. */
function score(more: string, notes = 4): string {
  const note = '<note><pitch><step>C</step><octave>5</octave></pitch><duration>1</duration><type>quarter</type></note>';
  return `<score-partwise><part id="P1"><measure number="1"><attributes><divisions>1</divisions></attributes>${more}${note.repeat(notes)}</measure></part></score-partwise>`;
}

describe('a small text that stands for very much', () => {
  it.each([
    ['bars of rest', `${HEAD}Z9999999|CDEF|]`, 'The tune has 9999999 bars of rest; the limit is 600.'],
    ['bars of rest, a few at a time', `${HEAD}${'Z400|'.repeat(2)}CDEF|]`, '800 bars of rest'],
    ['overlays', `${HEAD}${'CDEF&'.repeat(900)}CDEF|]`, '900 overlaid voices; the limit is 60.'],
    [
      'voices',
      `${HEAD}${Array.from({ length: 900 }, (_, voice) => `V:${voice}\nCDEF|\n`).join('')}`,
      '900 voices; the limit is 40.',
    ],
    ['lines', `${HEAD}${'V:1\n'.repeat(9000)}CDEF|]`, '9006 lines; the limit is 4000.'],
    [
      'the key',
      `${HEAD.replace('K:C', `K:C${'-'.repeat(40_000)}`)}CDEF|]`,
      'Line 5 has 40003 characters; the limit is 600.',
    ],
    ['a key in the line', `${HEAD}[K:C${'-'.repeat(800)}]CDEF|]`, 'Line 6 has 811 characters; the limit is 600.'],
    ['a line of signs', `${HEAD}!${'-'.repeat(40_000)}`, 'Line 6 has 40001 characters; the limit is 1200.'],
    ['words', `${HEAD}CDEF|\nw:${'-'.repeat(40_000)}`, 'Line 7 has 40002 characters; the limit is 1200.'],
    ['tuplets', `${HEAD}${'(3CDE'.repeat(1999)}(3C(3D|]`, '2001 tuplets'],
    ['notes', `${HEAD}${'CDEF|'.repeat(2000)}`, '8000 notes; the limit is 6000.'],
    ['verses', `${HEAD}CDEF|\n${'w:a b c d\n'.repeat(13)}`, '13 verses under one line'],
    [
      'the passes of an ending in MusicXML',
      score('<barline><ending number="300000000" type="start"/></barline>'),
      null,
    ],
    ['depth of XML', '<a>'.repeat(1000), 'The file’s elements are nested too deeply.'],
    ['elements of XML', `<a>${'<b></b>'.repeat(250_001)}</a>`, 'The file is too long for one tune.'],
    [
      'lengths without a common measure',
      score(
        [7901, 7907, 7919, 7927, 7933]
          .map(
            (divisions) =>
              `<attributes><divisions>${divisions}</divisions></attributes><forward><duration>1</duration></forward>`,
          )
          .join(''),
      ),
      'The tune has note lengths that can’t be counted.',
    ],
  ])('%s', (_, text, sentence) => {
    const found = refusal(text);
    if (sentence === null) expect(found).toBeNull();
    else expect(found).toContain(sentence);
  });

  it('a MIDI file of 41 bytes with one long pause', () => {
    const head = [0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 0, 0, 1, 0, 1];
    const track = [0, 0x90, 72, 64, 0xff, 0xff, 0xff, 0x7f, 0x80, 72, 64, 0, 0xff, 0x2f, 0];
    const bytes = Uint8Array.from([...head, 0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, track.length, ...track]);
    const read = readTuneFile(bytes);
    expect(read.ok ? null : read.error[0]!.message).toBe('The tune has more than 600 bars, counting rests.');
  });

  it('plays no section more often than nine times', () => {
    const read = readAbc(`${HEAD}|:CDEF|[1-9,1-9,1-9 CDEF:|[2 C4|]`);
    if (read.ok) expect(performanceOrder(read.value.tune).length).toBeLessThan(30);
  });

  it('tells the first of very many things left out, and how many more', () => {
    const read = readAbc(`${HEAD}${'!trill!CDEF|\n'.repeat(500)}`);
    expect(read.ok && read.value.leftOut).toHaveLength(61);
    expect(read.ok && read.value.leftOut.at(-1)!.message).toBe('Left out: 440 more like these.');
  });

  it('reads only the first of many tunes, and says so', () => {
    const read = readAbc('X:1\nT:One\nK:C\nC4|\n\n'.repeat(2000));
    expect(read.ok && read.value.leftOut.map((notice) => notice.message)).toEqual([
      'The file holds 2000 tunes; this is number 1.',
    ]);
  });
});

describe('lists of pupils', () => {
  it('of too many columns are refused', () => {
    const read = readRoster(`Ada${','.repeat(500)}`);
    expect(read.ok ? null : read.error).toBe('There are 501 columns; the limit is 60.');
  });

  it('that are no ZIP file give a sentence', () => {
    expect(readOneRosterZip(new Uint8Array(100))).toMatchObject({ ok: false });
  });
});
