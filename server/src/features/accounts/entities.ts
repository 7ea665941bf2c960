import { ROLES } from '@escalier/contract/people';
import { defineEntity } from '@mikro-orm/core';
import { SchoolEntity } from '../schools/index.ts';

export const AccountEntity = defineEntity({
  name: 'Account',
  tableName: 'account',
  properties: (p) => ({
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    /** Lower case. */
    email: p.text().unique(),
    name: p.text(),
    /** argon2id with its parameters. */
    passwordHash: p.text(),
    role: p.enum([...ROLES]),
    /** Since when nobody signs in by this account; its records stay. Null while it is open. */
    closedAt: p.datetime().nullable(),
    /** Seals on a device what was recorded there and not sent; it goes to whoever is signed in to this account. */
    sealKey: p.text(),
    version: p.integer().default(1),
  }),
});
