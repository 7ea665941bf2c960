import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { AbsenceEntity, ClassEntity, ClassTeacherEntity, ClassTuneEntity } from '../classes/index.ts';
import { PupilEntity, PupilMoveEntity } from '../classes/index.ts';
import { RecordEventEntity } from '../hearing/index.ts';
import { BeltStockEntity, InstrumentEntity, LoanEntity } from '../instruments/index.ts';
import { AccountEntity, ChangeEntity, SchoolEntity, TermEntity } from '../schools/index.ts';
import { StaircaseEntity, StepEntity } from '../staircase/index.ts';
import { TuneEntity } from '../tunes/index.ts';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, archiveSchema, type Archive } from './format.ts';

/** The whole school at one moment: read in one transaction that sees no later change. */
export async function exportSchool(
  em: EntityManager,
  { schoolId }: Pick<SignedIn, 'schoolId'>,
  now: Date,
): Promise<Archive> {
  return em.transactional(
    async (tx) => {
      await tx.execute('set transaction read only');
      const school = await tx.findOneOrFail(SchoolEntity, { id: schoolId });
      const own = { school: schoolId };
      const byId = { orderBy: { id: 'asc' } } as const;
      const staircases = await tx.find(StaircaseEntity, own, byId);
      const classes = await tx.find(ClassEntity, own, byId);
      const pupils = await tx.find(PupilEntity, own, byId);
      const [ofClasses, ofPupils] = [ids(classes), ids(pupils)];
      const rows = {
        format: ARCHIVE_FORMAT,
        version: ARCHIVE_VERSION,
        exportedAt: now,
        school,
        people: await tx.find(AccountEntity, own, byId),
        terms: await tx.find(TermEntity, own, byId),
        tunes: await tx.find(TuneEntity, own, byId),
        staircases,
        steps: await tx.find(StepEntity, { staircase: { $in: ids(staircases) } }, byId),
        classes,
        classTeachers: await tx.find(
          ClassTeacherEntity,
          { schoolClass: { $in: ofClasses } },
          { orderBy: { schoolClass: 'asc', account: 'asc' } },
        ),
        pupils,
        moves: await tx.find(PupilMoveEntity, { pupil: { $in: ofPupils } }, byId),
        absences: await tx.find(
          AbsenceEntity,
          { pupil: { $in: ofPupils } },
          { orderBy: { pupil: 'asc', date: 'asc' } },
        ),
        classTunes: await tx.find(
          ClassTuneEntity,
          { schoolClass: { $in: ofClasses } },
          { orderBy: { schoolClass: 'asc', tune: 'asc' } },
        ),
        records: await tx.find(RecordEventEntity, own, byId),
        instruments: await tx.find(InstrumentEntity, own, byId),
        loans: await tx.find(LoanEntity, { pupil: { $in: ofPupils } }, byId),
        beltStock: await tx.find(BeltStockEntity, own, { orderBy: { belt: 'asc' } }),
        changes: await tx.find(ChangeEntity, own, byId),
      };
      // Through JSON dates become text; the schema keeps what belongs into an archive, so no hash of a password.
      return archiveSchema.parse(JSON.parse(JSON.stringify(rows, absentAsNull)));
    },
    { isolationLevel: 'repeatable read' as never },
  );
}

function absentAsNull(_key: string, value: unknown): unknown {
  return value === undefined ? null : value;
}

function ids(rows: readonly { readonly id: string }[]): string[] {
  return rows.map((row) => row.id);
}
