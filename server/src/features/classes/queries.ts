import type { LocalDate, Meeting, Term } from '@escalier/core/calendar';
import type { Outcome, RecordEvent } from '@escalier/core/records';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import type { TeachingStyle } from './entities.ts';

export interface ClassRow {
  readonly id: string;
  readonly name: string;
  readonly grade: string;
  readonly instrumentId: string;
  readonly style: TeachingStyle;
  readonly meetings: readonly Meeting[];
  readonly term: Term & { readonly name: string };
  readonly steps: readonly StepRow[];
  readonly pupils: readonly PupilRow[];
  readonly events: readonly EventRow[];
}

export interface StepRow {
  readonly id: string;
  readonly position: number;
  readonly belt: string;
  readonly lessons: number;
  readonly tuneId: string;
  readonly title: string;
  readonly abc: string;
}

export interface PupilRow {
  readonly id: string;
  readonly name: string;
  readonly startStep: number;
  readonly joinedOn: LocalDate;
  readonly leftOn: LocalDate | null;
}

interface EventRow {
  readonly id: string;
  readonly kind: 'heard' | 'undone';
  readonly pupilId: string;
  readonly stepId: string;
  readonly outcome: Outcome | null;
  readonly remarks: readonly string[];
  readonly undoes: string | null;
  readonly heardAt: string;
}

/**
 * Everything that the pictures of classes are computed from, in one statement: of all classes that
 * somebody may open, or of one.
 * Times are ISO 8601 in UTC, dates are dates.
 */
const CLASSES = `
select c.id, c.name, c.grade, c.style, c.meetings, s.instrument as "instrumentId",
  json_build_object('name', t.name, 'startsOn', t.starts_on, 'endsOn', t.ends_on, 'daysOff', t.days_off,
    'rotation', t.rotation) as term,
  (select coalesce(json_agg(json_build_object('id', st.id, 'position', st.position, 'belt', st.belt,
      'lessons', st.lessons, 'tuneId', tu.id, 'title', tu.title, 'abc', tu.abc) order by st.position), '[]')
    from step st join tune tu on tu.id = st.tune_id where st.staircase_id = c.staircase_id) as steps,
  (select coalesce(json_agg(json_build_object('id', p.id, 'name', p.shown_name, 'startStep', first.position,
      'joinedOn', p.joined_on, 'leftOn', p.left_on) order by p.shown_name, p.id), '[]')
    from pupil p join step first on first.id = p.start_step_id where p.school_class_id = c.id) as pupils,
  (select coalesce(json_agg(json_build_object('id', e.id, 'kind', e.kind, 'pupilId', e.pupil_id, 'stepId', e.step_id,
      'outcome', e.outcome, 'remarks', e.remarks, 'undoes', e.undoes,
      'heardAt', to_char(e.heard_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'))), '[]')
    from pupil p join record_event e on e.pupil_id = p.id where p.school_class_id = c.id) as events
from school_class c
join staircase s on s.id = c.staircase_id
join term t on t.id = c.term_id
where c.school_id = ? and (?::uuid is null or c.id = ?::uuid)
  and (? = 'owner' or exists (select 1 from class_teacher ct where ct.school_class_id = c.id and ct.account_id = ?))
order by c.name`;

export async function readClassRows(
  em: EntityManager,
  { schoolId, role, accountId }: SignedIn,
  classId: string | null,
): Promise<readonly ClassRow[]> {
  return em.execute<ClassRow[]>(CLASSES, [schoolId, classId, classId, role, accountId]);
}

export function toEvents(rows: ClassRow['events']): readonly RecordEvent[] {
  return rows.flatMap((row): RecordEvent[] => {
    if (row.kind === 'undone') return row.undoes === null ? [] : [{ kind: 'undone', id: row.id, undoes: row.undoes }];
    if (row.outcome === null) return [];
    const { id, pupilId, stepId, outcome, remarks, heardAt } = row;
    return [{ kind: 'heard', id, pupilId, stepId, outcome, remarks, heardAt }];
  });
}
