export { schoolCautions, schoolRoutes } from './cautions.ts';
export { changedFields, noteChange } from './changes.ts';
export {
  AccountEntity,
  ChangeEntity,
  SchoolEntity,
  SessionEntity,
  SignInTryEntity,
  TermEntity,
  type SchoolCaution,
} from './entities.ts';
export { schoolName } from './details.ts';
export { hashPassword, newPassword } from './passwords.ts';
export { accountRoutes, changeRoutes, sessionRoutes, signInRoutes, type DemoAccount, type Me } from './routes.ts';
export { hashToken, newToken, openSession, whoHave, type Knock, type SessionLine } from './service.ts';
export { deviceOf, keepCookie, needsSession } from './session.ts';
export type { ChangeLine } from './changes.ts';
