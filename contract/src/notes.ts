import { parsePitch } from '@escalier/core/music';
import * as z from 'zod/mini';
import { ClassFacts } from './class-pages.ts';
import { count, uuid, type ReadOf, typed, version } from './fields.ts';
import { SchoolCaution } from './schools.ts';

/** What a class says about a note, and where it stands in the class's book. */
export const OwnNote = z.object({ hint: z.string(), bookPage: z.string(), version });
export type OwnNote = ReadOf<typeof OwnNote>;

export const OwnNoteInput = z.object({
  hint: typed(0, 300),
  bookPage: typed(0, 40),
  /** 0 as long as the class has said nothing. */
  version,
});
export type OwnNoteInput = z.output<typeof OwnNoteInput>;

export const noteParam = z.object({
  id: uuid,
  note: z.string().check(
    z.maxLength(6),
    z.refine((name) => parsePitch(name) !== null, 'not-note'),
  ),
});

const texts = z.array(z.string());

export const NoteOnStairs = z.object({
  /** Written pitch, `F#4`. */
  note: z.string(),
  position: z.int().check(z.gte(1)),
  title: z.string(),
  /** What the class has when the note comes: the steps below, and the notes of this step that come before it. */
  knownNotes: texts,
  knownElements: texts,
  /** Null for nothing yet. */
  own: z.nullable(OwnNote),
});
export type NoteOnStairs = ReadOf<typeof NoteOnStairs>;

export const ClassNotes = z.object({
  schoolClass: ClassFacts,
  /** In the order of teaching. */
  notes: z.array(NoteOnStairs),
  /** The next one to introduce: of the step that the class works on, or of the first above it that brings one. */
  next: z.nullable(z.string()),
  /** Position of the step that the class works on by its own rule; one more than there are when it has passed all. */
  classStep: z.int().check(z.gte(1)),
  /** Pupils who have come to the step of that note, and all. */
  arrived: z.object({ count, of: count }),
  cautions: z.array(SchoolCaution),
  cautionsVersion: version,
});
export type ClassNotes = ReadOf<typeof ClassNotes>;
