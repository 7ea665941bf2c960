import { fingeringsOf, type Instrument } from '../instruments/index.ts';
import { alteredLetters, keyName, type Letter, type Tempo, type Tune } from '../music/index.ts';
import { rhythmElements, type RhythmElement } from './elements.ts';
import { moveKey, type Knowledge } from './knowledge.ts';
import { DEFAULT_TEMPO, moveUses, type MoveUse } from './moves.ts';
import { noteUses, type NoteUse } from './notes.ts';
import { signsOf, type Sign } from './signs.ts';

interface AllAndNew<Thing> {
  readonly all: readonly Thing[];
  readonly new: readonly Thing[];
}

/** What an experienced teacher sees in a tune, for one instrument and what one class knows. */
export interface Reading {
  readonly title: string;
  readonly tempo: Tempo;
  readonly notes: AllAndNew<NoteUse>;
  /** Notes that the instrument has no fingering for. */
  readonly unplayable: readonly NoteUse[];
  readonly elements: AllAndNew<RhythmElement>;
  readonly signs: AllAndNew<Sign>;
  readonly moves: AllAndNew<MoveUse>;
  readonly keySignature: { readonly name: string; readonly changes: readonly Letter[] };
}

/** Reads a tune at its own tempo, or at `tempo`. */
export function readTune(tune: Tune, on: Instrument, known: Knowledge, tempo?: Tempo): Reading {
  const passTempo = tempo ?? tune.tempo ?? DEFAULT_TEMPO;
  const notes = noteUses(tune);
  const elements = rhythmElements(tune);
  const signs = signsOf(tune);
  const moves = moveUses(tune, on, passTempo);
  const { key } = tune.bars[0]!;
  return {
    title: tune.title,
    tempo: passTempo,
    notes: { all: notes, new: notes.filter((use) => !known.notes.has(use.name)) },
    unplayable: notes.filter((use) => fingeringsOf(on, use.pitch).length === 0),
    elements: { all: elements, new: elements.filter((element) => !known.elements.has(element.id)) },
    signs: { all: signs, new: signs.filter((sign) => !known.signs.has(sign.id)) },
    moves: { all: moves, new: moves.filter((use) => !known.moves.has(moveKey(use.from, use.to))) },
    keySignature: { name: keyName(key), changes: alteredLetters(key) },
  };
}

/** What a class knows once it has learned a tune. */
export function knowledgeFrom(reading: Reading): Knowledge {
  return {
    notes: new Set(reading.notes.all.map((use) => use.name)),
    elements: new Set(reading.elements.all.map((element) => element.id)),
    signs: new Set(reading.signs.all.map((sign) => sign.id)),
    moves: new Set(reading.moves.all.map((use) => moveKey(use.from, use.to))),
  };
}
