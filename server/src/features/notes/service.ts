import type { OwnNoteInput } from '@escalier/contract/notes';
import type { ClassNotes, NoteOnStairs, OwnNote } from '@escalier/contract/notes';
import { findInstrument } from '@escalier/core/instruments';
import { pitch, pitchName } from '@escalier/core/music';
import { teachingOrder } from '@escalier/core/practice';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { changedMeanwhile, changeVersion, logChange } from '../changes/index.ts';
import { classOf, ClassNoteEntity } from '../classes/index.ts';
import { classClimb, type ClimbStep } from '../class-page/index.ts';
import { readCautions } from '../school-settings/index.ts';

/** @throws Problem 404 when the class is not of the asker's school. */
export async function classNotes(em: EntityManager, user: SignedIn, classId: string): Promise<ClassNotes> {
  const { facts, steps, pupils, done } = await classClimb(em, user, classId);
  const own = new Map((await em.find(ClassNoteEntity, { schoolClass: classId })).map((row) => [row.note, row]));
  const notes = steps.flatMap((step) => notesOfStep(facts.instrumentId, step, own));
  const { cautions, version } = await readCautions(em, user.schoolId);
  const nextStep = steps.find((step) => step.newNotes.length > 0 && step.position > done) ?? null;
  return {
    schoolClass: facts,
    notes,
    next: notes.find((note) => note.position === nextStep?.position)?.note ?? null,
    classStep: done + 1,
    arrived: { count: nextStep?.pupilsHere ?? pupils, of: pupils },
    cautions,
    cautionsVersion: version,
  };
}

function ownOf(row: OwnNote | undefined): OwnNote | null {
  return row === undefined ? null : { hint: row.hint, bookPage: row.bookPage, version: row.version };
}

/** Keeps what a class says about a note. @throws Problem 404, 409. */
export async function keepOwnNote(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  note: string,
  { version: read, ...next }: OwnNoteInput,
): Promise<OwnNote> {
  const { name } = await classOf(em, user, classId);
  const where = { schoolClass: classId, note };
  await em.transactional(async (tx) => {
    if (read === 0) {
      const made = await tx
        .createQueryBuilder(ClassNoteEntity)
        .insert({ ...where, ...next })
        .onConflict()
        .ignore();
      if (made.affectedRows === 0) throw await changedMeanwhile(tx, user.schoolId, classId);
    } else await changeVersion(tx, user, ClassNoteEntity, { where, about: classId, version: read }, next);
    await logChange(tx, user, classId, { code: 'class-note', name, note });
  });
  return { ...next, version: read + 1 };
}

function notesOfStep(
  instrumentId: string,
  step: ClimbStep,
  own: ReadonlyMap<string, OwnNote>,
): readonly NoteOnStairs[] {
  const instrument = findInstrument(instrumentId)!;
  const known = step.knownBefore.notes;
  const ordered = teachingOrder(instrument, known.map(pitch), step.newNotes.map(pitch)).map(pitchName);
  return ordered.map((note, index) => ({
    note,
    position: step.position,
    title: step.title,
    knownNotes: [...known, ...ordered.slice(0, index)],
    knownElements: step.knownBefore.elements,
    own: ownOf(own.get(note)),
  }));
}
