import type { PupilDto, StepDto } from '@escalier/contract/class-pages';
import type { Brings, TeachingStyle } from '@escalier/contract/classes';
import type { ClassDayOff, LocalDate, Meeting, Term } from '@escalier/core/calendar';
import { stepRules } from '@escalier/core/classes';
import { withChosen } from '@escalier/core/instruments';
import type { Knowledge } from '@escalier/core/reading';
import type { Standing } from '@escalier/core/records';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import type { ReadStep } from '../../reader/index.ts';
import { standingsOfClimbers, type Climber } from '../hearing/index.ts';
import { readStaircase } from '../staircase/index.ts';

export interface ClassRow {
  readonly id: string;
  readonly name: string;
  readonly grade: string;
  readonly staircaseId: string;
  readonly instrumentId: string;
  readonly style: TeachingStyle;
  readonly meetings: readonly Meeting[];
  readonly lost: readonly ClassDayOff[];
  /** What the class knew before the unit. */
  readonly brings: Knowledge;
  readonly term: Term & { readonly name: string };
  readonly steps: readonly StepRow[];
  readonly pupils: readonly PupilRow[];
  /** Of its steps, in their order. */
  readonly readings: readonly ReadStep[];
  /** Of its pupils who have not left, in their order. */
  readonly standings: readonly Standing[];
}

export interface StepRow extends Pick<
  StepDto,
  'id' | 'position' | 'belt' | 'lessons' | 'tuneId' | 'title' | 'toPass' | 'passRule'
> {
  readonly tunes: readonly Omit<StepDto['tunes'][number], 'bars'>[];
  /** Of the first tune. */
  readonly abc: string;
  /** Of the further tunes. */
  readonly moreAbcs: readonly string[];
}

export interface PupilRow extends Omit<PupilDto, 'away'> {
  readonly absences: readonly LocalDate[];
}

/** A class as the statement gives it. */
interface FoundClass extends Omit<ClassRow, 'standings' | 'readings' | 'brings'> {
  readonly brings: Brings;
  readonly broughtAbcs: readonly string[];
}

/**
 * Everything but the records that the pictures of classes are computed from, in one statement: of all classes that
 * somebody may open, or of one.
 * Dates are dates.
 */
const CLASSES = `
select c.id, c.name, c.grade, c.staircase_id as "staircaseId", c.lost, c.style, c.brings,
  (select coalesce(json_agg(b.abc order by b.id), '[]') from tune b
    where b.school_id = c.school_id and jsonb_exists(c.brings->'tuneIds', b.id::text)) as "broughtAbcs", c.meetings, s.instrument as "instrumentId",
  json_build_object('name', t.name, 'startsOn', t.starts_on, 'endsOn', t.ends_on, 'daysOff', t.days_off,
    'rotation', t.rotation) as term,
  (select coalesce(json_agg(json_build_object('id', st.id, 'position', st.position, 'belt', st.belt,
      'lessons', st.lessons, 'tuneId', tu.id, 'title', tu.title, 'abc', tu.abc, 'toPass', st.to_pass,
      'passRule', st.pass_rule,
      'tunes', jsonb_build_array(jsonb_build_object('id', tu.id, 'title', tu.title, 'role', 'main')) || coalesce((
        select jsonb_agg(jsonb_build_object('id', more.id, 'title', more.title, 'role', t.role) order by t.position)
        from step_tune t join tune more on more.id = t.tune_id where t.step_id = st.id), '[]'),
      'moreAbcs', (select coalesce(json_agg(more.abc order by t.position), '[]')
        from step_tune t join tune more on more.id = t.tune_id where t.step_id = st.id)) order by st.position), '[]')
    from step st join tune tu on tu.id = st.tune_id where st.staircase_id = c.staircase_id) as steps,
  (select coalesce(json_agg(json_build_object('id', p.id, 'name', p.shown_name, 'startStep', first.position,
      'joinedOn', p.joined_on, 'leftOn', p.left_on,
      'records', coalesce(n.count, 0), 'playsInstead', p.plays_instead, 'breathSeconds', p.breath_seconds, 'printSize', p.print_size, 'easierLine', p.easier_line, 'erased', p.erased_at is not null,
      'absences', (select coalesce(json_agg(a.date), '[]') from absence a where a.pupil_id = p.id)) order by p.shown_name, p.id), '[]')
    from pupil p join step first on first.id = p.start_step_id
      left join record_count n on n.pupil_id = p.id
    where p.school_class_id = c.id) as pupils
from school_class c
join staircase s on s.id = c.staircase_id
join term t on t.id = c.term_id
where c.school_id = ? and (?::uuid is null or c.id = ?::uuid)
  and (? = 'owner' or exists (select 1 from class_teacher ct where ct.school_class_id = c.id and ct.account_id = ?))
order by c.name`;

/** For whom classes are read; the room of a pupil reads as an owner, of its own class alone. */
export type Asker = Pick<SignedIn, 'schoolId' | 'role' | 'accountId'>;

export async function readClassRows(
  em: EntityManager,
  { schoolId, role, accountId }: Asker,
  classId: string | null,
): Promise<readonly ClassRow[]> {
  const found = await em.execute<FoundClass[]>(CLASSES, [schoolId, classId, classId, role, accountId]);
  const rows = found.map((row) => ({
    ...row,
    instrumentId: withChosen(row.instrumentId, row.style.teaching.fingerings),
  }));
  const readings = await Promise.all(
    rows.map(({ instrumentId, steps, brings, broughtAbcs }) =>
      readStaircase({
        instrumentId,
        abcs: steps.map(({ abc, moreAbcs }) => [abc, ...moreAbcs] as const),
        brought: { ...brings, abcs: broughtAbcs },
      }),
    ),
  );
  const climbers = rows.map((row, index) => climbersOf(row, readings[index]!.steps));
  const standings = await standingsOfClimbers(em, climbers.flat());
  const byPupil = new Map(standings.map((standing) => [standing.pupilId, standing]));
  return rows.map(({ brings: _brings, broughtAbcs: _abcs, ...row }, index) => ({
    ...row,
    brings: readings[index]!.brings,
    standings: climbers[index]!.map(({ id }) => byPupil.get(id)!),
    readings: readings[index]!.steps,
  }));
}

/** The tunes of a step with the bars of their sheets. */
export function tunesOf({ tunes }: StepRow, { bars }: ReadStep): StepDto['tunes'] {
  return tunes.map((tune, index) => ({ ...tune, bars: bars[index]! }));
}

/** Pupils who have left are not counted any more; their records stay. */
function climbersOf(
  { pupils, steps: rows, style }: Pick<ClassRow, 'pupils' | 'steps' | 'style'>,
  readings: readonly ReadStep[],
): readonly Climber[] {
  const steps = stepRules(
    rows.map((row, index) => ({ ...row, tunes: tunesOf(row, readings[index]!) })),
    style.teaching.parts,
  );
  return pupils
    .filter((pupil) => pupil.leftOn === null)
    .map(({ id, startStep, records }) => ({ id, startStepIndex: startStep - 1, steps, records }));
}
