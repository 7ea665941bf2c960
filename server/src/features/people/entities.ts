import { ROLES } from '@escalier/contract/people';
import { defineEntity } from '@mikro-orm/core';
import { AccountEntity } from '../accounts/index.ts';
import { SchoolEntity } from '../schools/index.ts';

/** A link that lets somebody in once: to a new account, or to a new password for one that is there. */
export const InvitationEntity = defineEntity({
  name: 'Invitation',
  tableName: 'invitation',
  properties: (p) => ({
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    /** SHA-256 of the end of the link. */
    tokenHash: p.text().unique(),
    /** Whose password it renews; null for a new account. */
    account: () => p.manyToOne(AccountEntity).mapToPk().nullable(),
    name: p.text(),
    role: p.enum([...ROLES]),
    classIds: p.json<string[]>(),
    createdAt: p.datetime(),
    expiresAt: p.datetime(),
  }),
});

/** What the first visitor of an empty database has to know; gone with the first school. */
export const SetupCodeEntity = defineEntity({
  name: 'SetupCode',
  tableName: 'setup_code',
  properties: (p) => ({ code: p.text().primary() }),
});
