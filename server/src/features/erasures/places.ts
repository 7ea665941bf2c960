import type { PlaceId } from '@escalier/contract/pupils';

/** A column in which somebody may have written a child's name. */
export interface Place {
  readonly id: PlaceId;
  readonly table: string;
  readonly column: string;
  readonly isJson: boolean;
  /** Names the row, as text. */
  readonly key: string;
  /** The rows of one school: SQL with one placeholder for its id. */
  readonly ofSchool: string;
}

const OWN_SCHOOL = 't.school_id = ?';
const BY_CLASS = 't.school_class_id in (select id from school_class where school_id = ?)';

function place(id: PlaceId, table: string, column: string, more: Partial<Omit<Place, 'id'>> = {}): Place {
  return { id, table, column, isJson: false, key: 't.id::text', ofSchool: OWN_SCHOOL, ...more };
}

const json = { isJson: true } as const;
/** A row of a class that has no id of its own, by what it is about. */
const ofClass = (about: string) => ({ key: `t.school_class_id || '/' || t.${about}`, ofSchool: BY_CLASS });

/**
 * Every column of the database that holds free text beside a pupil's own row and the accounts of the staff. A test looks
 * through all tables for a name, and fails when one is missing here.
 */
export const PLACES: readonly Place[] = [
  place('instrument-note', 'instrument', 'note'),
  place('lesson-remark', 'lesson_event', 'content', { ...json, ofSchool: BY_CLASS }),
  place('week-task', 'room', 'task', { ...json, key: 't.school_class_id::text' }),
  place('pupil-note', 'pupil', 'note'),
  place('pupil-mark', 'pupil', 'hand_mark'),
  place('pupil-name', 'pupil', 'shown_name'),
  place('change', 'change', 'what', json),
  place('recording-words', 'recording', 'words'),
  place('recording-heard', 'recording', 'heard', json),
  place('recording-file', 'recording', 'file_name'),
  place('record-reason', 'record_event', 'reason'),
  place('class-name', 'school_class', 'name'),
  place('class-grade', 'school_class', 'grade'),
  place('class-settings', 'school_class', 'style', json),
  place('class-brings', 'school_class', 'brings', json),
  place('class-day', 'school_class', 'lost', json),
  place('class-note', 'class_note', 'hint', ofClass('note')),
  place('class-note-page', 'class_note', 'book_page', ofClass('note')),
  place('class-tune-page', 'class_tune', 'book_page', ofClass('tune_id')),
  place('lesson-template', 'school', 'templates', { ...json, ofSchool: 't.id = ?' }),
  place('school-caution', 'school', 'cautions', { ...json, ofSchool: 't.id = ?' }),
  place('school-remark', 'school', 'remarks', { ...json, ofSchool: 't.id = ?' }),
  place('term-name', 'term', 'name'),
  place('term-day', 'term', 'days_off', json),
  place('staircase-name', 'staircase', 'name'),
  place('tune-title', 'tune', 'title'),
  place('tune-text', 'tune', 'abc'),
  place('invitation', 'invitation', 'name'),
];

export const isPlace = (id: string): id is PlaceId => PLACES.some((place) => place.id === id);
