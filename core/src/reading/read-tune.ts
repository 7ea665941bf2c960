import { fingeringsOf, type Instrument } from '../instruments/index.ts';
import { alteredLetters, keyName, keyAlter, type Letter, type Tempo, type Tune } from '../music/index.ts';
import { DEFAULT_BREATH_SECONDS, proposeBreaths, type Breath } from './breaths.ts';
import { difficultyOf, type Difficulty } from './difficulty.ts';
import { readDuet, type Duet } from './duet.ts';
import { rhythmElements, type RhythmElement } from './elements.ts';
import { readForm, type Form } from './form.ts';
import { hardSpots, type HardSpot } from './hard-spots.ts';
import { keyChoices, type KeyChoice } from './keys.ts';
import { moveKey, type Knowledge } from './knowledge.ts';
import { mixUpsOf, type MixUp } from './mix-ups.ts';
import { DEFAULT_TEMPO, moveUses, type MoveUse } from './moves.ts';
import { noteUses, type NoteUse } from './notes.ts';
import { playedMoves } from './played.ts';
import { signsOf, type Sign } from './signs.ts';
import { sungIn, type Sung } from './sung.ts';

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
  /** Pairs of notes to watch, those that stand on one line of the staff first. */
  readonly mixUps: readonly MixUp[];
  readonly elements: AllAndNew<RhythmElement>;
  readonly signs: AllAndNew<Sign>;
  readonly moves: AllAndNew<MoveUse>;
  readonly keySignature: {
    readonly name: string;
    readonly changes: readonly Letter[];
    /** Notes that the signature changes in this tune, with their bars. */
    readonly changed: readonly { readonly note: string; readonly bars: readonly number[] }[];
  };
  readonly hardSpots: readonly HardSpot[];
  readonly form: Form;
  readonly breaths: readonly Breath[];
  readonly difficulty: Difficulty;
  readonly keys: readonly KeyChoice[];
  /** The words of the first verse; null when nothing is sung. */
  readonly sung: Sung | null;
  /** Null for a tune of one part. */
  readonly duet: Duet | null;
}

export interface ReadSettings {
  /** Instead of the tune's own tempo. */
  readonly tempo?: Tempo | undefined;
  /** The most seconds that one breath carries. */
  readonly breathSeconds?: number;
}

/** Reads a tune at its own tempo, or at the one of the settings. */
export function readTune(tune: Tune, instrument: Instrument, known: Knowledge, settings: ReadSettings = {}): Reading {
  const tempo = settings.tempo ?? tune.tempo ?? DEFAULT_TEMPO;
  const notes = noteUses(tune);
  const elements = rhythmElements(tune);
  const signs = signsOf(tune);
  const played = tune.parts.flatMap((_, part) => playedMoves(tune, instrument, tempo, part));
  const moves = moveUses(tune, played);
  const newThings = {
    notes: notes.filter((use) => !known.notes.has(use.name)),
    elements: elements.filter((element) => !known.elements.has(element.id)),
    signs: signs.filter((sign) => !known.signs.has(sign.id)),
    moves: moves.filter((use) => !known.moves.has(moveKey(use.from, use.to))),
  };
  const newCount = {
    notes: newThings.notes.length,
    elements: newThings.elements.length,
    signs: newThings.signs.length,
    moves: newThings.moves.length,
  };
  const form = readForm(tune);
  const breaths = proposeBreaths(tune, tempo, settings.breathSeconds ?? DEFAULT_BREATH_SECONDS);
  return {
    title: tune.title,
    tempo,
    notes: { all: notes, new: newThings.notes },
    unplayable: notes.filter((use) => fingeringsOf(instrument, use.pitch).length === 0),
    mixUps: mixUpsOf(notes, known, instrument),
    elements: { all: elements, new: newThings.elements },
    signs: { all: signs, new: newThings.signs },
    moves: { all: moves, new: newThings.moves },
    keySignature: keySignature(tune, notes),
    hardSpots: hardSpots(tune, played, known, tempo),
    form,
    breaths,
    difficulty: difficultyOf({ on: instrument, tune, tempo, played, notes, newCount, elements, form, breaths }),
    keys: keyChoices(tune, instrument, known, notes, moves),
    sung: sungIn(tune),
    duet: readDuet(tune),
  };
}

function keySignature(tune: Tune, notes: readonly NoteUse[]): Reading['keySignature'] {
  const { key } = tune.bars[0]!;
  const changed = notes.filter((use) => use.pitch.alter !== 0 && use.pitch.alter === keyAlter(key, use.pitch.letter));
  return {
    name: keyName(key),
    changes: alteredLetters(key),
    changed: changed.map((use) => ({ note: use.name, bars: use.bars })),
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
