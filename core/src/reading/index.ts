export { elementWords, type RhythmElement } from './elements.ts';
export { joinKnowledge, moveKey, NOTHING_KNOWN, type Knowledge } from './knowledge.ts';
export { DEFAULT_TEMPO, secondsOfWhole, type MoveUse } from './moves.ts';
export type { NoteUse } from './notes.ts';
export { knowledgeFrom, readTune, type Reading } from './read-tune.ts';
export { signWords, type Sign } from './signs.ts';
