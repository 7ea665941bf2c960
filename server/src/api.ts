/** The types that the web shares with the server: no code crosses. */
export type { Api } from './app.ts';
export type { ClassCalendar, TermDto } from './features/calendar/index.ts';
export type {
  ClassPage,
  ClassSettings,
  ClassSummary,
  PupilRecord,
  StaircaseChoice,
  PupilDto,
  StepDto,
  StepPage,
  TunePage,
} from './features/classes/index.ts';
export type { Recorded } from './features/hearing/index.ts';
export type { ClassNotes, NoteOnStairs } from './features/notes/index.ts';
export type { DemoAccount, Me, SchoolCaution } from './features/schools/index.ts';
export type { TuneDto } from './features/tunes/index.ts';
export type { ErrorBody } from './platform/problem.ts';
