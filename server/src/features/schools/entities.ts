import { defineEntity } from '@mikro-orm/core';
import type { DaysOff, Rotation } from '@escalier/core/calendar';
import type { Caution } from '@escalier/core/practice';
import type { Remark } from '@escalier/core/records';
import { ROLES } from '../../platform/context.ts';

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
    /** The school's own remarks at hearing; null as long as they are the usual ones. */
    remarks: p.json<Remark[]>().nullable(),
    version: p.integer().default(1),
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
    version: p.integer().default(1),
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
    role: p.enum([...ROLES]),
    /** Since when nobody signs in by this account; its records stay. Null while it is open. */
    closedAt: p.datetime().nullable(),
    /** Seals on a device what was recorded there and not sent; it goes to whoever is signed in to this account. */
    sealKey: p.text(),
    version: p.integer().default(1),
  }),
});

export const SessionEntity = defineEntity({
  name: 'Session',
  tableName: 'session',
  properties: (p) => ({
    /** SHA-256 of the token in the cookie, so that a copy of the table opens nothing. */
    tokenHash: p.text().primary(),
    /** Names the session in a list without giving its token away. */
    id: p.uuid().unique(),
    account: () => p.manyToOne(AccountEntity).mapToPk().index(),
    /** The browser and system as the browser tells them. */
    device: p.text(),
    createdAt: p.datetime(),
    /** To the quarter of an hour. */
    seenAt: p.datetime(),
    expiresAt: p.datetime(),
  }),
});

/** A browser that somebody has signed in at before; several accounts may share one. */
export const KnownDeviceEntity = defineEntity({
  name: 'KnownDevice',
  tableName: 'known_device',
  primaryKeys: ['tokenHash', 'account'],
  properties: (p) => ({
    /** SHA-256 of the token in its cookie. */
    tokenHash: p.text().primary(),
    account: () => p.manyToOne(AccountEntity).mapToPk().primary().index().deleteRule('cascade'),
    seenAt: p.datetime().index(),
  }),
});

/** Sign-ins that were tried, by whose guesses count together: an account, a known device of it, or an address. */
export const SignInTryEntity = defineEntity({
  name: 'SignInTry',
  tableName: 'sign_in_try',
  properties: (p) => ({
    /** SHA-256 of what was tried. */
    key: p.text().primary(),
    failures: p.integer(),
    lastAt: p.datetime(),
    /** Until then nothing is tried any more. */
    waitUntil: p.datetime(),
  }),
});

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
    words: p.text(),
  }),
});
