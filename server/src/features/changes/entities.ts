import type { ChangeFact } from '@escalier/contract/changes';
import { defineEntity } from '@mikro-orm/core';
import { AccountEntity } from '../accounts/index.ts';
import { SchoolEntity } from '../schools/index.ts';

/** A line of who changed what; records of hearings tell for themselves who made them. */
export const ChangeEntity = defineEntity({
  name: 'Change',
  tableName: 'change',
  properties: (p) => ({
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    account: () => p.manyToOne(AccountEntity).mapToPk(),
    at: p.datetime().defaultRaw('now()'),
    /** The pupil, class, person or term that it is about. */
    about: p.uuid().nullable().index(),
    what: p.json<ChangeFact>(),
  }),
});
