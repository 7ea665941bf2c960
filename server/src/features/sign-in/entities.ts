import { defineEntity } from '@mikro-orm/core';
import { AccountEntity } from '../accounts/index.ts';

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
