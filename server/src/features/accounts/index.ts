export { AccountEntity } from './entities.ts';
