export { InvitationEntity, SetupCodeEntity } from './entities.ts';
export { ensureSetupCode, type FillSchool } from './first-run.ts';
export { firstRunRoutes, invitationRoutes, peopleRoutes } from './routes.ts';
