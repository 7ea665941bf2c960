import type { PrintSize } from '@escalier/core/handouts';
import type { Lesson, LocalDate } from '@escalier/core/calendar';
import type { KnownNames } from '@escalier/core/reading';
import type { HardMove, TroubleSpot } from '@escalier/core/records';
import type { Rise, StepPassRule, TuneRole } from '@escalier/core/staircase';
import type { BreathPlace, TeachingStyle } from '../classes/index.ts';

export interface ClassFacts {
  readonly id: string;
  readonly staircaseId: string;
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
  /** Meetings of the term that fall on days off. */
  readonly lost: number;
}

export interface ClassSummary extends ClassFacts {
  readonly pupils: number;
  readonly lessons: LessonsDto;
  /** For each step: its belt, and how many pupils work on it; the last number counts those who have passed all. */
  readonly belts: readonly string[];
  readonly onStep: readonly number[];
  readonly nearly: number;
  readonly stuck: number;
  /** Whom to hear first; null when nobody waits. */
  readonly hearFirst: { readonly id: string; readonly name: string } | null;
  /** Index of the step that the class works on. */
  readonly classStep: number;
  /** Who has waited longest to be heard, when that is more than a lesson. */
  readonly waits: { readonly id: string; readonly name: string; readonly lessons: number } | null;
}

export interface StepDto {
  readonly id: string;
  readonly position: number;
  readonly belt: string;
  readonly lessons: number;
  readonly tuneId: string;
  readonly title: string;
  /** All tunes of the step, the first one first. */
  readonly tunes: readonly {
    readonly id: string;
    readonly title: string;
    readonly role: TuneRole;
    /** On its sheet. */
    readonly bars: number;
  }[];
  /** How many of them have to be passed. */
  readonly toPass: number;
  readonly passRule: StepPassRule;
  /** One playing of the first tune at its tempo, in seconds. */
  readonly tuneSeconds: number;
  /** Beats a minute of the first tune. */
  readonly tempo: number;
  readonly hardMoves: readonly HardMove[];
  readonly rise: Rise;
  /** Written pitches new at this step, `F#4`. */
  readonly newNotes: readonly string[];
  readonly newElements: readonly string[];
  readonly newSigns: readonly string[];
}

export interface PupilDto {
  readonly id: string;
  readonly name: string;
  readonly startStep: number;
  readonly joinedOn: LocalDate;
  readonly leftOn: LocalDate | null;
  /** Another instrument than the class's; null for the same. */
  readonly playsInstead: string | null;
  /** The most seconds that one breath carries; null for those of the class. */
  readonly breathSeconds: number | null;
  /** How large sheets are printed. */
  readonly printSize: PrintSize;
  /** Plays the easier line of a tune that has one. */
  readonly easierLine: boolean;
  /** The personal data is gone for good: devices keep no free words about this pupil either. */
  readonly erased: boolean;
  /** Noted as away today: heard another day. */
  readonly away: boolean;
  /** How many records the school has of this pupil. */
  readonly records: number;
}

/** The facts of a class on a day; what they and its records come to is worked out by core/classes, here as on devices. */
export interface ClassPage extends ClassFacts {
  readonly today: LocalDate;
  readonly term: { readonly name: string; readonly startsOn: LocalDate; readonly endsOn: LocalDate };
  readonly lessons: LessonsDto & { readonly all: readonly Lesson[] };
  readonly steps: readonly StepDto[];
  readonly pupils: readonly PupilDto[];
  /** By the school's clock. */
  readonly timeZone: string;
}

/** A tune as one class meets it. */
export interface TunePage {
  readonly schoolClass: ClassFacts;
  readonly tuneId: string;
  readonly title: string;
  readonly abc: string;
  /** What the class knows before this tune. */
  readonly known: KnownNames;
  readonly breathSeconds: number;
  /** Null for what Escalier proposes. */
  readonly breaths: readonly BreathPlace[] | null;
  /** Of the breaths; 0 as long as the class has changed nothing. */
  readonly breathsVersion: number;
  /** Where the tune stands in the class's own book; empty when it does not. */
  readonly bookPage: string;
  /** Where pupils of the class stopped in it, most first. */
  readonly troubles: readonly TroubleSpot[];
}

export interface StepPage extends TunePage {
  readonly step: StepDto;
  readonly steps: number;
}
