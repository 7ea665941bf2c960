export { InvitationEntity } from './entities.ts';
export type { Stock } from './first-run.ts';
export { firstRunRoutes, invitationRoutes, peopleRoutes } from './routes.ts';
export type { Invited, InvitationLine, NewLink, People, PersonLine } from './service.ts';
