import type { ChangeFact } from '@escalier/contract/changes';

/** The fields of pupils, classes, terms and the school, as they stand on their pages. */
const FIELDS: Readonly<Record<string, string>> = {
  shownName: 'name',
  startStep: 'first step',
  joinedOn: 'date of joining',
  leftOn: 'date of leaving',
  handMark: 'hand mark',
  playsInstead: 'instrument',
  mayRecord: 'consent to recordings',
  breathSeconds: 'breath',
  printSize: 'print size',
  easierLine: 'easier line',
  style: 'teaching style',
  brings: 'what it knew before',
  startsOn: 'first day',
  endsOn: 'last day',
  daysOff: 'days off',
  timeZone: 'time zone',
  noteColours: 'note colours',
};

const fieldNames = (fields: readonly string[]): string => fields.map((field) => FIELDS[field] ?? field).join(', ');
const counted = (count: number, one: string, more: string): string => `${count} ${count === 1 ? one : more}`;
const instruments = (count: number): string => counted(count, 'instrument', 'instruments');

type Facts<Code extends ChangeFact['code']> = Extract<ChangeFact, { readonly code: Code }>;
type Sayings = { readonly [Code in ChangeFact['code']]: (facts: Facts<Code>) => string };

const SAYINGS: Sayings = {
  'school-set-up': ({ name }) => `${name}: set up`,
  'school-changed': ({ fields }) => `The school: ${fieldNames(fields)}`,
  'letters-changed': () => 'Words of letters and certificates',
  'remarks-changed': () => 'Remarks at hearing',
  'cautions-changed': () => 'Cautions of the school',
  'school-exported': () => 'The school exported as an archive',
  'tables-exported': () => 'The school exported as CSV files',
  'archive-imported': ({ name, date }) => `Archive of ${name} of ${date} imported`,
  'recording-rule': ({ days, megabytes }) => `Recordings: erased after ${days} days, at most ${megabytes} MB`,
  'rooms-allowed': () => 'Practice rooms allowed',
  'rooms-forbidden': () => 'Practice rooms closed for the whole school',
  'signed-in': () => 'Signed in',
  'own-password-changed': () => 'Own password changed',
  'person-changed': ({ name, role, classes, closed }) =>
    `${name}: ${role}, ${counted(classes, 'class', 'classes')}${closed ? ', account closed' : ''}`,
  'person-invited': ({ name, role }) => `${name}: invited as ${role}`,
  'password-link-made': ({ name }) => `${name}: link for a new password`,
  'link-withdrawn': ({ name }) => `${name}: link withdrawn`,
  'password-set-by-link': ({ name }) => `${name}: new password by a link`,
  'person-joined': ({ name, role }) => `${name}: joined as ${role}`,
  'term-made': ({ name }) => `${name}: term added`,
  'term-changed': ({ name, fields }) => `${name}: ${fieldNames(fields)}`,
  'calendar-opened': ({ name }) => `${name}: calendar address opened`,
  'calendar-closed': ({ name }) => `${name}: calendar address closed`,
  'lesson-lost': ({ name, date, reason }) =>
    `${name}: lesson of ${date} cancelled${reason === '' ? '' : `, ${reason}`}`,
  'lesson-restored': ({ name, date }) => `${name}: lesson of ${date} restored`,
  'class-made': ({ name }) => `${name}: class added`,
  'class-changed': ({ name, fields }) => `${name}: ${fieldNames(fields)}`,
  'class-staircase': ({ name, staircase }) => `${name}: staircase “${staircase}”`,
  'class-tune': ({ name, title }) => `${name}: “${title}”`,
  'class-note': ({ name, note }) => `${name}: own words about ${note}`,
  'room-opened': ({ name, until }) => `${name}: practice room open until ${until}`,
  'room-closed': ({ name }) => `${name}: practice room closed`,
  'task-set': ({ name }) => `${name}: task of the week set`,
  'task-cleared': ({ name }) => `${name}: task of the week cleared`,
  'slips-made': ({ name }) => `${name}: slips for the practice room made`,
  'pupils-added': ({ name, count }) => `${name}: ${counted(count, 'pupil', 'pupils')} added`,
  'pupil-changed': ({ name, fields, consent }) =>
    `${name}: ${fieldNames(fields)}${consent === null ? '' : ` (${consent})`}`,
  'pupil-moved': ({ name, from, to }) => `${name}: moved from ${from} to ${to}`,
  'pupil-away': ({ name, date }) => `${name}: away on ${date}`,
  'pupil-here': ({ name, date }) => `${name}: here on ${date}`,
  'pupil-erased': () => 'The personal data of a pupil erased',
  'about-erased-pupil': () => 'A pupil whose data was erased',
  'staircase-made': ({ name }) => `Staircase “${name}” added`,
  'staircase-changed': ({ name }) => `Staircase “${name}” changed`,
  'staircase-deleted': ({ name }) => `Staircase “${name}” deleted`,
  'tune-added': ({ title }) => `Tune “${title}” added`,
  'tune-changed': ({ title }) => `Tune “${title}” changed`,
  'tune-restored': ({ title }) => `Tune “${title}” restored`,
  'tune-archived': ({ title }) => `Tune “${title}” archived`,
  'tune-deleted': ({ title }) => `Tune “${title}” deleted`,
  'recording-erased': () => 'A recording erased',
  'recordings-erased': ({ name, count }) => `${name}: all recordings erased (${count})`,
  'recording-spoken-answer': ({ name }) => `${name}: recording answered by voice`,
  'recording-spoken-answer-erased': ({ name }) => `${name}: spoken answer to a recording erased`,
  'recording-answered': ({ name }) => `${name}: recording answered in writing`,
  'recording-words-erased': ({ name }) => `${name}: written answer to a recording erased`,
  'recording-answer-now': ({ words, spokenSeconds }) =>
    `“${words}”, ${spokenSeconds === null ? 'nothing spoken' : `${Math.round(spokenSeconds)} s spoken`}`,
  'instruments-entered': ({ count, from }) => `${instruments(count)} added, from number ${from}`,
  'instrument-changed': ({ number, condition }) => `Instrument ${number}: ${condition}`,
  'instrument-removed': ({ number }) => `Instrument ${number}: taken off the list`,
  'instruments-cleaned': ({ count }) => `${instruments(count)} cleaned`,
  'instrument-lent': ({ number, name }) => `Instrument ${number} lent to ${name}`,
  'instrument-returned': ({ number, name }) => `Instrument ${number} back from ${name}`,
  'instruments-lent': ({ count, name }) => `${instruments(count)} lent to ${name}`,
  'instruments-returned': ({ count, name }) => `${instruments(count)} back from ${name}`,
  'belt-stock-changed': () => 'Belts in stock',
  'belt-given': ({ name, belt }) => `${name}: ${belt} belt handed out`,
  'belt-taken-back': ({ name, belt }) => `${name}: ${belt} belt not handed out after all`,
  'in-words': ({ words }) => words,
};

/** What somebody changed, in a line. */
export function changeWords(fact: ChangeFact): string {
  return (SAYINGS[fact.code] as (facts: ChangeFact) => string)(fact);
}
