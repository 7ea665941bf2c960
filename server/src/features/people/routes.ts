import { done, idParam } from '@escalier/contract/fields';
import {
  InvitationInput,
  Invited,
  NewLink,
  People,
  PersonChange,
  acceptance,
  firstRun,
} from '@escalier/contract/people';
import { tokenParam } from '@escalier/contract/terms';
import { answers } from '../../platform/answers.ts';
import { Hono } from 'hono';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { deviceOf, hashPassword, keepCookies, openSession, refuseWeak } from '../sign-in/index.ts';
import { setUpSchool, type FillSchool } from './first-run.ts';
import {
  acceptInvitation,
  changePerson,
  invite,
  invitePassword,
  listPeople,
  openInvitation,
  withdraw,
} from './service.ts';

export const peopleRoutes = new Hono<AppEnv>()
  .use(forRole('owner'))
  .get('/', answers(People), async (c) => c.json(await listPeople(c.var.em, c.var.who, c.var.now)))
  .put('/:id', answers(done), valid('param', idParam), valid('json', PersonChange), async (c) => {
    await changePerson(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'), c.var.now);
    return c.json({ ok: true });
  })
  .post('/:id/password-link', answers(NewLink, 201), valid('param', idParam), async (c) => {
    return c.json(await invitePassword(c.var.em, c.var.who, c.req.valid('param').id, c.var.now), 201);
  })
  .post('/invitations', answers(NewLink, 201), valid('json', InvitationInput), async (c) => {
    return c.json(await invite(c.var.em, c.var.who, c.req.valid('json'), c.var.now), 201);
  })
  .delete('/invitations/:id', answers(done), valid('param', idParam), async (c) => {
    await withdraw(c.var.em, c.var.who, c.req.valid('param').id);
    return c.json({ ok: true });
  });

/** For who has a link and no account yet. */
export const invitationRoutes = new Hono<AppEnv>()
  .get('/:token', answers(Invited), valid('param', tokenParam), async (c) => {
    return c.json(await openInvitation(c.var.em, c.req.valid('param').token, c.var.now));
  })
  .post('/:token', answers(done, 201), valid('param', tokenParam), valid('json', acceptance), async (c) => {
    const { password, ...rest } = c.req.valid('json');
    const { token } = c.req.valid('param');
    const invited = await openInvitation(c.var.em, token, c.var.now);
    await refuseWeak('password', password, [invited.email ?? rest.email, rest.name, invited.school]);
    const passwordHash = await hashPassword(password);
    const account = await acceptInvitation(c.var.em, token, { ...rest, passwordHash }, c.var.now);
    keepCookies(c, await openSession(c.var.em, account, deviceOf(c), c.var.now));
    return c.json({ ok: true }, 201);
  });

/** Sets up the first school of an empty database. */
export function firstRunRoutes(fillSchool: FillSchool) {
  return new Hono<AppEnv>().post('/', answers(done, 201), valid('json', firstRun), async (c) => {
    const { password, code, ...rest } = c.req.valid('json');
    const device = deviceOf(c);
    await c.var.limits.countTry({ key: 'setup code', address: device.address });
    await refuseWeak('password', password, [rest.email, rest.name, rest.school]);
    const passwordHash = await hashPassword(password);
    const account = await setUpSchool(c.var.em, { ...rest, code, passwordHash }, fillSchool);
    keepCookies(c, await openSession(c.var.em, account, device, c.var.now));
    return c.json({ ok: true }, 201);
  });
}
