import type { EntitySchema } from '@mikro-orm/core';
import { AccountEntity } from './features/accounts/index.ts';
import { ChangeEntity } from './features/changes/index.ts';
import {
  AbsenceEntity,
  ClassEntity,
  ClassTeacherEntity,
  ClassNoteEntity,
  ClassTuneEntity,
  PupilEntity,
  PupilMoveEntity,
} from './features/classes/index.ts';
import { KeptStandingEntity, RecordCountEntity, RecordEventEntity } from './features/hearing/index.ts';
import { DoorEntity, DoorKeyEntity, RoomEntity } from './features/home/index.ts';
import { BeltGivenEntity, BeltStockEntity, InstrumentEntity, LoanEntity } from './features/instruments/index.ts';
import { LessonEventEntity } from './features/lesson/index.ts';
import { InvitationEntity, SetupCodeEntity } from './features/people/index.ts';
import { RecordingEntity } from './features/recordings/index.ts';
import { SchoolEntity } from './features/schools/index.ts';
import { ErasureEntity } from './features/erasures/index.ts';
import { RateLimitEntity } from './platform/rate-limits.ts';
import { KnownDeviceEntity, SessionEntity } from './features/sign-in/index.ts';
import { StaircaseEntity, StepEntity, StepTuneEntity } from './features/staircase/index.ts';
import { TermEntity } from './features/terms/index.ts';
import { TuneEntity } from './features/tunes/index.ts';

export const entities: EntitySchema[] = [
  SchoolEntity,
  TermEntity,
  AccountEntity,
  SessionEntity,
  RateLimitEntity,
  ErasureEntity,
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
  ClassNoteEntity,
  ClassTuneEntity,
  KeptStandingEntity,
  RecordEventEntity,
  RecordCountEntity,
  LessonEventEntity,
  RecordingEntity,
  InstrumentEntity,
  LoanEntity,
  BeltStockEntity,
  BeltGivenEntity,
  RoomEntity,
  DoorEntity,
  DoorKeyEntity,
];
