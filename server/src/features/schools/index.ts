export { schoolCautions, schoolRoutes } from './cautions.ts';
export { AccountEntity, SchoolEntity, SessionEntity, TermEntity, type SchoolCaution } from './entities.ts';
export { hashPassword } from './passwords.ts';
export { sessionRoutes, signInRoutes, type DemoAccount, type Me } from './routes.ts';
export { needsSession } from './session.ts';
