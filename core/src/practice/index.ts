export { bareVersions, FEWEST_STAGES, MOST_STAGES, type BareVersion } from './bare.ts';
export { bridgeBetween, bridgeTo, type Bridge } from './bridge.ts';
export { missingCards, rhythmCards, type CardRequest, type MissingCard, type RhythmCard } from './cards.ts';
export { preparation, toggleSheet, type Preparation, type PreparedMove } from './drill.ts';
export { DEFAULT_PER_GRADE, echoPatterns, echoPlace, type EchoRequest, type EchoSet } from './echo.ts';
export {
  ECHO_GRADES,
  ECHO_METRE,
  echoSheet,
  echoTurns,
  type EchoGrade,
  type EchoPattern,
  type EchoTurn,
} from './echo-pattern.ts';
export { moveTable, movesAround, moveWalk, type MovePair, type MoveTable } from './move-table.ts';
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
export { seeded } from './random.ts';
export { plainValue, rulesFor, valuesKnown, type RhythmRules, type RhythmValue } from './rhythm.ts';
export { shortTune, type ShortTune } from './short-tune.ts';
