import type { ChangeFact } from '@escalier/contract/changes';
import { t } from './messages.ts';

/** The fields of pupils, classes, terms and the school, as they stand on their pages. */
const FIELDS: Readonly<Record<string, string>> = {
  shownName: 'name',
  startStep: t('change-words.first-step'),
  joinedOn: t('change-words.date-of-joining'),
  leftOn: t('change-words.date-of-leaving'),
  handMark: t('change-words.hand-mark'),
  playsInstead: 'instrument',
  mayRecord: t('change-words.consent-to-recordings'),
  breathSeconds: 'breath',
  printSize: t('change-words.print-size'),
  easierLine: t('change-words.easier-line'),
  style: t('change-words.teaching-style'),
  brings: t('change-words.what-it-already-knew'),
  startsOn: t('change-words.first-day'),
  endsOn: t('change-words.last-day'),
  daysOff: t('change-words.days-off'),
  timeZone: t('change-words.time-zone'),
  noteColours: 'note colours',
};

const fieldNames = (fields: readonly string[]): string => fields.map((field) => FIELDS[field] ?? field).join(', ');
const counted = (count: number, one: string, more: string): string => `${count} ${count === 1 ? one : more}`;
const instruments = (count: number): string => counted(count, 'instrument', 'instruments');

type Facts<Code extends ChangeFact['code']> = Extract<ChangeFact, { readonly code: Code }>;
type Sayings = { readonly [Code in ChangeFact['code']]: (facts: Facts<Code>) => string };

const SAYINGS: Sayings = {
  'school-set-up': ({ name }) => t('change-words.name-set-up', { name }),
  'school-changed': ({ fields }) => t('change-words.the-school-field-names', { fieldNames: fieldNames(fields) }),
  'letters-changed': () => t('change-words.words-of-letters-and-certificates'),
  'remarks-changed': () => t('change-words.remarks-at-hearing'),
  'cautions-changed': () => t('change-words.cautions-of-the-school'),
  'school-exported': () => t('change-words.the-school-exported-as-an-archive'),
  'tables-exported': () => t('change-words.the-school-exported-as-csv-files'),
  'archive-imported': ({ name, date }) => t('change-words.archive-of-name-of-date-imported', { name, date }),
  'recording-rule': ({ days, megabytes }) =>
    t('change-words.recordings-erased-after-days-days-at', { days, megabytes }),
  'rooms-allowed': () => t('change-words.practice-rooms-allowed'),
  'rooms-forbidden': () => t('change-words.practice-rooms-closed-for-the-whole'),
  'signed-in': () => t('change-words.signed-in'),
  'own-password-changed': () => t('change-words.own-password-changed'),
  'person-changed': ({ name, role, classes, closed }) =>
    `${name}: ${role}, ${counted(classes, 'class', 'classes')}${closed ? t('change-words.account-closed') : ''}`,
  'person-invited': ({ name, role }) => t('change-words.name-invited-as-role', { name, role }),
  'password-link-made': ({ name }) => t('change-words.name-link-for-a-new-password', { name }),
  'link-withdrawn': ({ name }) => t('change-words.name-link-withdrawn', { name }),
  'password-set-by-link': ({ name }) => t('change-words.name-new-password-by-a-link', { name }),
  'person-joined': ({ name, role }) => t('change-words.name-joined-as-role', { name, role }),
  'term-made': ({ name }) => t('change-words.name-term-added', { name }),
  'term-changed': ({ name, fields }) => `${name}: ${fieldNames(fields)}`,
  'calendar-opened': ({ name }) => t('change-words.name-calendar-address-opened', { name }),
  'calendar-closed': ({ name }) => t('change-words.name-calendar-address-closed', { name }),
  'lesson-lost': ({ name, date, reason }) =>
    t('change-words.name-lesson-of-date-cancelled-value', { name, date, reason: reason === '' ? '' : `, ${reason}` }),
  'lesson-restored': ({ name, date }) => t('change-words.name-lesson-of-date-restored', { name, date }),
  'class-made': ({ name }) => t('change-words.name-class-added', { name }),
  'class-changed': ({ name, fields }) => `${name}: ${fieldNames(fields)}`,
  'class-staircase': ({ name, staircase }) => t('change-words.name-staircase-staircase', { name, staircase }),
  'class-tune': ({ name, title }) => `${name}: “${title}”`,
  'class-note': ({ name, note }) => t('change-words.name-own-words-about-note', { name, note }),
  'room-opened': ({ name, until }) => t('change-words.name-practice-room-open-until-until', { name, until }),
  'room-closed': ({ name }) => t('change-words.name-practice-room-closed', { name }),
  'task-set': ({ name }) => t('change-words.name-task-of-the-week-set', { name }),
  'task-cleared': ({ name }) => t('change-words.name-task-of-the-week-cleared', { name }),
  'slips-made': ({ name }) => t('change-words.name-slips-for-the-practice-room', { name }),
  'pupils-added': ({ name, count }) =>
    t('change-words.name-count-added', { name, count: counted(count, 'pupil', 'pupils') }),
  'pupil-changed': ({ name, fields, consent }) =>
    `${name}: ${fieldNames(fields)}${consent === null ? '' : ` (${consent})`}`,
  'pupil-moved': ({ name, from, to }) => t('change-words.name-moved-from-from-to-to', { name, from, to }),
  'pupil-away': ({ name, date }) => t('change-words.name-away-on-date', { name, date }),
  'pupil-here': ({ name, date }) => t('change-words.name-here-on-date', { name, date }),
  'pupil-erased': () => t('change-words.the-personal-data-of-a-pupil'),
  'about-erased-pupil': () => t('change-words.a-pupil-whose-data-was-erased'),
  'staircase-made': ({ name }) => t('change-words.staircase-name-added', { name }),
  'staircase-changed': ({ name }) => t('change-words.staircase-name-changed', { name }),
  'staircase-deleted': ({ name }) => t('change-words.staircase-name-deleted', { name }),
  'tune-added': ({ title }) => t('change-words.tune-title-added', { title }),
  'tune-changed': ({ title }) => t('change-words.tune-title-changed', { title }),
  'tune-restored': ({ title }) => t('change-words.tune-title-restored', { title }),
  'tune-archived': ({ title }) => t('change-words.tune-title-archived', { title }),
  'tune-deleted': ({ title }) => t('change-words.tune-title-deleted', { title }),
  'recording-erased': () => t('change-words.a-recording-erased'),
  'recordings-erased': ({ name, count }) => t('change-words.name-all-recordings-erased-count', { name, count }),
  'recording-spoken-answer': ({ name }) => t('change-words.name-recording-answered-by-voice', { name }),
  'recording-spoken-answer-erased': ({ name }) => t('change-words.name-spoken-answer-to-a-recording', { name }),
  'recording-answered': ({ name }) => t('change-words.name-recording-answered-in-writing', { name }),
  'recording-words-erased': ({ name }) => t('change-words.name-written-answer-to-a-recording', { name }),
  'recording-answer-now': ({ words, spokenSeconds }) =>
    `“${words}”, ${spokenSeconds === null ? t('change-words.nothing-spoken') : t('change-words.number-s-spoken', { number: Math.round(spokenSeconds) })}`,
  'instruments-entered': ({ count, from }) =>
    t('change-words.instruments-added-from-number-from', { instruments: instruments(count), from }),
  'instrument-changed': ({ number, condition }) => t('change-words.instrument-number-condition', { number, condition }),
  'instrument-removed': ({ number }) => t('change-words.instrument-number-taken-off-the-list', { number }),
  'instruments-cleaned': ({ count }) => t('change-words.instruments-cleaned', { instruments: instruments(count) }),
  'instrument-lent': ({ number, name }) => t('change-words.instrument-number-lent-to-name', { number, name }),
  'instrument-returned': ({ number, name }) => t('change-words.instrument-number-back-from-name', { number, name }),
  'instruments-lent': ({ count, name }) =>
    t('change-words.instruments-lent-to-name', { instruments: instruments(count), name }),
  'instruments-returned': ({ count, name }) =>
    t('change-words.instruments-back-from-name', { instruments: instruments(count), name }),
  'belt-stock-changed': () => t('change-words.belts-in-stock'),
  'belt-given': ({ name, belt }) => t('change-words.name-belt-belt-handed-out', { name, belt }),
  'belt-taken-back': ({ name, belt }) => t('change-words.name-belt-belt-taken-back', { name, belt }),
  'in-words': ({ words }) => words,
};

/** What somebody changed, in a line. */
export function changeWords(fact: ChangeFact): string {
  return (SAYINGS[fact.code] as (facts: ChangeFact) => string)(fact);
}
