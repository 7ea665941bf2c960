import { findInstrument } from '@escalier/core/instruments';
import { pitch, pitchName } from '@escalier/core/music';
import { teachingOrder } from '@escalier/core/practice';
import type { SignedIn } from '../../platform/context.ts';
import { z } from 'zod';
import type { EntityManager } from '../../platform/database.ts';
import { text } from '../../platform/fields.ts';
import { version } from '../../platform/versions.ts';
import { changedMeanwhile, changeVersion, noteChange } from '../changes/index.ts';
import { classOf, ClassNoteEntity } from '../classes/index.ts';
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
  /** What the class's teacher says about it, and where it stands in the class's book; null for nothing yet. */
  readonly own: OwnNote | null;
}

/** A class's own words about a note. */
export interface OwnNote {
  readonly hint: string;
  readonly bookPage: string;
  readonly version: number;
}

export interface ClassNotes {
  readonly schoolClass: ClassFacts;
  /** In the order of teaching. */
  readonly notes: readonly NoteOnStairs[];
  /** The next one to introduce: of the step that the class works on, or of the first above it that brings one. */
  readonly next: string | null;
  /** Position of the step that the class works on by its own rule; one more than there are when it has passed all. */
  readonly classStep: number;
  /** Pupils who have come to the step of that note, and all. */
  readonly arrived: { readonly count: number; readonly of: number };
  readonly cautions: readonly SchoolCaution[];
  readonly cautionsVersion: number;
}

/** @throws Problem 404 when the class is not of the asker's school. */
export async function classNotes(em: EntityManager, who: SignedIn, classId: string): Promise<ClassNotes> {
  const { facts, steps, pupils, done } = await classClimb(em, who, classId);
  const own = new Map((await em.find(ClassNoteEntity, { schoolClass: classId })).map((row) => [row.note, row]));
  const notes = steps.flatMap((step) => notesOfStep(facts.instrumentId, step, own));
  const { cautions, version } = await readCautions(em, who.schoolId);
  const nextStep = steps.find((step) => step.newNotes.length > 0 && step.position > done) ?? null;
  return {
    schoolClass: facts,
    notes,
    next: notes.find((each) => each.position === nextStep?.position)?.note ?? null,
    classStep: done + 1,
    arrived: { count: nextStep?.pupilsHere ?? pupils, of: pupils },
    cautions,
    cautionsVersion: version,
  };
}

function ownOf(row: OwnNote | undefined): OwnNote | null {
  return row === undefined ? null : { hint: row.hint, bookPage: row.bookPage, version: row.version };
}

export const ownNoteInput = z.object({
  hint: text().trim().max(300),
  bookPage: text().trim().max(40),
  /** 0 as long as the class has said nothing. */
  version,
});

/** Keeps what a class says about a note. @throws Problem 404, 409. */
export async function keepOwnNote(
  em: EntityManager,
  who: SignedIn,
  classId: string,
  note: string,
  { version: read, ...next }: z.infer<typeof ownNoteInput>,
): Promise<OwnNote> {
  const { name } = await classOf(em, who, classId);
  const where = { schoolClass: classId, note };
  await em.transactional(async (tx) => {
    if (read === 0) {
      const made = await tx
        .createQueryBuilder(ClassNoteEntity)
        .insert({ ...where, ...next })
        .onConflict()
        .ignore();
      if (made.affectedRows === 0) throw await changedMeanwhile(tx, who.schoolId, classId);
    } else await changeVersion(tx, who, ClassNoteEntity, { where, about: classId, version: read }, next);
    await noteChange(tx, who, classId, `${name}: own words about ${note}`);
  });
  return { ...next, version: read + 1 };
}

function notesOfStep(
  instrumentId: string,
  step: ClimbStep,
  own: ReadonlyMap<string, OwnNote>,
): readonly NoteOnStairs[] {
  const on = findInstrument(instrumentId)!;
  const known = step.knownBefore.notes;
  const ordered = teachingOrder(on, known.map(pitch), step.newNotes.map(pitch)).map(pitchName);
  return ordered.map((note, index) => ({
    note,
    position: step.position,
    title: step.title,
    knownNotes: [...known, ...ordered.slice(0, index)],
    knownElements: step.knownBefore.elements,
    own: ownOf(own.get(note)),
  }));
}
