import { defineEntity } from '@mikro-orm/core';
import type { DaysOff, Rotation, LocalDate } from '@escalier/core/calendar';
import { SchoolEntity } from '../schools/index.ts';

export const TermEntity = defineEntity({
  name: 'Term',
  tableName: 'term',
  properties: (p) => ({
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    name: p.text(),
    startsOn: p.date().$type<LocalDate>(),
    endsOn: p.date().$type<LocalDate>(),
    daysOff: p.json<DaysOff[]>(),
    rotation: p.json<Rotation>(),
    version: p.integer().default(1),
  }),
});
