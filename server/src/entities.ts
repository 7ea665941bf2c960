import { AbsenceEntity, ClassEntity, ClassTuneEntity, PupilEntity, PupilMoveEntity } from './features/classes/index.ts';
import { RecordEventEntity } from './features/hearing/index.ts';
import { AccountEntity, SchoolEntity, SessionEntity, TermEntity } from './features/schools/index.ts';
import { StaircaseEntity, StepEntity } from './features/staircase/index.ts';
import { TuneEntity } from './features/tunes/index.ts';

export const entities = [
  SchoolEntity,
  TermEntity,
  AccountEntity,
  SessionEntity,
  TuneEntity,
  StaircaseEntity,
  StepEntity,
  ClassEntity,
  PupilEntity,
  PupilMoveEntity,
  AbsenceEntity,
  ClassTuneEntity,
  RecordEventEntity,
];
