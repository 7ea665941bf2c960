import { REMARKS } from '@escalier/core/records';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { press } from '../../testing/mount.ts';
import RemarksPage from './RemarksPage.vue';
import { eventually } from '../../testing/eventually.ts';

afterEach(() => vi.unstubAllGlobals());

const own = { id: 'own-1', words: 'Slouching', remedy: 'Feet on the floor.' };

async function opened(put: () => unknown) {
  const asked = fakeServer({
    'GET /api/school/remarks': () => ({ remarks: [...REMARKS.slice(0, 2), own] }),
    'PUT /api/school/remarks': put,
  });
  const { wrapper } = await openPage(RemarksPage);
  return { asked, wrapper };
}

describe('the remarks at hearing', () => {
  it('are reworded, added, taken away and kept for the school; empty lines are dropped', async () => {
    const { asked, wrapper } = await opened(() => ({ remarks: [own] }));
    await wrapper.get('[aria-label="Words of remark 1"]').setValue('Other hand');
    await wrapper.get('[aria-label="Remove remark 2"]').trigger('click');
    await press('Add your own');
    await wrapper.get('form').trigger('submit');
    await eventually(() => expect(asked.at(-1)?.method).toBe('PUT'));
    expect(asked.at(-1)!.body).toEqual({ remarks: [{ ...REMARKS[0], words: 'Other hand' }, own], version: 0 });
    await eventually(() => expect(wrapper.findAll('fieldset')).toHaveLength(1));
  });

  it('come back as the usual ones, with the own ones after them', async () => {
    const { wrapper } = await opened(() => ({ remarks: [] }));
    await press('Restore the usual ones');
    const words = wrapper
      .findAll<HTMLInputElement>('fieldset [aria-label^=Words]')
      .map((element) => element.element.value);
    expect(words).toEqual([...REMARKS.map((remark) => remark.words), 'Slouching']);
  });

  it('are refused in a sentence beside the line', async () => {
    const refusal = new Refused(400, 'Not saved.', { 'remarks.1.words': { code: 'missing' } });
    const { wrapper } = await opened(() => refusal);
    await wrapper.get('[aria-label="Words of remark 2"]').setValue('');
    await wrapper.get('form').trigger('submit');
    await eventually(() => expect(wrapper.findAll('fieldset')[1]!.text()).toContain('Please fill this in.'));
  });
});
