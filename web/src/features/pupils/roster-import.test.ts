import { flushPromises } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { ApiError } from '../../api.ts';
import { mountInApp } from '../../testing/mount.ts';
import RosterImport from './RosterImport.vue';

function importer(add = vi.fn().mockResolvedValue(undefined)) {
  const { wrapper } = mountInApp(RosterImport, {
    there: ['Aino'],
    steps: ['Three Lanterns', 'Mill Wheel'],
    today: '2026-03-03',
    add,
  });
  return { wrapper, add };
}

describe('adding pupils', () => {
  it('shows each row as it would be, and adds only those without an error', async () => {
    const { wrapper, add } = importer();
    await wrapper.get('textarea').setValue('Name,Step\nBo,2\nAino,1\nIda,1');
    expect(wrapper.text()).toContain('Aino is in the class already');
    expect(wrapper.get('form button').text()).toBe('Add 2 pupils');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(add).toHaveBeenCalledWith([
      { name: 'Bo', startStep: 2, joinedOn: '2026-03-03' },
      { name: 'Ida', startStep: 1, joinedOn: '2026-03-03' },
    ]);
    expect(wrapper.emitted('done')).toEqual([[2]]);
    expect(wrapper.get<HTMLTextAreaElement>('textarea').element.value).toBe('');
  });

  it('follows the mapper, and the word on the first line', async () => {
    const { wrapper } = importer();
    await wrapper.get('textarea').setValue('Bo\tTell\nIda\tOhm');
    const [, second] = wrapper.findAll('thead select');
    await second!.setValue('name');
    await wrapper.findAll('thead select')[0]!.setValue('ignore');
    expect(wrapper.findAll('tbody strong').map((element) => element.text())).toEqual(['Tell', 'Ohm']);
    await wrapper.get('form input[type=checkbox]').setValue(true);
    expect(wrapper.findAll('tbody strong').map((element) => element.text())).toEqual(['Ida']);
  });

  it('keeps the list and says the server’s sentence when it was not stored', async () => {
    const refusal = { error: { code: 'offline', message: 'The school server cannot be reached just now.' } } as const;
    const { wrapper } = importer(vi.fn().mockRejectedValue(new ApiError(refusal)));
    await wrapper.get('textarea').setValue('Bo');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(wrapper.text()).toContain('cannot be reached');
    expect(wrapper.get<HTMLTextAreaElement>('textarea').element.value).toBe('Bo');
  });

  it('reads a OneRoster set of files, a class at a time', async () => {
    const { wrapper } = importer();
    const file = (name: string, text: string) => new File([text], name);
    const input = wrapper.get<HTMLInputElement>('input[type=file]');
    Object.defineProperty(input.element, 'files', {
      value: [
        file('users.csv', 'sourcedId,status,givenName,familyName\nu1,active,Bo,Tell\n'),
        file('classes.csv', 'sourcedId,status,title\nc1,active,3 Heron\n'),
        file('enrollments.csv', 'sourcedId,status,classSourcedId,userSourcedId,role\ne1,active,c1,u1,student\n'),
      ],
    });
    await input.trigger('change');
    await flushPromises();
    await flushPromises();
    expect(wrapper.get('select').text()).toContain('3 Heron (1)');
    expect(wrapper.findAll('tbody strong').map((element) => element.text())).toEqual(['Bo']);
  });
});
