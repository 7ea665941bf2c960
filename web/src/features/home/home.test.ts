import type { RoomOfClass } from '@escalier/contract/practice-rooms';
import { flushPromises } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { clearPage } from '../../testing/page.ts';
import { press } from '../../testing/mount.ts';
import { qrOf } from './qr.ts';
import RoomPage from './RoomPage.vue';
import { eventually } from '../../testing/eventually.ts';

afterEach(() => {
  clearPage();
  vi.unstubAllGlobals();
});

const GOOSE = '01a2184d-8c82-701b-a7d5-40e2295e2861';

const room = (more: Partial<RoomOfClass> = {}): RoomOfClass => ({
  allowed: true,
  today: '2026-03-03',
  room: { until: '2026-06-30', task: null, version: 0 },
  endsOn: '2026-06-30',
  pupils: [
    { id: 'a', name: 'Ann', pictureName: 'Blue Heron', mayHandIn: true, handedIn: 2 },
    { id: 'b', name: 'Ben', pictureName: null, mayHandIn: false, handedIn: 0 },
  ],
  tunes: [{ id: GOOSE, title: 'Goose Walk' }],
  ...more,
});
const SLIP = { pupilId: 'b', pictureName: 'Green Fox', token: 'x'.repeat(43), words: 'otter lamp kite' };

async function open(found: RoomOfClass, more: Parameters<typeof fakeServer>[0] = {}) {
  const asked = fakeServer({
    'GET /api/classes/c/room': () => found,
    'GET /api/classes': () => [],
    'GET /api/school/cautions': () => ({ cautions: [], version: 1 }),
    ...more,
  });
  const opened = await openPage(RoomPage, { classId: 'c' });
  await eventually(() => expect(opened.wrapper.text()).toContain('Slips'));
  return { wrapper: opened.wrapper, asked };
}

describe('the practice room of a class', () => {
  it('makes slips for who has none, and shows them once', async () => {
    const { wrapper, asked } = await open(room(), { 'POST /api/classes/c/room/slips': () => [SLIP] });
    expect(wrapper.text()).toContain('1 pupil may send recordings');
    expect(wrapper.text()).toContain('Blue Heron · may send recordings · 2 recordings');
    await press('Make 1 slip');
    await eventually(() => expect(wrapper.text()).toContain('1 slip to print now'));
    expect(asked.find(({ method }) => method === 'POST')!.body).toEqual({ pupilIds: ['b'] });
    for (const words of ['For Ben', 'Green Fox', 'otter lamp kite']) expect(wrapper.text()).toContain(words);
    expect(wrapper.text()).not.toContain(SLIP.token);
    await press('Done');
    expect(wrapper.text()).not.toContain('otter lamp kite');
  });

  it('is opened to a day, and says what the school refuses', async () => {
    const { wrapper } = await open(room({ room: null }), {
      'PUT /api/classes/c/room': () => new Refused(400, 'Not valid.', { until: { code: 'day-over' } }),
    });
    expect(wrapper.text()).toContain('The practice room is closed');
    await wrapper.get('form').trigger('submit');
    await eventually(() => expect(wrapper.text()).toContain('This day is past: choose a later one.'));
  });

  it('waits for the owner', async () => {
    const { wrapper } = await open(room({ allowed: false, room: null }));
    expect(wrapper.text()).toContain('Practice rooms are off.');
    expect(wrapper.text()).not.toContain('Open');
  });

  it('sets some bars for the week', async () => {
    const kept = vi.fn<(asked: { body: unknown }) => unknown>(() => ({ ok: true }));
    const { wrapper } = await open(room(), { 'PUT /api/classes/c/room/task': kept });
    const fields = wrapper.findAll('input[type="number"]');
    await fields[0]!.setValue('5');
    await fields[1]!.setValue('8');
    await wrapper.findAll('form').at(-1)!.trigger('submit');
    await flushPromises();
    await eventually(() => expect(kept).toHaveBeenCalled());
    expect(kept.mock.calls[0]![0].body).toEqual({
      task: { tuneId: GOOSE, bars: [5, 8], tempo: null, words: '' },
      version: 0,
    });
  });

  it('keeps what was typed when somebody else set the week meanwhile, and says what is set now', async () => {
    const task = { tuneId: GOOSE, bars: null, tempo: null, words: 'Slowly, with a drone.' };
    let found = room();
    const sent: unknown[] = [];
    const { wrapper } = await open(found, {
      'GET /api/classes/c/room': () => found,
      'PUT /api/classes/c/room/task': ({ body }) => {
        sent.push(body);
        if ((body as { version: number }).version === 4) return { ok: true };
        found = room({ room: { until: '2026-06-30', task, version: 4 } });
        return new Refused(409, 'Ivo Brandt has changed this since you opened it.', undefined, 'changed');
      },
    });
    const form = () => wrapper.findAll('form').at(-1)!;
    const words = () => form().findAll('input').at(-1)!;
    await words().setValue('Softly.');
    await form().trigger('submit');
    await eventually(() => expect(wrapper.text()).toContain('It is now: “Goose Walk”: Slowly, with a drone.'));
    expect(wrapper.text()).toContain('Ivo Brandt has changed this since you opened it.');
    expect((words().element as HTMLInputElement).value).toBe('Softly.');
    await form().trigger('submit');
    await eventually(() => expect(sent).toHaveLength(2));
    expect(sent[1]).toMatchObject({ task: { words: 'Softly.' }, version: 4 });
  });
});

describe('a code', () => {
  /** The squares as rows of dark and light. */
  function squares(text: string): readonly string[] {
    const { size, path } = qrOf(text);
    const dark = new Set([...path.matchAll(/M(\d+) (\d+)h/g)].map(([, x, y]) => `${x} ${y}`));
    return Array.from({ length: size }, (_, y) =>
      Array.from({ length: size }, (__, x) => (dark.has(`${x} ${y}`) ? '#' : '.')).join(''),
    );
  }

  it('has three eyes within a quiet zone of four, and is another for another text', () => {
    const rows = squares('http://school/room/#one');
    const end = rows.length - 4;
    expect(rows.slice(0, 4).join('')).not.toContain('#');
    const eye = ['#######', '#.....#', '#.###.#', '#.###.#', '#.###.#', '#.....#', '#######'];
    for (const [x, y] of [
      [4, 4],
      [end - 7, 4],
      [4, end - 7],
    ] as const)
      expect(rows.slice(y, y + 7).map((row) => row.slice(x, x + 7))).toEqual(eye);
    expect(squares('http://school/room/#two')).not.toEqual(rows);
  });
});
