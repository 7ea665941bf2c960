export { SchoolEntity, type SchoolCaution, type SchoolTemplates } from './entities.ts';
