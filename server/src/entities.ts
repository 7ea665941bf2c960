import {
  AbsenceEntity,
  ClassEntity,
  ClassTeacherEntity,
  ClassTuneEntity,
  KeptStandingEntity,
  PupilEntity,
  PupilMoveEntity,
} from './features/classes/index.ts';
import { RecordCountEntity, RecordEventEntity } from './features/hearing/index.ts';
import { BeltGivenEntity, BeltStockEntity, InstrumentEntity, LoanEntity } from './features/instruments/index.ts';
import { InvitationEntity, SetupCodeEntity } from './features/people/index.ts';
import {
  AccountEntity,
  ChangeEntity,
  KnownDeviceEntity,
  SchoolEntity,
  SessionEntity,
  SignInTryEntity,
  TermEntity,
} from './features/schools/index.ts';
import { StaircaseEntity, StepEntity, StepTuneEntity } from './features/staircase/index.ts';
import { TuneEntity } from './features/tunes/index.ts';

export const entities = [
  SchoolEntity,
  TermEntity,
  AccountEntity,
  SessionEntity,
  SignInTryEntity,
  ChangeEntity,
  InvitationEntity,
  SetupCodeEntity,
  KnownDeviceEntity,
  TuneEntity,
  StaircaseEntity,
  StepEntity,
  StepTuneEntity,
  ClassEntity,
  ClassTeacherEntity,
  PupilEntity,
  PupilMoveEntity,
  AbsenceEntity,
  ClassTuneEntity,
  KeptStandingEntity,
  RecordEventEntity,
  RecordCountEntity,
  InstrumentEntity,
  LoanEntity,
  BeltStockEntity,
  BeltGivenEntity,
];
