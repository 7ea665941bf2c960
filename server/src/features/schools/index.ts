export { SchoolEntity } from './entities.ts';
