export { forgetDevices } from './devices.ts';
export { KnownDeviceEntity, SessionEntity } from './entities.ts';
export { hashPassword, newPassword, NO_PASSWORD, refuseWeak } from './passwords.ts';
export { accountRoutes, sessionRoutes, signInRoutes, type DemoAccount, type Me } from './routes.ts';
export { openSession, whoAsks, type AskedWith, type SessionLine } from './service.ts';
export { deviceOf, keepCookies, needsSession, SESSION_COOKIE, signInDoor } from './session.ts';
