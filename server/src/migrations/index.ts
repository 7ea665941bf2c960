import type { MigrationObject } from '@mikro-orm/core';
import { AnswerVersions } from './answer-versions.ts';
import { Calendar } from './calendar.ts';
import { ChangesAreFacts } from './changes-are-facts.ts';
import { Erasures } from './erasures.ts';
import { FirstFlight } from './first-flight.ts';
import { ForeignKeyIndexes } from './foreign-key-indexes.ts';
import { Handouts } from './handouts.ts';
import { Hardening } from './hardening.ts';
import { Hearing } from './hearing.ts';
import { HouseCleaning } from './house-cleaning.ts';
import { NoteLesson } from './note-lesson.ts';
import { PeopleAndThings } from './people-and-things.ts';
import { Pupils } from './pupils.ts';
import { RateLimits } from './rate-limits.ts';
import { Recordings } from './recordings.ts';
import { PracticeRoom } from './practice-room.ts';
import { RecordCounts } from './record-counts.ts';
import { ResultsCarryDetails } from './results-carry-details.ts';
import { RulesInTheDatabase } from './rules-in-the-database.ts';
import { ClassesPlayBeforeHearing } from './classes-play-before-hearing.ts';
import { SchoolsChooseTheirEnglish } from './schools-choose-their-english.ts';
import { SpokenAnswers } from './spoken-answers.ts';
import { Staircases } from './staircases.ts';
import { Lessons } from './lessons.ts';
import { TeachingTunes } from './teaching-tunes.ts';
import { TuneLibrary } from './tune-library.ts';

/** In order. A migration that has been released is never changed; the next one mends it. */
export const migrations: readonly MigrationObject[] = [
  { name: '2026-11-25-first-flight', class: FirstFlight },
  { name: '2026-11-25-tune-library', class: TuneLibrary },
  { name: '2026-11-25-note-lesson', class: NoteLesson },
  { name: '2026-11-25-calendar', class: Calendar },
  { name: '2026-11-25-pupils', class: Pupils },
  { name: '2026-11-25-people-and-things', class: PeopleAndThings },
  { name: '2026-11-25-record-counts', class: RecordCounts },
  { name: '2026-11-25-hearing', class: Hearing },
  { name: '2026-11-26-hardening', class: Hardening },
  { name: '2026-11-26-house-cleaning', class: HouseCleaning },
  { name: '2026-11-27-staircases', class: Staircases },
  { name: '2026-11-27-teaching-tunes', class: TeachingTunes },
  { name: '2026-11-28-lessons', class: Lessons },
  { name: '2026-11-29-recordings', class: Recordings },
  { name: '2026-11-30-spoken-answers', class: SpokenAnswers },
  { name: '2026-11-30-handouts', class: Handouts },
  { name: '2026-12-01-practice-room', class: PracticeRoom },
  { name: '2026-12-02-rate-limits', class: RateLimits },
  { name: '2026-12-02-answer-versions', class: AnswerVersions },
  { name: '2026-12-02-erasures', class: Erasures },
  { name: '2026-12-03-foreign-key-indexes', class: ForeignKeyIndexes },
  { name: '2026-12-04-results-carry-details', class: ResultsCarryDetails },
  { name: '2026-12-04-changes-are-facts', class: ChangesAreFacts },
  { name: '2026-12-04-rules-in-the-database', class: RulesInTheDatabase },
  { name: '2026-12-07-schools-choose-their-english', class: SchoolsChooseTheirEnglish },
  { name: '2026-12-08-classes-play-before-hearing', class: ClassesPlayBeforeHearing },
];
