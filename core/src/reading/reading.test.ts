import { describe, expect, it } from 'vitest';
import { readAbc } from '../formats/index.ts';
import { instrument } from '../instruments/index.ts';
import type { Tune } from '../music/index.ts';
import { joinKnowledge, knowledgeFrom, NOTHING_KNOWN, readTune, type Knowledge } from './index.ts';

const recorder = instrument('soprano-recorder-baroque');

function tune(body: string, head = 'M:4/4\nL:1/4\nQ:1/4=60\nK:G'): Tune {
  const read = readAbc(`X:1\nT:Test\n${head}\n${body}\n`);
  if (!read.ok) throw new Error(read.error[0]?.message);
  return read.value.tune;
}

const knowing = (...notes: string[]): Knowledge => ({ ...NOTHING_KNOWN, notes: new Set(notes) });

describe('readTune', () => {
  it('counts notes, finds the new ones and their bars', () => {
    const { notes } = readTune(tune('B A G2|A E A E|G4|]'), recorder, knowing('B4', 'A4', 'G4'));
    expect(notes.all.map((use) => `${use.name} ${use.count}`)).toEqual(['E4 2', 'G4 2', 'A4 3', 'B4 1']);
    expect(notes.new).toMatchObject([{ name: 'E4', count: 2, bars: [2] }]);
  });

  it('strikes tied notes once', () => {
    expect(readTune(tune('G4-|G4|]'), recorder, NOTHING_KNOWN).notes.all).toMatchObject([{ count: 1, bars: [1, 2] }]);
  });

  it('names notes that the instrument has no fingering for', () => {
    expect(readTune(tune('G, A B2|]'), recorder, NOTHING_KNOWN).unplayable.map((use) => use.name)).toEqual(['G3']);
  });

  it('finds every kind of rhythm element and sign', () => {
    const reading = readTune(
      tune('D|: G>A (BA)|c/B3/2 z2|1 G3 z:|2 G4|]', 'M:4/4\nL:1/4\nK:G'),
      recorder,
      NOTHING_KNOWN,
    );
    expect(reading.elements.all.map((element) => element.id)).toEqual([
      'pickup',
      'note quarter',
      'note dotted-quarter',
      'note eighth',
      'rest half',
      'syncopation',
      'note dotted-half',
      'rest quarter',
      'note whole',
    ]);
    expect(reading.signs.all.map((sign) => sign.id)).toEqual(['metre 4/4', 'key 1', 'repeat', 'slur', 'endings']);
    expect(reading.keySignature).toEqual({ name: 'G major', changes: ['F'], changed: [] });
  });

  it('hears a syncopation only where a note sounds over the next beat', () => {
    const ids = (body: string, head: string) =>
      readTune(tune(body, head), recorder, NOTHING_KNOWN).elements.all.map((element) => element.id);
    expect(ids('G/A G/ B2|]', 'M:4/4\nL:1/4\nK:G')).toContain('syncopation');
    expect(ids('G>A B2|]', 'M:4/4\nL:1/4\nK:G')).not.toContain('syncopation');
    expect(ids('G2A B2A|]', 'M:6/8\nL:1/8\nK:G')).not.toContain('syncopation');
    expect(ids('G2A B2A|]', 'M:6/8\nL:1/8\nK:G')).toContain('compound');
  });

  it('lists moves once, hardest at tempo first, not across rests', () => {
    const { moves } = readTune(tune('A E A E|G z E2|]'), recorder, NOTHING_KNOWN);
    expect(moves.all.map((use) => `${use.from}>${use.to} ${use.count}`)).toEqual(['A4>E4 2', 'E4>A4 1', 'E4>G4 1']);
    const quick = readTune(tune('A/E/A/E/ G2|]'), recorder, NOTHING_KNOWN).moves.all[0]!;
    expect(quick.costAtTempo).toBeGreaterThan(moves.all[0]!.costAtTempo);
  });

  it('brings nothing new to a class that has learned it', () => {
    const once = readTune(tune('B A G2|A E A E|G4|]'), recorder, NOTHING_KNOWN);
    const again = readTune(tune('B A G2|A E A E|G4|]'), recorder, joinKnowledge(NOTHING_KNOWN, knowledgeFrom(once)));
    expect([again.notes, again.elements, again.signs, again.moves].map((group) => group.new.length)).toEqual([
      0, 0, 0, 0,
    ]);
  });

  it('uses the class tempo before the tune’s, and a sensible one where there is none', () => {
    const slow = { beat: { num: 1, den: 4 }, perMinute: 50 };
    expect(readTune(tune('G4|]'), recorder, NOTHING_KNOWN).tempo.perMinute).toBe(60);
    expect(readTune(tune('G4|]'), recorder, NOTHING_KNOWN, { tempo: slow }).tempo.perMinute).toBe(50);
    expect(readTune(tune('G4|]', 'M:4/4\nL:1/4\nK:G'), recorder, NOTHING_KNOWN).tempo.perMinute).toBe(84);
  });
});
