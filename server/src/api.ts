/** The types that the web shares with the server: no code crosses. */
export type { Api } from './app.ts';
export type { Imported } from './features/archive/index.ts';
export type { ClassCalendar } from './features/calendar/index.ts';
export type { ChangeLine } from './features/changes/index.ts';
export type { ClassPage, ClassSummary, PupilDto, StepDto, StepPage, TunePage } from './features/class-page/index.ts';
export type { ClassSettings, Findable } from './features/classes/index.ts';
export type { ClassRecords, Recorded } from './features/hearing/index.ts';
export type { DatedLessonEvent } from './features/lesson/index.ts';
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
export type { PlaceId } from './features/erasures/index.ts';
export type { PupilRecord, Trace } from './features/pupils/index.ts';
export type { RecordingDto, RecordingList } from './features/recordings/index.ts';
export type { SchoolCaution } from './features/schools/index.ts';
export type { DemoAccount, Me, SessionLine } from './features/sign-in/index.ts';
export type { TermDto } from './features/terms/index.ts';
export type { TuneUse } from './features/tune-use/index.ts';
export type { TuneDto } from './features/tunes/index.ts';
export type { Condition, Owner } from '@escalier/core/instruments';
export type { Role } from './platform/context.ts';
export type { FieldProblem, PlainCode } from './platform/field-problem.ts';
export type { ErrorBody } from './platform/problem.ts';
export type { StaircaseChoice, StaircaseDto, StaircaseStepDto } from './features/planning/index.ts';
export type { RoomAnswer, RoomFacts, RoomOfClass, RoomTask, RoomTune, Slip } from './features/home/index.ts';
