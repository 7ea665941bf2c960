import type { EntityManager } from '../src/platform/database.ts';

export interface SchoolSize {
  /** Before the names of classes and pupils. */
  readonly prefix: string;
  readonly classes: number;
  readonly pupils: number;
  readonly recordsEach: number;
}

/** 60,000 records; with what comes on top of it 1,266 pupils and 192,000 records, a district's largest school. */
export const BIG: SchoolSize = { prefix: '', classes: 30, pupils: 800, recordsEach: 75 };
export const ON_TOP: SchoolSize = { prefix: 'More ', classes: 18, pupils: 466, recordsEach: 283 };

/** Grows the demo's school, made by the database itself. */
export async function growSchool(em: EntityManager, schoolId: string, size: SchoolSize): Promise<void> {
  const { prefix, classes, pupils, recordsEach } = size;
  await em.execute(
    `insert into school_class (id, school_id, term_id, staircase_id, name, grade, meetings, style)
    select gen_random_uuid(), school_id, term_id, staircase_id, '${prefix}Class ' || n, 'Year ' || n % 6, meetings, style
    from school_class, generate_series(1, ${classes}) n where name = '4 Plover' and school_id = ?`,
    [schoolId],
  );
  await em.execute(
    `insert into pupil (id, school_id, school_class_id, shown_name, start_step_id, joined_on, left_on, hand_mark, note,
      plays_instead, may_record)
    select gen_random_uuid(), c.school_id, c.id, '${prefix}Pupil ' || n, st.id, t.starts_on, null, '', '', null, false
    from generate_series(0, ${pupils - 1}) n
    join school_class c on c.name = '${prefix}Class ' || n % ${classes} + 1 and c.school_id = ?
    join term t on t.id = c.term_id
    join step st on st.staircase_id = c.staircase_id and st.position = 1`,
    [schoolId],
  );
  // Each pupil climbs: fifteen tries a step, every fifteenth a pass; each pupil at a pace of their own.
  await em.execute(
    `insert into record_event (id, school_id, school_class_id, account_id, kind, pupil_id, step_id, outcome, remarks,
      undoes, reason, device_ahead, heard_at, received_at)
    select gen_random_uuid(), p.school_id, p.school_class_id, a.id, 'heard', p.id, st.id,
      case when n % 30 = 14 then 'passed' when n % 3 = 0 then 'nearly' else 'not-yet' end, '["leak"]'::jsonb, null, '', 0,
      t.starts_on + n * interval '9 hours', t.starts_on + n * interval '9 hours'
    from pupil p
    join school_class c on c.id = p.school_class_id
    join term t on t.id = c.term_id
    cross join generate_series(0, ${recordsEach - 1}) n
    join step st on st.staircase_id = c.staircase_id and st.position = least(6, n / 15 + 1)
    cross join (select id from account where role = 'owner' and school_id = ? limit 1) a
    where p.school_id = ? and p.shown_name like '${prefix}Pupil %'`,
    [schoolId, schoolId],
  );
  await em.execute('vacuum analyze record_event');
  await em.execute('analyze');
}

/** What the pages show, by one hand-written statement that aggregates the same records. */
export const BY_HAND = `
with heard as (
  select e.pupil_id, e.step_id, count(*) as tries, bool_or(e.outcome = 'passed') as passed, max(e.heard_at) as last_at,
    (array_agg(e.outcome order by e.heard_at desc, e.id desc))[1] as last_outcome,
    (array_agg(e.remarks order by e.heard_at desc, e.id desc))[1] as remarks
  from record_event e
  join pupil p on p.id = e.pupil_id
  where e.school_id = ? and e.kind = 'heard' and (?::uuid is null or p.school_class_id = ?::uuid)
    and not exists (select 1 from record_event u where u.undoes = e.id)
  group by e.pupil_id, e.step_id
)
select c.id as class_id, c.name, c.grade, c.meetings, c.style, p.id, p.shown_name, p.joined_on, p.left_on, first.position,
  st.position as step, h.*
from school_class c
join pupil p on p.school_class_id = c.id
join step first on first.id = p.start_step_id
left join heard h on h.pupil_id = p.id
left join step st on st.id = h.step_id
where c.school_id = ? and (?::uuid is null or c.id = ?::uuid)`;
