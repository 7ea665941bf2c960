import fc from 'fast-check';
import { zipSync } from 'fflate';
import { parseMidi, writeMidi, type MidiEvent } from 'midi-file';
import { describe, expect, it } from 'vitest';
import { midiNumber, performedNotes, type Tune } from '../music/index.ts';
import { anyTune } from '../testing/index.ts';
import { readAbc, readTuneFile, writeTuneFile, type FileEnding } from './index.ts';

function there(tune: Tune, ending: FileEnding): Tune {
  const read = readTuneFile(writeTuneFile(tune, ending));
  if (!read.ok) throw new Error(read.error.map((error) => error.message).join(' '));
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

describe('MIDI', () => {
  const tune = (body: string): Tune => {
    const read = readAbc(`X:1\nT:T\nM:4/4\nL:1/4\nQ:1/4=90\nK:G\n${body}\n`);
    if (!read.ok) throw new Error(read.error[0]?.message);
    return read.value.tune;
  };
  const tracksOf = (bytes: Uint8Array) => parseMidi(bytes).tracks;
  const noteOns = (track: readonly MidiEvent[]) => track.filter((event) => event.type === 'noteOn');

  it('carries tempo, time, key and words; count-in and clicks on a track of their own', () => {
    const bytes = writeTuneFile(tune('G A B2|G4|]\nw:one two three four'), 'mid', {
      countIn: true,
      metronome: true,
      soundsAbove: 12,
    });
    const [conductor, melody, clicks] = tracksOf(bytes);
    expect(parseMidi(bytes).header).toMatchObject({ format: 1, numTracks: 3 });
    expect(conductor).toContainEqual(expect.objectContaining({ type: 'setTempo', microsecondsPerBeat: 666_667 }));
    expect(conductor).toContainEqual(expect.objectContaining({ type: 'timeSignature', numerator: 4, denominator: 4 }));
    expect(conductor).toContainEqual(expect.objectContaining({ type: 'keySignature', key: 1 }));
    expect(melody!.flatMap((event) => (event.type === 'lyrics' ? [event.text.trim()] : []))).toEqual([
      'one',
      'two',
      'three',
      'four',
    ]);
    expect(noteOns(melody!)[0]).toMatchObject({ noteNumber: 79, deltaTime: 0 });
    expect(noteOns(clicks!)).toHaveLength(12);
  });

  it('reads playing that is not exact', () => {
    const bytes = writeTuneFile(tune('G A/B/ (3A/B/A/ G|B4|]'), 'mid');
    const data = parseMidi(bytes);
    const human = data.tracks.map((track) =>
      track.map((event, index) => ({
        ...event,
        deltaTime: Math.max(0, event.deltaTime + (event.deltaTime > 100 ? (index % 3) * 8 - 8 : 0)),
      })),
    );
    const read = readTuneFile(Uint8Array.from(writeMidi({ ...data, tracks: human })));
    expect(read.ok && performedNotes(read.value.tune).map((note) => midiNumber(note.pitch))).toEqual([
      67, 69, 71, 69, 71, 69, 67, 71,
    ]);
    expect(read.ok && read.value.tune.parts[0].bars[0]!.filter((event) => event.value.tuplet !== null)).toHaveLength(3);
  });
});

describe('hostile and broken files', () => {
  const sentence = (bytes: Uint8Array): string => {
    const read = readTuneFile(bytes);
    return read.ok ? 'read' : read.error.map((error) => error.message).join(' ');
  };
  const text = (content: string): Uint8Array =>
    new Uint8Array([...content].map((letter) => letter.charCodeAt(0) & 255));

  it('give one clear sentence', () => {
    expect(sentence(new Uint8Array())).toContain('empty');
    expect(sentence(new Uint8Array(13_000_000))).toContain('13 MB');
    expect(sentence(new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]))).toContain('not text, MusicXML or MIDI');
    expect(sentence(text('MThd broken'))).toMatch(/MIDI file|no notes/);
    expect(sentence(text('PK broken'))).toContain('damaged');
    expect(sentence(text('<html><body>hello</body></html>'))).toContain('not a MusicXML score');
    expect(sentence(text('<score-timewise/>'))).toContain('no notes');
    expect(sentence(text('<score-partwise><part><measure/></part></score-partwise>'))).toContain('no notes');
    expect(
      sentence(text('<!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><score-partwise>&b;</score-partwise>')),
    ).toContain('entities');
  });

  it('refuses two thousand bars, and reads what older programs wrote', () => {
    expect(sentence(text(`X:1\nT:x\nM:4/4\nL:1/4\nK:G\n${'G4|\n'.repeat(2000)}`))).toContain('at most 600');
    const latin = readTuneFile(text('X:1\nT:Caf\u00e9\nM:4/4\nL:1/4\nK:G\nG4|]\n'));
    expect(latin.ok && latin.value.tune.title).toBe('Café');
    const wide = new Uint8Array([
      0xff,
      0xfe,
      ...[...'X:1\nT:Wide\nM:4/4\nL:1/4\nK:G\nG4|]\n'].flatMap((letter) => [letter.charCodeAt(0), 0]),
    ]);
    const utf16 = readTuneFile(wide);
    expect(utf16.ok && utf16.value.tune.title).toBe('Wide');
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
