import type { Findable } from '@escalier/contract/class-pages';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { openClasses } from './access.ts';

/** Names of the classes that somebody may open, of their pupils, and of the school's tunes. */
export async function findable(em: EntityManager, user: SignedIn): Promise<Findable> {
  const ids = await openClasses(em, user);
  const list = `{${ids.join(',')}}`;
  const [classes, pupils, tunes] = [
    await em.execute<Findable['classes'][number][]>(
      'select id, name from school_class where id = any(?::uuid[]) order by name',
      [list],
    ),
    await em.execute<Findable['pupils'][number][]>(
      `select id, shown_name as name, school_class_id as "classId" from pupil
       where school_class_id = any(?::uuid[]) and left_on is null and erased_at is null order by shown_name`,
      [list],
    ),
    await em.execute<Findable['tunes'][number][]>(
      'select id, title from tune where school_id = ? and not archived order by title',
      [user.schoolId],
    ),
  ];
  return { classes, pupils, tunes };
}
