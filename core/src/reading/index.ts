export { DEFAULT_BREATH_SECONDS, proposeBreaths, type Breath, type BreathReason } from './breaths.ts';
export type { Difficulty } from './difficulty.ts';
export type { Duet, DuetMoment } from './duet.ts';
export type { RhythmElement } from './elements.ts';
export { chooseNotes, offersChoice } from './either-or.ts';
export { figuresOf, type Figure, type FigureKind, type FigurePlace } from './figures.ts';
export type { Form } from './form.ts';
export type { HardestMove, HardSpot } from './hard-spots.ts';
export type { KeyChoice } from './keys.ts';
export {
  joinKnowledge,
  knowledgeByName,
  moveKey,
  NOTHING_KNOWN,
  type KnownNames,
  type Knowledge,
} from './knowledge.ts';
export type { MixUp, MixUpKind } from './mix-ups.ts';
export { DEFAULT_TEMPO, type MoveUse } from './moves.ts';
export type { NoteUse } from './notes.ts';
export { comparePlaces, phraseBars, phraseLines, type PhraseBar, type Place } from './phrases.ts';
export { secondsOfWhole, tuneSeconds } from './played.ts';
export { knowledgeFrom, readTune, type Reading, type ReadSettings } from './read-tune.ts';
export type { Sign } from './signs.ts';
export { syllableAt, type Sung, type SungSyllable } from './sung.ts';
export { tempoLadder, tempoRungs } from './tempo-ladder.ts';
export { shiftFor, transposeTune, type Shift } from './transpose.ts';
