export { readCautions, schoolRoutes } from './cautions.ts';
export { changedFields, changedMeanwhile, changeVersion, noteChange } from './changes.ts';
export {
  AccountEntity,
  ChangeEntity,
  KnownDeviceEntity,
  SchoolEntity,
  SessionEntity,
  SignInTryEntity,
  TermEntity,
  type SchoolCaution,
} from './entities.ts';
export { schoolName } from './details.ts';
export { hashPassword, newPassword, NO_PASSWORD, refuseWeak } from './passwords.ts';
export { accountRoutes, changeRoutes, sessionRoutes, signInRoutes, type DemoAccount, type Me } from './routes.ts';
export { openSession, whoAsks, type AskedWith, type SessionLine } from './service.ts';
export { deviceOf, keepCookies, needsSession, SESSION_COOKIE } from './session.ts';
export { countTry } from './throttle.ts';
export { forgetDevices } from './devices.ts';
export type { ChangeLine } from './changes.ts';
