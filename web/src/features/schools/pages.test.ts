import { USUAL_ENGLISH } from '@escalier/messages';
import type { People, SessionLine } from '@escalier/contract/people';
import { USUAL_CAUTIONS } from '@escalier/core/practice';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { press } from '../../testing/mount.ts';
import AccountPage from './AccountPage.vue';
import CautionsPage from './CautionsPage.vue';
import DataPage from './DataPage.vue';
import DetailsPage from './DetailsPage.vue';
import FirstRunPage from './FirstRunPage.vue';
import InvitedPage from './InvitedPage.vue';
import PeoplePage from './PeoplePage.vue';
import TakeCare from './TakeCare.vue';
import { eventually } from '../../testing/eventually.ts';

const cautions = USUAL_CAUTIONS.map((caution) => ({ ...caution, shown: caution.id !== 'noise' }));

describe('cautions', () => {
  it('are reworded, put away, added to and kept; empty ones are left out', async () => {
    const asked = fakeServer({
      'GET /api/school/cautions': () => ({ cautions }),
      'PUT /api/school/cautions': ({ body }) => body,
    });
    const { wrapper } = await openPage(CautionsPage);
    await wrapper.get('[aria-label="Caution 1"]').setValue('Wipe it first.');
    await press('Add your own');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    const sent = asked.at(-1)!.body as { cautions: readonly { text: string; shown: boolean }[] };
    expect(sent.cautions).toHaveLength(cautions.length);
    expect(sent.cautions[0]).toMatchObject({ text: 'Wipe it first.', shown: true });
    expect(sent.cautions.filter((caution) => !caution.shown)).toHaveLength(1);
    await eventually(() => expect(document.body.textContent).toContain('Saved.'));
  });

  it('say what is wrong beside the one it is about', async () => {
    fakeServer({
      'GET /api/school/cautions': () => ({ cautions }),
      'PUT /api/school/cautions': () =>
        new Refused(400, 'Not saved.', { 'cautions.1.places': { code: 'too-few', least: 1 } }),
    });
    const { wrapper } = await openPage(CautionsPage);
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(wrapper.findAll('fieldset')[1]!.text()).toContain('At least one.');
    expect(wrapper.findAll('fieldset')[0]!.text()).not.toContain('At least one');
  });

  it('stand at their place only as the school shows them, with the local rules', async () => {
    fakeServer({ 'GET /api/school/cautions': () => ({ cautions }) });
    const { wrapper } = await openPage(TakeCare, { place: 'lesson' });
    expect(wrapper.text()).toContain('Never play a mouthpiece that someone else has used');
    expect(wrapper.text()).not.toContain('A full class is loud');
    expect(wrapper.text()).toContain('Your school’s and country’s rules come first.');
  });
});

describe('people', () => {
  const people: People = {
    people: [
      {
        id: 'm',
        name: 'Mara Tillen',
        email: 'mara@osierbridge.example',
        role: 'owner',
        classIds: [],
        seenAt: '2026-03-03T10:00:00Z',
        closed: false,
        version: 1,
      },
      {
        id: 'i',
        name: 'Ivo Brandsen',
        email: 'ivo@osierbridge.example',
        role: 'teacher',
        classIds: ['o'],
        seenAt: null,
        closed: false,
        version: 1,
      },
    ],
    invitations: [
      {
        id: 'v',
        name: 'Tove',
        role: 'assistant',
        classIds: [],
        forAccount: false,
        expiresAt: '2026-03-10T10:00:00Z',
      },
    ],
    classes: [
      { id: 'p', name: '4 Plover' },
      { id: 'o', name: '4 Otter' },
    ],
  };

  it('are listed with what they may do and when they were seen', async () => {
    fakeServer({ 'GET /api/people': () => people });
    const { wrapper } = await openPage(PeoplePage);
    expect(wrapper.text()).toContain('Mara Tillenan owner, all classeslast seen 3 Mar, 10:00 am');
    expect(wrapper.text()).toContain('Ivo Brandsena teacher, 4 Otternever signed in');
    expect(wrapper.text()).toContain('Tove an assistant, until 10 Mar, 10:00 am');
  });

  it('come in by a link that is shown once', async () => {
    const asked = fakeServer({
      'GET /api/people': () => people,
      'POST /api/people/invitations': () => ({ token: 'a'.repeat(43), expiresAt: '2026-03-10T10:00:00Z' }),
    });
    const { wrapper } = await openPage(PeoplePage);
    const form = wrapper.findAll('form').at(-1)!;
    await form.get('input[type=text]').setValue('Asha');
    await form.get('select').setValue('assistant');
    await form.findAll('input[type=checkbox]')[0]!.setValue(true);
    await form.trigger('submit');
    await flushPromises();
    expect(asked.find((each) => each.method === 'POST')!.body).toEqual({
      name: 'Asha',
      role: 'assistant',
      classIds: ['p'],
    });
    expect(wrapper.get<HTMLInputElement>('input[readonly]').element.value).toMatch(/\/invitation\/a{43}$/);
  });

  it('give the school another name, which is seen at once', async () => {
    const asked = fakeServer({
      'PUT /api/school': () => ({ ok: true }),
      'GET /api/session': () => ({
        name: 'Mara Tillen',
        email: 'mara@osierbridge.example',
        school: 'Osier School',
        role: 'owner',
        timeZone: 'Europe/London',
        english: USUAL_ENGLISH,
      }),
    });
    const { wrapper } = await openPage(DetailsPage);
    const form = wrapper.get('form');
    await form.get('input').setValue('Osier School');
    await form.trigger('submit');
    await flushPromises();
    expect(asked.find((each) => each.method === 'PUT')!.body).toEqual({
      name: 'Osier School',
      timeZone: 'Europe/London',
      english: USUAL_ENGLISH,
      noteColours: null,
      version: 1,
    });
    expect(wrapper.get('header').text()).toContain('Osier School');
  });

  it('keep an owner: the reason stands at the role', async () => {
    fakeServer({
      'GET /api/people': () => people,
      'PUT /api/people/m': () => new Refused(400, 'Not saved.', { role: { code: 'only-owner', name: 'Mara Tillen' } }),
    });
    const { wrapper } = await openPage(PeoplePage);
    await wrapper.get('.list-group-item').trigger('click');
    await wrapper.findAll('form')[0]!.get('select').setValue('teacher');
    await wrapper.findAll('form')[0]!.trigger('submit');
    await flushPromises();
    expect(wrapper.text()).toContain('Mara Tillen is the only owner.');
  });
});

describe('the account', () => {
  const sessions: readonly SessionLine[] = [
    {
      id: 'a',
      device: 'Firefox/1 Linux',
      createdAt: '2026-03-01T08:00:00Z',
      seenAt: '2026-03-03T10:00:00Z',
      here: true,
    },
    {
      id: 'b',
      device: 'Safari/1 iPad',
      createdAt: '2026-03-02T08:00:00Z',
      seenAt: '2026-03-02T09:00:00Z',
      here: false,
    },
  ];

  it('lists where one is signed in, and signs another device out', async () => {
    let left = sessions;
    const asked = fakeServer({
      'GET /api/account/sessions': () => left,
      'DELETE /api/account/sessions/b': () => {
        left = sessions.slice(0, 1);
        return { ok: true };
      },
    });
    const { wrapper } = await openPage(AccountPage);
    expect(wrapper.text()).toContain('Firefox, Linux, this device');
    await wrapper.get('[aria-label="Sign out Safari, iPad"]').trigger('click');
    await flushPromises();
    expect(asked.map((each) => each.method)).toEqual(['GET', 'DELETE', 'GET']);
    expect(wrapper.text()).not.toContain('iPad');
  });

  it('changes the password and empties the fields, or says which one is wrong', async () => {
    const answers = [new Refused(400, 'Not saved.', { current: { code: 'not-password' } }), { ok: true }];
    fakeServer({ 'GET /api/account/sessions': () => sessions, 'PUT /api/account/password': () => answers.shift() });
    const { wrapper } = await openPage(AccountPage);
    const [current, next] = wrapper.findAll<HTMLInputElement>('input[type=password]');
    await current!.setValue('old');
    await next!.setValue('four plain words here');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(wrapper.text()).toContain('That isn’t your password.');
    expect(current!.attributes('aria-describedby')).not.toBe('');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect([current!.element.value, next!.element.value]).toEqual(['', '']);
  });
});

describe('the school’s data', () => {
  const NOTE_CHANGED = { code: 'pupil-changed', name: 'Samir', fields: ['note'], consent: null };
  const changes = [{ id: 'c', at: '2026-03-03T10:00:00Z', who: 'Mara Tillen', what: NOTE_CHANGED }];

  async function imported(answer: unknown) {
    const asked = fakeServer({
      'GET /api/changes': () => changes,
      'POST /api/archive': () => answer,
      'GET /api/session': () => ({
        name: 'Mara',
        email: 'm@x.example',
        school: 'S',
        role: 'owner',
        timeZone: 'UTC',
        english: USUAL_ENGLISH,
      }),
    });
    const { wrapper } = await openPage(DataPage);
    const input = wrapper.get<HTMLInputElement>('input[type=file]');
    Object.defineProperty(input.element, 'files', { value: [new File(['{"format":"x"}'], 'a.json')] });
    await input.trigger('change');
    await flushPromises();
    await flushPromises();
    return { wrapper, asked };
  }

  it('show who changed what, and bring an archive in', async () => {
    const { wrapper, asked } = await imported({ classes: 3, pupils: 66, records: 200 });
    expect(wrapper.text()).toContain('Samir: note');
    expect(asked.map((each) => `${each.method} ${each.path}`)).toContain('POST /api/archive');
    expect(wrapper.text()).toContain('Added 3 classes, 66 pupils and 200 results.');
  });

  it('say what is wrong with an archive', async () => {
    const { wrapper } = await imported(
      new Refused(400, 'Not saved.', {
        archive: { code: 'in-archive', at: 'terms.0.startsOn', problem: { code: 'not-date' } },
      }),
    );
    expect(wrapper.get('[role="alert"]').text()).toBe(
      'This isn’t a school archive: at terms.0.startsOn: A date such as 2026-01-31.',
    );
  });
});

describe('at the door', () => {
  const me = () => ({
    name: 'Eir',
    email: 'eir@hill.example',
    school: 'Hill',
    role: 'owner',
    timeZone: 'UTC',
    english: USUAL_ENGLISH,
  });

  it('the first school is set up, and its first class is next', async () => {
    const asked = fakeServer({ 'POST /api/first-run': () => ({ ok: true }), 'GET /api/session': me });
    const { wrapper, push } = await openPage(FirstRunPage);
    const [code, name] = wrapper.findAll('input[type=text]');
    await code!.setValue('ABCD-EFGH');
    await name!.setValue('Hill School');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(asked[0]!.body).toMatchObject({ code: 'ABCD-EFGH', school: 'Hill School' });
    expect(push).toHaveBeenCalledWith({ name: 'start' });
  });

  it('who is invited gives name, e-mail and password; who has forgotten the password only that', async () => {
    const invited = { school: 'Hill', name: 'Tove', role: 'teacher', email: null };
    fakeServer({
      'GET /api/invitations/t1': () => invited,
      'GET /api/invitations/t2': () => ({ ...invited, email: 'tove@hill.example' }),
      'GET /api/invitations/t3': () => new Refused(404, 'This link is used up or has run out.'),
      'POST /api/invitations/t1': () => ({ ok: true }),
      'GET /api/session': me,
    });
    const { wrapper, push } = await openPage(InvitedPage, { token: 't1' });
    expect(wrapper.get('h1').text()).toBe('Welcome to Hill');
    expect(wrapper.findAll('input')).toHaveLength(3);
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(push).toHaveBeenCalledWith({ name: 'classes' });
    const renewal = await openPage(InvitedPage, { token: 't2' });
    expect(renewal.wrapper.findAll('input')).toHaveLength(1);
    const gone = await openPage(InvitedPage, { token: 't3' });
    expect(gone.wrapper.get('[role="alert"]').text()).toContain('used up');
  });
});
