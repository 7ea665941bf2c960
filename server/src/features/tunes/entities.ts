import { defineEntity } from '@mikro-orm/core';
import { SchoolEntity } from '../schools/index.ts';

export const TuneEntity = defineEntity({
  name: 'Tune',
  tableName: 'tune',
  uniques: [{ properties: ['school', 'content'] }],
  properties: (p) => ({
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    title: p.text(),
    /** The tune itself: everything else about it is read from here. */
    abc: p.text(),
    /** SHA-256 of what sounds, so that the same tune is not kept twice under two titles. */
    content: p.text().nullable(),
    /** Hidden from the library, kept for the results that name it. */
    archived: p.boolean().default(false),
    version: p.integer().default(1),
  }),
});
