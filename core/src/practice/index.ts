export { bareVersions, FEWEST_STAGES, MOST_STAGES, type BareVersion } from './bare.ts';
export { bridgeBetween, bridgeTo, teachingOrder, type Bridge } from './bridge.ts';
export { contrastWithWhite, LEAST_CONTRAST, USUAL_COLOURS, type NoteColours } from './colours.ts';
export { missingCards, rhythmCards, type CardRequest, type MissingCard, type RhythmCard } from './cards.ts';
export { CAUTION_PLACES, LOCAL_RULES, USUAL_CAUTIONS, type Caution, type CautionPlace } from './cautions.ts';
export { CHAIN_BEATS, chainOf, chainSheet, type Chain, type ChainRound } from './chains.ts';
export {
  CHUNK_BEATS,
  chunkLadder,
  DEFAULT_CHUNK_BEATS,
  type Chunk,
  type ChunkReason,
  type ChunkStart,
} from './chunks.ts';
export { preparation, toggleSheet, type Preparation, type PreparedMove } from './drill.ts';
export { DEFAULT_PER_GRADE, echoPatterns, echoPlace, type EchoGap, type EchoRequest, type EchoSet } from './echo.ts';
export { changeOne, type ChangedPattern } from './echo-change.ts';
export {
  ECHO_GRADES,
  ECHO_METRE,
  echoSheet,
  echoTurns,
  type EchoGrade,
  type EchoPattern,
  type EchoTrap,
  type EchoTurn,
} from './echo-pattern.ts';
export { moveTable, movesAround, moveWalk, type MovePair, type MoveTable } from './move-table.ts';
export { rowsUnder, wordsUnder, type RowRequest, type TextsUnder } from './note-rows.ts';
export { onOneNote } from './one-note.ts';
export {
  barAt,
  barFromTaps,
  countBars,
  openBar,
  sampleBars,
  type OpenBar,
  type PatternSource,
} from './own-patterns.ts';
export {
  COVER_TEST,
  MOUTH_RULES,
  postureChecks,
  REST_PLACES,
  USUAL_POSTURE,
  type Holding,
  type MouthRule,
  type Posture,
  type RestPlace,
} from './posture.ts';
export { below, pick, seeded, type Random } from './random.ts';
export { plainValue, rulesFor, valuesKnown, type RhythmRules, type RhythmValue } from './rhythm.ts';
export { plainestKey, shortTune, type ShortTune } from './short-tune.ts';
export { soundProblems, type SoundProblem } from './sound-problems.ts';
export * from './teaching.ts';
