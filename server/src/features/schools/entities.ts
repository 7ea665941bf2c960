import { defineEntity } from '@mikro-orm/core';
import type { DaysOff, Rotation } from '@escalier/core/calendar';
import type { Caution } from '@escalier/core/practice';

/** A caution that is shown where it matters, or one that the school has put away. */
export interface SchoolCaution extends Caution {
  readonly shown: boolean;
}

export const SchoolEntity = defineEntity({
  name: 'School',
  tableName: 'school',
  properties: (p) => ({
    id: p.uuid().primary(),
    name: p.text(),
    timeZone: p.text(),
    /** The school's own cautions; null as long as they are the usual ones. */
    cautions: p.json<SchoolCaution[]>().nullable(),
  }),
});

export const TermEntity = defineEntity({
  name: 'Term',
  tableName: 'term',
  properties: (p) => ({
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    name: p.text(),
    startsOn: p.date(),
    endsOn: p.date(),
    daysOff: p.json<DaysOff[]>(),
    rotation: p.json<Rotation>(),
  }),
});

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
  }),
});

export const SessionEntity = defineEntity({
  name: 'Session',
  tableName: 'session',
  properties: (p) => ({
    /** SHA-256 of the token in the cookie, so that a copy of the table opens nothing. */
    tokenHash: p.text().primary(),
    account: () => p.manyToOne(AccountEntity).mapToPk().index(),
    createdAt: p.datetime(),
    expiresAt: p.datetime(),
  }),
});
