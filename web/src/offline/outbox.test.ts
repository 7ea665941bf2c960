import type { Recorded } from '@escalier/contract/results';
import '../testing/own-database.ts';
import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { openDevice, type NewEvent } from './database.ts';
import { sealerOf } from './seal.ts';
import { outbox, SendProblem, type Outbox, type Send } from './outbox.ts';

const MARA = 'mara@osierbridge.example';
const IVO = 'ivo@osierbridge.example';
/** 256 bits in base64url. */
const KEY = 'A'.repeat(43);
let box: Outbox;
let made = 0;

beforeEach(async () => {
  box = outbox(await openDevice(`device-${(made += 1)}`), await sealerOf(KEY));
});

function heard(id: string): NewEvent {
  return {
    kind: 'heard',
    id,
    pupilId: 'p',
    stepId: 's',
    outcome: 'passed',
    remarks: [],
    heardAt: '2026-03-03T10:00:00.000Z',
  };
}

const add = (id: string, account = MARA) => box.add({ account, classId: 'c', event: heard(id) });
const waiting = async () => [...(await box.of(MARA)), ...(await box.of(IVO))];
const ids = async () => (await waiting()).map((kept) => kept.event.id);

/** A school that takes everything in, once, and remembers the order. */
function school() {
  const got: string[] = [];
  const take: Send = (events) =>
    Promise.resolve(
      events.map(({ id }): Recorded => {
        const known = got.indexOf(id);
        if (known < 0) got.push(id);
        return { id, number: got.indexOf(id) + 1, stored: known < 0 };
      }),
    );
  return { got, take };
}

describe('the outbox', () => {
  it('sends in order what waits, and keeps nothing that the school has', async () => {
    for (const id of ['a', 'b', 'c']) await add(id);
    const { got, take } = school();
    const arrived: string[] = [];
    expect(await box.send(MARA, take, (kept, number) => arrived.push(`${kept.event.id}${number}`))).toBe('done');
    expect(got).toEqual(['a', 'b', 'c']);
    expect(arrived).toEqual(['a1', 'b2', 'c3']);
    expect(await ids()).toEqual([]);
  });

  it('sends what is of one account, and lets that of others wait', async () => {
    await add('a');
    await add('b', IVO);
    const { got, take } = school();
    await box.send(MARA, take, () => undefined);
    expect(got).toEqual(['a']);
    expect(await ids()).toEqual(['b']);
  });

  it.each(['offline', 'signed-out'] as const)('keeps everything when it is %s', async (kind) => {
    await add('a');
    expect(
      await box.send(
        MARA,
        () => Promise.reject(new SendProblem(kind, 'no')),
        () => undefined,
      ),
    ).toBe(kind);
    expect(await ids()).toEqual(['a']);
  });

  it('keeps what is refused, with the sentence, and does not send it again', async () => {
    for (const id of ['a', 'b', 'c']) await add(id);
    const { got, take } = school();
    const picky: Send = async (events) => {
      const taken = await take(events.filter(({ id }) => id !== 'b'));
      return [...taken, ...(events.some(({ id }) => id === 'b') ? [{ id: 'b', refused: 'This pupil has left.' }] : [])];
    };
    expect(await box.send(MARA, picky, () => undefined)).toBe('refused');
    expect(got).toEqual(['a', 'c']);
    const [left] = await waiting();
    expect(left).toMatchObject({ event: { id: 'b' }, refused: 'This pupil has left.' });
    expect(
      await box.send(
        MARA,
        () => Promise.reject(new Error('nothing is sent')),
        () => undefined,
      ),
    ).toBe('done');
    await box.forget(left!.order);
    expect(await ids()).toEqual([]);
  });

  it('finds the one that cannot be read, and sends the others', async () => {
    for (const id of ['a', 'broken', 'c']) await add(id);
    const { got, take } = school();
    const strict: Send = (events) =>
      events.some(({ id }) => id === 'broken')
        ? Promise.reject(new SendProblem('unreadable', 'An id made by the client.'))
        : take(events);
    await box.send(MARA, strict, () => undefined);
    expect(got).toEqual(['a', 'c']);
    expect(await waiting()).toMatchObject([{ event: { id: 'broken' }, refused: 'An id made by the client.' }]);
  });

  it('parks the one that breaks the server, with its sentence, and sends the others; it can be tried again', async () => {
    for (const id of ['a', 'poison', 'c']) await add(id);
    const { got, take } = school();
    let breaks = true;
    const fragile: Send = (events) =>
      breaks && events.some(({ id }) => id === 'poison') ? Promise.reject(new SendProblem('broken', '')) : take(events);
    expect(await box.send(MARA, fragile, () => undefined)).toBe('refused');
    expect(got).toEqual(['a', 'c']);
    const [left] = await waiting();
    expect(left).toMatchObject({ event: { id: 'poison' } });
    expect(left!.refused).toContain('server can’t take this one');
    breaks = false;
    await box.retry(left!.order);
    expect(await box.send(MARA, fragile, () => undefined)).toBe('done');
    expect(got).toEqual(['a', 'c', 'poison']);
  });

  it('keeps everything when the server breaks on all of them: it is the server then', async () => {
    for (const id of ['a', 'b']) await add(id);
    const down: Send = () => Promise.reject(new SendProblem('broken', ''));
    expect(await box.send(MARA, down, () => undefined)).toBe('offline');
    expect((await waiting()).map((kept) => kept.refused)).toEqual([null, null]);
  });

  it('lies sealed on the disk: another key opens nothing, the account’s own does', async () => {
    const device = await openDevice(`device-${(made += 1)}`);
    const mine = outbox(device, await sealerOf(KEY));
    await mine.add({
      account: MARA,
      classId: 'c',
      event: { ...heard('a'), kind: 'heard', reason: 'Nils was tired' } as NewEvent,
    });
    const raw = await device.getAll('outbox');
    expect(JSON.stringify(raw)).not.toContain('Nils');
    expect(raw[0]!.content).not.toHaveProperty('event');
    const stranger = outbox(device, await sealerOf('B'.repeat(43)));
    expect(await stranger.of(MARA)).toEqual([]);
    expect(await stranger.others(IVO)).toEqual([MARA]);
    expect((await mine.of(MARA))[0]!.event).toMatchObject({ id: 'a', reason: 'Nils was tired' });
  });

  it('without cryptography leaves ids and no free words when somebody goes', async () => {
    const device = await openDevice(`device-${(made += 1)}`);
    const plain = outbox(device, null);
    await plain.add({
      account: MARA,
      classId: 'c',
      event: { ...heard('a'), kind: 'heard', reason: 'Nils was tired' } as NewEvent,
    });
    await plain.leave();
    expect(JSON.stringify(await device.getAll('outbox'))).not.toContain('Nils');
    expect(await plain.of(MARA)).toMatchObject([{ event: { id: 'a' } }]);
  });

  it('does not ask for ever a server that names nothing', async () => {
    await add('a');
    expect(
      await box.send(
        MARA,
        () => Promise.resolve([]),
        () => undefined,
      ),
    ).toBe('offline');
    expect(await ids()).toEqual(['a']);
  });

  it('brings everything to the school once and in order, whatever the network does', async () => {
    const happening = fc.constantFrom('lost before', 'lost after', 'through', 'half through');
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 12 }),
        fc.array(happening, { maxLength: 12 }),
        async (count, course) => {
          box = outbox(await openDevice(`device-${(made += 1)}`), await sealerOf(KEY));
          const all = Array.from({ length: count }, (_, index) => `id-${String(index).padStart(2, '0')}`);
          for (const id of all) await add(id);
          const { got, take } = school();
          let turn = 0;
          const network: Send = async (events) => {
            const now = course[turn++] ?? 'through';
            if (now === 'lost before') throw new SendProblem('offline', '');
            const results = await take(now === 'half through' ? events.slice(0, 1) : events);
            if (now === 'lost after') throw new SendProblem('offline', '');
            return results;
          };
          for (let tries = 0; tries <= course.length + count && (await ids()).length > 0; tries++)
            await box.send(MARA, network, () => undefined);
          expect(got).toEqual(all);
          expect(await ids()).toEqual([]);
        },
      ),
      { numRuns: 40 },
    );
  });
});
