export { SchoolEntity, type SchoolCaution } from './entities.ts';
