import { flushPromises } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import CommandPalette from './CommandPalette.vue';
import { createEscalierRouter } from './router.ts';
import { schoolPages } from './features/schools/index.ts';
import { fakeServer, openPage, Refused } from './testing/fake-server.ts';
import { clearPage } from './testing/page.ts';
import { eventually } from './testing/eventually.ts';

const FOUND = {
  classes: [{ id: 'c', name: '4 Plover' }],
  pupils: [{ id: 'p', name: 'Ines', classId: 'c' }],
  tunes: [{ id: 't', title: 'Éclair' }],
};

async function opened(role: 'owner' | 'teacher' | 'assistant' = 'owner', answer: unknown = FOUND) {
  fakeServer({ 'GET /api/find': () => answer });
  const { push } = await openPage(CommandPalette, {}, { role });
  await eventually(() => expect(document.querySelector('input[type=search]')).not.toBeNull());
  await flushPromises();
  const input = document.querySelector<HTMLInputElement>('input[type=search]')!;
  const type = async (text: string): Promise<void> => {
    input.value = text;
    input.dispatchEvent(new Event('input'));
    await flushPromises();
  };
  const key = async (name: string): Promise<void> => {
    input.dispatchEvent(new KeyboardEvent('keydown', { key: name }));
    await flushPromises();
  };
  const shown = () => [...document.querySelectorAll('[role=option]')].map((each) => each.textContent);
  return { push, type, key, shown };
}

describe('the palette', () => {
  afterEach(() => {
    vi.unstubAllGlobals();
    clearPage();
  });

  it('goes to a class, a pupil and a tune by name, whatever the accents, and by the arrow keys', async () => {
    const { push, type, key, shown } = await opened();
    await type('eclair');
    expect(shown()).toEqual(['Éclairtune']);
    await type('ine');
    expect(shown()).toEqual(['Inespupil, 4 Plover']);
    await type('');
    await key('ArrowDown');
    await key('Enter');
    expect(push).toHaveBeenCalledWith({ name: 'pupil', params: { classId: 'c', pupilId: 'p' } });
  });

  it('finds the pages that somebody may open, and each of them exists', async () => {
    const { push, type, key } = await opened('teacher');
    await type('cal');
    await key('Enter');
    expect(push).toHaveBeenCalledWith({ name: 'calendar' });
    const { tabs, settings } = schoolPages('owner');
    const router = createEscalierRouter();
    for (const { name } of [...tabs, ...settings]) expect(router.hasRoute(name), name).toBe(true);
  });

  it('finds no page of the teachers for an assistant, and the pages without a network', async () => {
    const { type, shown } = await opened('assistant', new Refused(503, 'The school does not answer.'));
    await type('belts');
    expect(shown()).toEqual([]);
    await type('fing');
    expect(shown()).toEqual(['Fingeringspage']);
  });
});
