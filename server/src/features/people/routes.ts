import { Hono } from 'hono';
import { z } from 'zod';
import { ROLES, type AppEnv } from '../../platform/context.ts';
import { linkToken, text, timeZone } from '../../platform/fields.ts';
import { idParam } from '../../platform/ids.ts';
import { forRole } from '../../platform/roles.ts';
import { version } from '../../platform/versions.ts';
import { valid } from '../../platform/valid.ts';
import { schoolName } from '../school-settings/index.ts';
import { deviceOf, hashPassword, keepCookies, newPassword, openSession, refuseWeak } from '../sign-in/index.ts';
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

const personName = text().trim().min(1).max(80);
const email = z.email().max(200);
const role = z.enum(ROLES);
const classIds = z.array(z.uuid()).max(200);

export const peopleRoutes = new Hono<AppEnv>()
  .use(forRole('owner'))
  .get('/', async (c) => c.json(await listPeople(c.var.em, c.var.who, c.var.now)))
  .put(
    '/:id',
    valid('param', idParam),
    valid('json', z.object({ role, classIds, closed: z.boolean(), version })),
    async (c) => {
      await changePerson(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'), c.var.now);
      return c.json({ ok: true });
    },
  )
  .post('/:id/password-link', valid('param', idParam), async (c) => {
    return c.json(await invitePassword(c.var.em, c.var.who, c.req.valid('param').id, c.var.now), 201);
  })
  .post('/invitations', valid('json', z.object({ name: personName, role, classIds })), async (c) => {
    return c.json(await invite(c.var.em, c.var.who, c.req.valid('json'), c.var.now), 201);
  })
  .delete('/invitations/:id', valid('param', idParam), async (c) => {
    await withdraw(c.var.em, c.var.who, c.req.valid('param').id);
    return c.json({ ok: true });
  });

const linkParam = z.object({ token: linkToken });
const acceptance = z.object({ name: personName, email, password: newPassword });

/** For who has a link and no account yet. */
export const invitationRoutes = new Hono<AppEnv>()
  .get('/:token', valid('param', linkParam), async (c) => {
    return c.json(await openInvitation(c.var.em, c.req.valid('param').token, c.var.now));
  })
  .post('/:token', valid('param', linkParam), valid('json', acceptance), async (c) => {
    const { password, ...rest } = c.req.valid('json');
    const { token } = c.req.valid('param');
    const invited = await openInvitation(c.var.em, token, c.var.now);
    await refuseWeak('password', password, [invited.email ?? rest.email, rest.name, invited.school]);
    const passwordHash = await hashPassword(password);
    const account = await acceptInvitation(c.var.em, token, { ...rest, passwordHash }, c.var.now);
    keepCookies(c, await openSession(c.var.em, account, deviceOf(c), c.var.now));
    return c.json({ ok: true }, 201);
  });

const firstRun = z.object({
  code: text().trim().max(40),
  school: schoolName,
  timeZone,
  name: personName,
  email,
  password: newPassword,
});

/** Sets up the first school of an empty database. */
export function firstRunRoutes(fillSchool: FillSchool) {
  return new Hono<AppEnv>().post('/', valid('json', firstRun), async (c) => {
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
