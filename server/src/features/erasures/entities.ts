import { defineEntity } from '@mikro-orm/core';

/**
 * What was erased, by ids alone: a copy that is brought back is cleaned by this list. It has no foreign keys, for what it
 * names is gone.
 */
export const ErasureEntity = defineEntity({
  name: 'Erasure',
  tableName: 'erasure',
  primaryKeys: ['kind', 'key'],
  properties: (p) => ({
    /** 'pupil', 'recording', or the place of a text out of which a name was taken. */
    kind: p.text().primary(),
    /** Of the row; for a text that of its row and the pupil, `KEY@PUPIL`. */
    key: p.text().primary(),
    at: p.datetime(),
  }),
});
