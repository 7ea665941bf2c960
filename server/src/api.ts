/** The types that the web shares with the server: no code crosses. */
export type { Api } from './app.ts';
export type { Imported } from './features/archive/index.ts';
export type { ClassCalendar, TermDto } from './features/calendar/index.ts';
export type {
  ClassPage,
  ClassRecords,
  ClassSettings,
  ClassSummary,
  Findable,
  PupilRecord,
  StaircaseChoice,
  PupilDto,
  StepDto,
  StepPage,
  TunePage,
} from './features/classes/index.ts';
export type { Recorded } from './features/hearing/index.ts';
export type { ClassNotes, NoteOnStairs } from './features/notes/index.ts';
export type {
  BeltList,
  ClassBelts,
  EarnedBelt,
  BeltStock,
  InstrumentList,
  InstrumentLine,
  Lending,
  LendingClass,
} from './features/instruments/index.ts';
export type { Invited, InvitationLine, NewLink, People, PersonLine } from './features/people/index.ts';
export type { ChangeLine, DemoAccount, Me, SchoolCaution, SessionLine } from './features/schools/index.ts';
export type { TuneDto, TuneUse } from './features/tunes/index.ts';
export type { Condition, Owner } from '@escalier/core/instruments';
export type { Role } from './platform/context.ts';
export type { ErrorBody } from './platform/problem.ts';
