import type { Lesson, LocalDate } from '@escalier/core/calendar';
import type { GoOn, Standing } from '@escalier/core/records';
import type { Rise } from '@escalier/core/staircase';
import type { BreathPlace, TeachingStyle } from './entities.ts';

export interface ClassBrief {
  readonly id: string;
  readonly name: string;
  readonly grade: string;
  readonly instrumentId: string;
  readonly style: TeachingStyle;
}

export interface LessonsDto {
  readonly total: number;
  readonly had: number;
  readonly left: number;
  readonly next: Lesson | null;
}

export interface ClassSummary extends ClassBrief {
  readonly pupils: number;
  readonly lessons: LessonsDto;
  /** For each step: its belt, and how many pupils work on it; the last number counts those who have passed all. */
  readonly belts: readonly string[];
  readonly onStep: readonly number[];
  readonly nearly: number;
  readonly stuck: number;
  /** Whom to hear first; null when nobody waits. */
  readonly hearFirst: { readonly id: string; readonly name: string } | null;
}

export interface StepDto {
  readonly id: string;
  readonly position: number;
  readonly belt: string;
  readonly lessons: number;
  readonly tuneId: string;
  readonly title: string;
  /** One playing at the tune's tempo, in seconds. */
  readonly tuneSeconds: number;
  readonly rise: Rise;
  /** Written pitches new at this step, `F#4`. */
  readonly newNotes: readonly string[];
  readonly newElements: readonly string[];
  readonly newSigns: readonly string[];
  readonly goOn: GoOn;
}

export interface PupilDto {
  readonly id: string;
  readonly name: string;
  readonly startStep: number;
  readonly joinedOn: LocalDate;
  readonly leftOn: LocalDate | null;
  /** Another instrument than the class's; null for the same. */
  readonly playsInstead: string | null;
  /** Noted as away today: heard another day. */
  readonly away: boolean;
  /** Null for pupils who have left. */
  readonly standing: Standing | null;
}

export interface ClassPage extends ClassBrief {
  readonly today: LocalDate;
  readonly term: { readonly name: string; readonly startsOn: LocalDate; readonly endsOn: LocalDate };
  readonly lessons: LessonsDto & { readonly all: readonly Lesson[] };
  readonly steps: readonly StepDto[];
  readonly pupils: readonly PupilDto[];
  /** Ids of pupils who are here today, whom to hear first at the front. */
  readonly hearingOrder: readonly string[];
}

export interface KnownDto {
  readonly notes: readonly string[];
  readonly elements: readonly string[];
  readonly signs: readonly string[];
  readonly moves: readonly string[];
}

/** A tune as one class meets it. */
export interface TunePage {
  readonly schoolClass: ClassBrief;
  readonly tuneId: string;
  readonly title: string;
  readonly abc: string;
  /** What the class knows before this tune. */
  readonly known: KnownDto;
  readonly breathSeconds: number;
  /** Null for what Escalier proposes. */
  readonly breaths: readonly BreathPlace[] | null;
}

export interface StepPage extends TunePage {
  readonly step: StepDto;
  readonly steps: number;
}
