export { KeptStandingEntity, RecordCountEntity, RecordEventEntity } from './entities.ts';
export { standingsOfClimbers, type Climber } from './kept-standings.ts';
export { liveRecords, type LiveRecords } from './live.ts';
export {
  blankReasons,
  heardOnSteps,
  markedHearings,
  resultsOfClass,
  resultsWithTune,
  toEvent,
  type EventRow,
  type HeardOnStep,
} from './read-events.ts';
export { hearingRoutes, recordRoutes } from './routes.ts';
export { liveStreams } from './streams.ts';
export { RECORD_COLUMNS } from './columns.ts';
