import fc from 'fast-check';
import { zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { midiNumber, performedNotes, type Tune } from '../music/index.ts';
import { anyTune } from '../testing/index.ts';
import { readTuneFile, writeTuneFile, type FileEnding } from './index.ts';

function there(tune: Tune, ending: FileEnding): Tune {
  const read = readTuneFile(writeTuneFile(tune, ending));
  if (!read.ok) throw new Error(read.fault.map((fault) => fault.message).join(' '));
  return read.value.tune;
}

/** Trailing empty verses say nothing: a note without words and one with a gap are the same on the sheet. */
function plain(tune: Tune): unknown {
  return {
    ...tune,
    parts: tune.parts.map((part) => ({
      ...part,
      bars: part.bars.map((events) =>
        events.map((event) => (event.kind === 'note' ? { ...event, syllables: trimmed(event.syllables) } : event)),
      ),
    })),
  };
}

function trimmed(syllables: readonly unknown[]): readonly unknown[] {
  const last = syllables.findLastIndex((syllable) => syllable !== null);
  return syllables.slice(0, last + 1);
}

describe('a tune comes back as it went', () => {
  for (const ending of ['abc', 'musicxml', 'mxl'] as const) {
    it(`by ${ending}`, () => {
      fc.assert(
        fc.property(anyTune, (tune) => {
          expect(plain(there(tune, ending))).toEqual(plain(tune));
        }),
        { numRuns: 150 },
      );
    });
  }

  it('by MIDI: what sounds, and when', () => {
    const sounding = (tune: Tune) =>
      performedNotes(tune).map(({ pitch, onset, length }) => ({ number: midiNumber(pitch), onset, length }));
    fc.assert(
      fc.property(anyTune, (tune) => {
        const melody: Tune = { ...tune, parts: [tune.parts[0]] };
        const wholeBars = melody.bars[0]!.number === 1;
        if (!wholeBars) return;
        expect(sounding(there(melody, 'mid'))).toEqual(sounding(melody));
      }),
      { numRuns: 100 },
    );
  });
});

describe('hostile and broken files', () => {
  const sentence = (bytes: Uint8Array): string => {
    const read = readTuneFile(bytes);
    return read.ok ? 'read' : read.fault.map((fault) => fault.message).join(' ');
  };
  const text = (content: string): Uint8Array =>
    new Uint8Array([...content].map((letter) => letter.charCodeAt(0) & 255));

  it('give one clear sentence', () => {
    expect(sentence(new Uint8Array())).toContain('empty');
    expect(sentence(new Uint8Array(13_000_000))).toContain('13 MB');
    expect(sentence(new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]))).toContain('not text, MusicXML or MIDI');
    expect(sentence(text('MThd broken'))).toMatch(/MIDI file|no notes/);
    expect(sentence(text('PK broken'))).toContain('broken');
    expect(sentence(text('<html><body>hello</body></html>'))).toContain('not a MusicXML score');
    expect(sentence(text('<score-timewise/>'))).toContain('partwise');
    expect(sentence(text('<score-partwise><part><measure/></part></score-partwise>'))).toContain('no notes');
    expect(
      sentence(text('<!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><score-partwise>&b;</score-partwise>')),
    ).toContain('entities');
  });

  it('refuses an archive that swells', () => {
    const bomb = zipSync({ 'score.xml': new Uint8Array(20_000_000) }, { level: 9 });
    expect(bomb.length).toBeLessThan(100_000);
    expect(sentence(bomb)).toContain('far more than a tune');
  });

  it('reads no percussion, and says so', () => {
    const drum = '<note><unpitched/><duration>4</duration><voice>1</voice></note>';
    const score = `<score-partwise><part-list/><part id="P1"><measure number="1"><attributes><divisions>1</divisions></attributes>${drum}</measure></part></score-partwise>`;
    expect(sentence(text(score))).toContain('percussion');
  });

  it('never throws, whatever the bytes', () => {
    const start = fc.constantFrom(
      '',
      'X:1\nK:C\n',
      '<score-partwise><part>',
      'MThd\0\0\0\x06\0\x01\0\x01\x01\xe0',
      'PK\x03\x04',
    );
    fc.assert(
      fc.property(start, fc.string({ maxLength: 200 }), (head, rest) => {
        expect(typeof sentence(text(head + rest))).toBe('string');
      }),
      { numRuns: 400 },
    );
    const music = fc.array(fc.constantFrom(...'ABcd^_=[]|:()-<>23/ zZ!"{}&~.\n'), { maxLength: 60 });
    fc.assert(
      fc.property(music, (letters) => {
        expect(typeof sentence(text(`X:1\nM:4/4\nL:1/4\nK:D\n${letters.join('')}\n`))).toBe('string');
      }),
      { numRuns: 400 },
    );
  });

  it('survives a cut or a changed byte anywhere in a good file', () => {
    fc.assert(
      fc.property(
        anyTune,
        fc.constantFrom<FileEnding[]>('abc', 'musicxml', 'mxl', 'mid'),
        fc.nat(),
        fc.nat(255),
        (tune, ending, at, value) => {
          const bytes = writeTuneFile(tune, ending);
          const changed = bytes.slice();
          changed[at % bytes.length] = value;
          expect(typeof sentence(changed)).toBe('string');
          expect(typeof sentence(bytes.slice(0, at % bytes.length))).toBe('string');
        },
      ),
      { numRuns: 120 },
    );
  });
});
