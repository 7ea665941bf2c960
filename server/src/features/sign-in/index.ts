export { forgetDevices } from './devices.ts';
export { KnownDeviceEntity, SessionEntity } from './entities.ts';
export { hashPassword, NO_PASSWORD, refuseWeak } from './passwords.ts';
export { accountRoutes, sessionRoutes, signInRoutes } from './routes.ts';
export { openSession, whoAsks, type AskedWith } from './service.ts';
export { deviceOf, keepCookies, needsSession, SESSION_COOKIE, signInDoor } from './session.ts';
