import { findInstrument } from '@escalier/core/instruments';
import { pitch, pitchName } from '@escalier/core/music';
import { teachingOrder } from '@escalier/core/practice';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { classClimb, type ClassFacts, type ClimbStep } from '../class-page/index.ts';
import { readCautions } from '../school-settings/index.ts';
import type { SchoolCaution } from '../schools/index.ts';

/** A note that a class meets on its stairs. */
export interface NoteOnStairs {
  /** Written pitch, `F#4`. */
  readonly note: string;
  readonly position: number;
  readonly title: string;
  /** What the class has when the note comes: the steps below, and the notes of this step that come before it. */
  readonly knownNotes: readonly string[];
  readonly knownElements: readonly string[];
}

export interface ClassNotes {
  readonly schoolClass: ClassFacts;
  /** In the order of teaching. */
  readonly notes: readonly NoteOnStairs[];
  /** The next one to introduce; null when the class has met them all. */
  readonly next: string | null;
  /** Pupils who have come to the step of that note, and all. */
  readonly arrived: { readonly count: number; readonly of: number };
  readonly cautions: readonly SchoolCaution[];
  readonly cautionsVersion: number;
}

/** @throws Problem 404 when the class is not of the asker's school. */
export async function classNotes(em: EntityManager, who: SignedIn, classId: string): Promise<ClassNotes> {
  const { facts, steps, pupils } = await classClimb(em, who, classId);
  const notes = steps.flatMap((step) => notesOfStep(facts.instrumentId, step));
  const { cautions, version } = await readCautions(em, who.schoolId);
  const nextStep = steps.find((step) => step.newNotes.length > 0 && step.pupilsHere * 2 < pupils) ?? null;
  return {
    schoolClass: facts,
    notes,
    next: notes.find((each) => each.position === nextStep?.position)?.note ?? null,
    arrived: { count: nextStep?.pupilsHere ?? pupils, of: pupils },
    cautions,
    cautionsVersion: version,
  };
}

function notesOfStep(instrumentId: string, step: ClimbStep): readonly NoteOnStairs[] {
  const on = findInstrument(instrumentId)!;
  const known = step.knownBefore.notes;
  const ordered = teachingOrder(on, known.map(pitch), step.newNotes.map(pitch)).map(pitchName);
  return ordered.map((note, index) => ({
    note,
    position: step.position,
    title: step.title,
    knownNotes: [...known, ...ordered.slice(0, index)],
    knownElements: step.knownBefore.elements,
  }));
}
