import type { SchoolCaution, SchoolTemplates } from '@escalier/contract/schools';
import { USUAL_ENGLISH, type English } from '@escalier/messages';
import { defineEntity } from '@mikro-orm/core';
import type { NoteColours } from '@escalier/core/practice';
import type { Remark } from '@escalier/core/records';

export const SchoolEntity = defineEntity({
  name: 'School',
  tableName: 'school',
  properties: (p) => ({
    id: p.uuid().primary(),
    name: p.text(),
    timeZone: p.text(),
    /** Which English its screens and sheets speak. */
    english: p.json<English>().default(JSON.stringify(USUAL_ENGLISH)),
    /** The school's own cautions; null as long as they are the usual ones. */
    cautions: p.json<SchoolCaution[]>().nullable(),
    /** The school's own remarks at hearing; null as long as they are the usual ones. */
    remarks: p.json<Remark[]>().nullable(),
    /** Of note heads, by letter; null as long as they are the usual ones. */
    noteColours: p.json<NoteColours>().nullable(),
    /** The school's own words for letters and certificates; null as long as they are the usual ones. */
    templates: p.json<SchoolTemplates>().nullable(),
    /** Days after which recordings are erased. */
    recordingDays: p.integer().default(30),
    /** What all recordings of the school may take. */
    recordingMegabytes: p.integer().default(500),
    /** The owner's switch: classes may have practice rooms. */
    roomAllowed: p.boolean().default(false),
    version: p.integer().default(1),
  }),
});
