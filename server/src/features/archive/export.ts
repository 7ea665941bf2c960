import { IsolationLevel } from '@mikro-orm/core';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, type Part } from './format.ts';

function moment(column: string, name: string): string {
  return `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "${name}"`;
}

/** The rows of each part as the format names their fields, in an order that is always the same. */
const PARTS: Readonly<Record<Part, string>> = {
  people: `select id, email, name, role, ${moment('closed_at', 'closedAt')} from account where school_id = ? order by id`,
  terms: `select id, name, starts_on as "startsOn", ends_on as "endsOn", days_off as "daysOff", rotation
    from term where school_id = ? order by id`,
  tunes: `select id, title, abc from tune where school_id = ? order by id`,
  staircases: `select id, name, instrument from staircase where school_id = ? order by id`,
  steps: `select s.id, s.staircase_id as staircase, s.position, s.tune_id as tune, s.belt, s.lessons, s.to_pass as "toPass"
    from step s join staircase st on st.id = s.staircase_id where st.school_id = ? order by s.id`,
  stepTunes: `select t.step_id as step, t.tune_id as tune, t.position from step_tune t join step s on s.id = t.step_id
    join staircase st on st.id = s.staircase_id where st.school_id = ? order by 1, 3`,
  classes: `select id, term_id as term, staircase_id as staircase, name, grade, meetings, style
    from school_class where school_id = ? order by id`,
  classTeachers: `select t.school_class_id as "schoolClass", t.account_id as account
    from class_teacher t join school_class c on c.id = t.school_class_id where c.school_id = ? order by 1, 2`,
  pupils: `select id, school_class_id as "schoolClass", shown_name as "shownName", start_step_id as "startStep",
    joined_on as "joinedOn", left_on as "leftOn", hand_mark as "handMark", note, plays_instead as "playsInstead",
    may_record as "mayRecord", ${moment('erased_at', 'erasedAt')} from pupil where school_id = ? order by id`,
  moves: `select m.id, m.pupil_id as pupil, m.from_class_id as "fromClass", m.to_class_id as "toClass",
    m.moved_on as "movedOn" from pupil_move m join pupil p on p.id = m.pupil_id where p.school_id = ? order by m.id`,
  absences: `select a.pupil_id as pupil, a.date
    from absence a join pupil p on p.id = a.pupil_id where p.school_id = ? order by 1, 2`,
  classTunes: `select t.school_class_id as "schoolClass", t.tune_id as tune, t.breath_seconds as "breathSeconds", t.breaths
    from class_tune t join school_class c on c.id = t.school_class_id where c.school_id = ? order by 1, 2`,
  records: `select id, school_class_id as "schoolClass", account_id as account, kind, pupil_id as pupil, step_id as step,
    tune_id as tune, outcome, remarks, tempo, undoes, corrects, reason, ${moment('heard_at', 'heardAt')},
    device_ahead as "deviceAhead", ${moment('received_at', 'receivedAt')}
    from record_event where school_id = ? order by number`,
  instruments: `select id, number, kind, owner, condition, note, ${moment('cleaned_at', 'cleanedAt')}
    from instrument where school_id = ? order by id`,
  loans: `select l.id, l.instrument_id as instrument, l.pupil_id as pupil, l.lent_on as "lentOn",
    l.returned_on as "returnedOn" from loan l join pupil p on p.id = l.pupil_id where p.school_id = ? order by l.id`,
  beltStock: `select belt, way, on_hand as "onHand", cm_each as "cmEach", reserve_percent as "reservePercent"
    from belt_stock where school_id = ? order by belt`,
  beltsGiven: `select g.pupil_id as pupil, g.step_id as step, g.account_id as account, ${moment('g.given_at', 'givenAt')}
    from belt_given g join pupil p on p.id = g.pupil_id where p.school_id = ? order by 1, 2`,
  changes: `select id, account_id as account, ${moment('at', 'at')}, about, words
    from change where school_id = ? order by id`,
};

const SCHOOL = `select name, time_zone as "timeZone", cautions, faults from school where id = ?`;

/**
 * The whole school at one moment as the text of an archive, a row a line: read in one transaction that sees no later
 * change. The database writes the JSON, so that a large school does not keep the server from answering others.
 */
export async function exportSchool(em: EntityManager, { schoolId }: Pick<SignedIn, 'schoolId'>, now: Date) {
  return em.transactional(
    async (tx) => {
      const rowsOf = async (query: string): Promise<string> => {
        const [result] = await tx.execute<{ rows: string | null }[]>(
          `select string_agg(row_to_json(part)::text, E',\\n') as rows from (${query}) part`,
          [schoolId],
        );
        return result?.rows ?? '';
      };
      const parts: string[] = [];
      for (const [part, query] of Object.entries(PARTS)) parts.push(`"${part}": [\n${await rowsOf(query)}\n]`);
      const head = { format: ARCHIVE_FORMAT, version: ARCHIVE_VERSION, exportedAt: now };
      return `${JSON.stringify(head).slice(0, -1)},\n"school": ${await rowsOf(SCHOOL)},\n${parts.join(',\n')}\n}\n`;
    },
    { isolationLevel: IsolationLevel.REPEATABLE_READ },
  );
}
