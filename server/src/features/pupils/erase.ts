import type { Trace } from '@escalier/contract/pupils';
import type { LocalDate } from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { logChange } from '../changes/index.ts';
import { AbsenceEntity, PupilEntity, pupilOf } from '../classes/index.ts';
import { cleanTrace, listErasures, tracesOf, type TraceKey } from '../erasures/index.ts';
import { blankReasons } from '../hearing/index.ts';
import { takeDoorAway } from '../home/index.ts';
import { eraseRecordingsOf } from '../recordings/index.ts';

/** Free texts of the school in which the pupil's name stands. @throws Problem 404. */
export async function pupilTraces(em: EntityManager, user: SignedIn, id: string): Promise<readonly Trace[]> {
  const { shownName, erasedAt } = await pupilOf(em, user, id);
  return (erasedAt ?? null) === null ? tracesOf(em, user.schoolId, { pupilId: id, name: shownName }) : [];
}

/**
 * Takes away what tells who a pupil was: name, note, mark, absences, recordings, the slip, the lines in the list of changes,
 * and the name in the texts that were confirmed. The records of hearings stay, without a name, so that the figures of the
 * class stay as they were. It cannot be taken back.
 */
export async function erasePupil(
  em: EntityManager,
  user: SignedIn,
  id: string,
  clean: readonly TraceKey[],
  { now, today }: { readonly now: Date; readonly today: LocalDate },
): Promise<void> {
  const pupil = await pupilOf(em, user, id);
  await em.transactional(async (tx) => {
    for (const trace of clean) await cleanTrace(tx, user.schoolId, trace, pupil.shownName);
    await erasePersonalData(tx, id, { now, today });
    const texts = clean.map(({ place, key }) => ({ kind: place, key: `${key}@${id}` }));
    await listErasures(tx, [{ kind: 'pupil', key: id }, ...texts], now);
    await logChange(tx, user, id, { code: 'pupil-erased' });
  });
}

/** The same for a copy that was brought back, which nobody does as somebody. */
export async function erasePersonalData(
  tx: EntityManager,
  id: string,
  { now, today }: { readonly now: Date; readonly today: LocalDate },
): Promise<void> {
  const pupil = await tx.findOneOrFail(PupilEntity, { id });
  await tx.nativeUpdate(
    PupilEntity,
    { id },
    {
      shownName: 'Erased',
      note: '',
      handMark: '',
      mayRecord: false,
      printSize: 'medium',
      easierLine: false,
      leftOn: pupil.leftOn ?? today,
      erasedAt: now,
      version: pupil.version + 1,
    },
  );
  await tx.nativeDelete(AbsenceEntity, { pupil: id });
  await blankReasons(tx, id);
  await eraseRecordingsOf(tx, id);
  await takeDoorAway(tx, id);
  await tx.execute(`update change set what = '{"code": "about-erased-pupil"}' where about = ?`, [id]);
}
