import { done, idParam, linkToken } from '@escalier/contract/fields';
import {
  RoomFacts,
  RoomOfClass,
  TaskInput,
  accessSlips,
  roomInput,
  roomKey,
  roomsAllowed,
  RoomsOfSchool,
  slipWords,
  slipsInput,
} from '@escalier/contract/practice-rooms';
import { HandIn, handedIn } from '@escalier/contract/recordings';
import { Hono } from 'hono';
import { createMiddleware } from 'hono/factory';
import { admitted } from '../../hasher/index.ts';
import { atMost, BODY } from '../../platform/body.ts';
import { answers, answersFile } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { Problem } from '../../platform/problem.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { keyForWords, makeSlips, openDoor, type Opened } from './doors.ts';
import { handIn, roomFacts, spokenAnswer } from './room.ts';
import { allowRooms, roomOfClass, roomsOfSchool, setTask, switchRoom } from './service.ts';
import { t } from '../../platform/messages.ts';

type DoorEnv = { Variables: AppEnv['Variables'] & { door: Opened } };

const bearer = /^Bearer ([\w-]+)$/;

/** Whose room it is, by the token in the header: never by a cookie, never by the address. */
const throughDoor = createMiddleware<DoorEnv>(async (c, next) => {
  const token = linkToken.safeParse(bearer.exec(c.req.header('authorization') ?? '')?.[1]);
  if (!token.success) throw new Problem(401, 'no-slip', t('routes.use-the-link-or-the-three'));
  c.set('door', await openDoor(c.var.em, token.data, c.var.now));
  await next();
});

/** Before all else of a request: how many try three words at one moment. */
export const wordsDoor = createMiddleware<AppEnv>((_c, next) => admitted('words', next));

const behindDoor = new Hono<DoorEnv>()
  .use(throughDoor)
  .get('/', answers(RoomFacts), async (c) => c.json(await roomFacts(c.var.em, c.var.door, c.var.now)))
  .put(
    '/recordings/:id',
    answers(handedIn, 201),
    atMost(BODY.sound),
    valid('param', idParam),
    valid('query', HandIn),
    async (c) => {
      const sound = new Uint8Array(await c.req.arrayBuffer());
      const { id } = c.req.valid('param');
      await handIn(c.var.em, c.var.door, id, c.req.valid('query'), sound, c.var.now);
      return c.json({ id }, 201);
    },
  )
  .get('/answers/:id', answersFile('audio/wav'), valid('param', idParam), async (c) => {
    const sound = await spokenAnswer(c.var.em, c.var.door, c.req.valid('param').id, c.var.now);
    return c.body(new Uint8Array(sound).buffer, 200, { 'content-type': 'audio/wav' });
  });

/** A pupil's room. Nobody is signed in here, and nothing but a recording can be written. */
export const roomRoutes = new Hono<AppEnv>()
  .post('/words', answers(roomKey), atMost(BODY.open), valid('json', slipWords), async (c) => {
    const { em, limits, network, now } = c.var;
    const { words } = c.req.valid('json');
    return c.json({ token: await keyForWords(em, limits, words, network.addressOf(c), now) });
  })
  .route('/', behindDoor);

/** Under `/classes`. */
export const classRoomRoutes = new Hono<AppEnv>()
  .get('/:id/room', answers(RoomOfClass), valid('param', idParam), async (c) => {
    return c.json(await roomOfClass(c.var.em, c.var.who, c.req.valid('param').id, c.var.now));
  })
  .put('/:id/room', answers(done), valid('param', idParam), valid('json', roomInput), async (c) => {
    await switchRoom(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json').until, c.var.now);
    return c.json({ ok: true });
  })
  .put('/:id/room/task', answers(done), valid('param', idParam), valid('json', TaskInput), async (c) => {
    await setTask(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
    return c.json({ ok: true });
  })
  .post('/:id/room/slips', answers(accessSlips, 201), valid('param', idParam), valid('json', slipsInput), async (c) => {
    const { pupilIds } = c.req.valid('json');
    return c.json(await makeSlips(c.var.em, c.var.who, c.req.valid('param').id, pupilIds, c.var.now), 201);
  });

/** Under `/school`. */
export const schoolRoomRoutes = new Hono<AppEnv>()
  .get('/rooms', answers(RoomsOfSchool), async (c) => c.json(await roomsOfSchool(c.var.em, c.var.who)))
  .put('/rooms', answers(done), forRole('owner'), valid('json', roomsAllowed), async (c) => {
    await allowRooms(c.var.em, c.var.who, c.req.valid('json').allowed);
    return c.json({ ok: true });
  });
