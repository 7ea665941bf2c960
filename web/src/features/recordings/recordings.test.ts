import type { RecordingDto } from '@escalier/contract/recordings';
import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Component } from 'vue';
import { getActivePinia } from 'pinia';
import { useOutbox } from '../../offline/index.ts';
import { classPage, pupilView, step } from '../../testing/class-page.ts';
import { clearPage } from '../../testing/page.ts';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { press } from '../../testing/mount.ts';
import { PlainError } from '../../refusals/index.ts';
import type { ListenedView } from '../../workers/listening.ts';
import RecordingPage from './RecordingPage.vue';
import RecordingsPage from './RecordingsPage.vue';
import { proposalWords } from './words.ts';
import '../../testing/own-database.ts';
import { eventually } from '../../testing/eventually.ts';

const listen = vi.hoisted(() => vi.fn());
const decode = vi.hoisted(() => vi.fn());
vi.mock('../../workers/listening.ts', () => ({ listeningPool: () => ({ listen, cancel: vi.fn() }) }));
vi.mock('../../workers/index.ts', () => ({ tuneWorker: () => ({}) }));
vi.mock('./decode.ts', () => ({ decode, toKeep: (file: Blob) => Promise.resolve(file) }));
vi.mock('../../score/index.ts', () => ({
  ScoreSheet: {
    props: ['title', 'marks'],
    template: '<figure>{{ marks.map((mark) => `${mark.how} ${mark.id} ${mark.words}`).join("|") }}</figure>',
  },
}));
vi.mock('../../sound/player.ts', () => ({ play: vi.fn(), setLoudness: vi.fn() }));

afterEach(async () => {
  clearPage();
  if (getActivePinia() !== undefined) await useOutbox().leave();
  vi.unstubAllGlobals();
  vi.clearAllMocks();
});

const page = classPage({
  pupils: ['Ann', 'Ben', 'Cy'].map((name) =>
    pupilView(name, { standing: { ...pupilView(name).standing!, stepIndex: 0 } }),
  ),
  steps: [step(1), step(2, { title: 'Goose Walk' })],
});
const recording = (id: string, more: Partial<RecordingDto> = {}): RecordingDto => ({
  id,
  pupilId: 'Ann',
  stepId: 'step-1',
  tuneId: 't',
  fileName: `${id}.wav`,
  seconds: 20,
  heard: null,
  words: '',
  spokenSeconds: null,
  answerVersion: 0,
  fromHome: false,
  receivedAt: '2026-03-03T09:00:00.000Z',
  erasedOn: '2026-04-02',
  ...more,
});
const view = (more: Partial<ListenedView> = {}): ListenedView => ({
  words: 'F sharp played as F in bar 3; the rest is right, 84 beats a minute.',
  outcome: 'nearly',
  unclear: null,
  remarks: ['signature'],
  reasons: ['wrong'],
  sure: 0.95,
  kindly: { good: '', next: [] },
  tempo: 84,
  tuning: 3,
  seconds: 20,
  curve: [],
  spots: [4],
  stops: ['n0-2-1'],
  asked: [
    { id: 'n0-0-0', midi: 79, from: 1, to: 1.5, kind: 'right', words: '' },
    { id: 'n0-2-1', midi: 78, from: 4, to: 4.5, kind: 'wrong', words: 'F' },
    { id: 'n0-3-0', midi: 79, from: null, to: null, kind: 'missed', words: 'Missing' },
  ],
  extras: [{ at: 0.5, midi: 95, kind: 'squeak' }],
  faults: [{ remark: 'note', bar: 3, barIndex: 2, eventIndex: 1 }],
  ...more,
});
const storage = { count: 2, bytes: 2_097_152, megabytes: 500, days: 30 };

async function open(component: Component, recordings: readonly RecordingDto[], props = {}) {
  const asked = fakeServer({
    'GET /api/classes/c': () => page,
    'GET /api/classes': () => [],
    'GET /api/classes/c/recordings': () => ({ recordings, agreed: ['Ann', 'Ben'], storage }),
    'GET /api/tunes/t': () => ({ abc: 'X:1' }),
    'GET /api/school/cautions': () => ({ cautions: [], version: 1 }),
    'GET /api/school/remarks': () => ({
      remarks: [{ id: 'signature', words: 'Key signature', remedy: '' }],
      version: 1,
    }),
    'GET /api/recordings/one/sound': () => 'sound',
    'GET /api/recordings/two/sound': () => 'sound',
    'PATCH /api/recordings/one': () => ({ ok: true }),
    'GET /api/recordings/three/sound': () => 'sound',
    'GET /api/recordings/four/sound': () => 'sound',
    'PATCH /api/recordings/four': ({ body }) =>
      (body as { version: number }).version === 0
        ? new Refused(409, 'Sunniva Hale has answered since you opened it: “Lovely.”, nothing spoken.', {}, 'changed')
        : { ok: true },
    'PATCH /api/recordings/three': () => new Refused(500, 'The school could not be reached.'),
    'PATCH /api/recordings/two': () => ({ ok: true }),
    'DELETE /api/recordings/one': () => ({ ok: true }),
    'POST /api/hearing/events': () => ({ results: [] }),
  });
  const opened = await openPage(component, { classId: 'c', ...props });
  for (let turn = 0; turn < 6; turn++) await flushPromises();
  return { asked, ...opened, wrapper: opened.wrapper };
}

beforeEach(() => {
  vi.spyOn(HTMLMediaElement.prototype, 'pause').mockImplementation(() => undefined);
  decode.mockResolvedValue({ samples: new Float32Array(10), rate: 22_050, seconds: 20, deadSide: false });
  listen.mockResolvedValue(view());
});

describe('the recordings of a class', () => {
  it('are listened to, and what was heard is kept with them', async () => {
    const { wrapper, asked } = await open(RecordingsPage, [recording('one'), recording('two', { pupilId: 'Ben' })]);
    expect(listen).toHaveBeenCalledTimes(2);
    expect(listen.mock.calls[0]![0]).toMatchObject({ abc: 'X:1', rule: { kind: 'both', tempo: null, slips: null } });
    expect(wrapper.text()).toContain('Nearly, sure');
    expect(wrapper.text()).toContain('F sharp played as F in bar 3');
    expect(asked.filter(({ method }) => method === 'PATCH').map(({ body }) => body)).toMatchObject([
      ...[{ heard: { outcome: 'nearly', remarks: ['signature'], sure: 0.95 } }, { heard: { outcome: 'nearly' } }],
    ]);
    expect(wrapper.text()).toContain('2 recordings stored, 2.0 of 500 MB. Each is erased after 30 days.');
  });

  it('say what could not be listened to, and try again when asked', async () => {
    decode.mockRejectedValue(new PlainError('This browser can’t play this file.'));
    const { wrapper } = await open(RecordingsPage, [recording('one')]);
    expect(wrapper.text()).toContain('This browser can’t play this file.');
    decode.mockResolvedValue({ samples: new Float32Array(10), rate: 22_050, seconds: 20, deadSide: false });
    await wrapper
      .findAll('button')
      .find((button) => button.text() === 'Try again')!
      .trigger('click');
    for (let turn = 0; turn < 6; turn++) await flushPromises();
    expect(wrapper.text()).toContain('Nearly, sure');
  });

  it('are looked over before they are added', async () => {
    const { wrapper } = await open(RecordingsPage, []);
    expect(wrapper.text()).toContain('Nothing waiting.');
    const sent: string[] = [];
    const earlier = fetch;
    vi.stubGlobal('fetch', (input: string, init: RequestInit = {}) => {
      if (init.method !== 'PUT') return earlier(input, init);
      sent.push(decodeURIComponent(input));
      return Promise.resolve(
        sent.length === 1
          ? new Response('{}', { status: 201 })
          : new Response(JSON.stringify({ error: { code: 'full', message: 'The school’s room is full.' } }), {
              status: 409,
            }),
      );
    });
    const pick = wrapper.findComponent({ name: 'FilePick' });
    const file = (name: string) => Object.assign(new File(['x'], name), { webkitRelativePath: '' });
    pick.vm.$emit('pick', [file('Ann step 2.wav'), file('Ben.wav'), file('Cy.wav'), file('what.wav')]);
    for (let turn = 0; turn < 8; turn++) await flushPromises();
    const rows = wrapper.findAll('tbody tr').map((row) => row.text());
    expect(rows[2]).toContain('The family has not agreed to recordings.');
    expect(rows[3]).toContain('Whose is it?');
    await wrapper
      .findAll('button')
      .find((button) => button.text() === 'Add 2 recordings')!
      .trigger('click');
    for (let turn = 0; turn < 8; turn++) await flushPromises();
    expect(sent[0]).toMatch(/pupilId=Ann&stepId=step-2&tuneId=t&fileName=Ann\+step\+2\.wav&seconds=20$/);
    expect(wrapper.text()).toContain('The school’s room is full.');
    expect(wrapper.findAll('tbody tr')).toHaveLength(3);
  });
});

it.each([
  [{ outcome: 'nearly', sure: 0.7 }, 'Nearly, fairly sure'],
  [{ outcome: null, sure: 0 }, 'Cannot be judged'],
  [{ outcome: null, sure: 0, failed: true }, 'Not listened to'],
] as const)('of what was heard, %o is said as “%s”', (heard, words) => {
  expect(proposalWords({ remarks: [], words: '', ...heard })).toBe(words);
});

describe('one recording', () => {
  it('is shown on its sheet, and decided with what was proposed beside it', async () => {
    const { wrapper, push } = await open(RecordingPage, [recording('one'), recording('two', { pupilId: 'Ben' })], {
      recordingId: 'one',
    });
    await useOutbox().open(`${crypto.randomUUID()}@osierbridge.example`, '');
    expect(wrapper.get('.summary').text()).toContain('F sharp played as F in bar 3');
    expect(wrapper.get('figure').text()).toBe('wrong n0-2-1 F|missed n0-3-0 Missing|stop n0-2-1 |extra n0-0-0 Squeak');
    expect(wrapper.text()).toContain('Nearly, sure. You decide.');
    window.dispatchEvent(new KeyboardEvent('keydown', { key: '3' }));
    for (let turn = 0; turn < 6; turn++) await flushPromises();
    expect(useOutbox().waiting.map(({ event }) => event)).toMatchObject([
      {
        kind: 'heard',
        pupilId: 'Ann',
        stepId: 'step-1',
        outcome: 'not-yet',
        remarks: ['signature'],
        tempo: 84,
        faults: [{ bar: 3 }],
        listened: { recordingId: 'one', outcome: 'nearly', remarks: ['signature'] },
      },
    ]);
    expect(push).toHaveBeenCalledWith(expect.objectContaining({ params: { classId: 'c', recordingId: 'two' } }));
  });

  it('proposes nothing where nothing can be judged', async () => {
    listen.mockResolvedValue(
      view({ outcome: null, unclear: 'noise', words: 'Too much else can be heard.', asked: [] }),
    );
    const { wrapper } = await open(RecordingPage, [recording('one')], { recordingId: 'one' });
    expect(wrapper.text()).toContain('No result is proposed.');
  });

  it('that was decided shows what was, and is open again when the result is taken back', async () => {
    const { wrapper, asked } = await open(RecordingPage, [recording('one')], { recordingId: 'one' });
    await useOutbox().open(`${crypto.randomUUID()}@osierbridge.example`, '');
    await wrapper.get('textarea').setValue('Well done.');
    window.dispatchEvent(new KeyboardEvent('keydown', { key: '1' }));
    for (let turn = 0; turn < 6; turn++) await flushPromises();
    expect(wrapper.text()).toContain('Passed is recorded. “Well done.”');
    expect(asked).toContainEqual({
      method: 'PATCH',
      path: '/api/recordings/one',
      body: { words: 'Well done.', version: 0 },
    });
    await wrapper
      .findAll('button')
      .find((button) => button.text().startsWith('Undo'))!
      .trigger('click');
    for (let turn = 0; turn < 6; turn++) await flushPromises();
    expect(wrapper.text()).toContain('Nearly, sure. You decide.');
  });

  it('keeps both answers before the teacher when somebody else has answered meanwhile', async () => {
    const heard = { outcome: 'nearly' as const, remarks: [], words: '', sure: 1 };
    const all = [recording('four', { heard })];
    const { wrapper, asked } = await open(RecordingPage, all, { recordingId: 'four' });
    await useOutbox().open(`${crypto.randomUUID()}@osierbridge.example`, '');
    all[0] = recording('four', { heard, words: 'Lovely.', answerVersion: 3 });
    await wrapper.get('textarea').setValue('Bar 3 again.');
    window.dispatchEvent(new KeyboardEvent('keydown', { key: '1' }));
    await eventually(() => expect(wrapper.text()).toContain('“Lovely.”, nothing spoken.'));
    expect(wrapper.text()).toContain('Yours: “Bar 3 again.”');
    await press('Save mine instead');
    await eventually(() => expect(wrapper.text()).not.toContain('Save mine instead'));
    const written = asked.filter(({ method }) => method === 'PATCH').map(({ body }) => body);
    expect(written).toEqual([
      { words: 'Bar 3 again.', version: 0 },
      { words: 'Bar 3 again.', version: 3 },
    ]);
  });

  it('that could not be listened to is not tried again before somebody asks for it', async () => {
    const failed = { outcome: null, remarks: [], words: 'Escalier could not listen to it.', sure: 0, failed: true };
    const { wrapper, asked } = await open(RecordingPage, [recording('one', { heard: failed })], { recordingId: 'one' });
    expect(wrapper.text()).toContain('Escalier could not listen to it.');
    expect(listen).not.toHaveBeenCalled();
    await press('Try again');
    await eventually(() => expect(wrapper.text()).toContain('F sharp played as F in bar 3'));
    expect(asked.find(({ method }) => method === 'PATCH')?.body).toMatchObject({ heard: { outcome: 'nearly' } });
  });

  it('says when the teacher’s words did not reach the school', async () => {
    const { wrapper } = await open(
      RecordingPage,
      [recording('three', { heard: { outcome: 'nearly', remarks: [], words: '', sure: 1 } })],
      { recordingId: 'three' },
    );
    await useOutbox().open(`${crypto.randomUUID()}@osierbridge.example`, '');
    await wrapper.get('textarea').setValue('Well done.');
    window.dispatchEvent(new KeyboardEvent('keydown', { key: '1' }));
    for (let turn = 0; turn < 6; turn++) await flushPromises();
    expect(document.body.textContent).toContain('The result is saved, but not your answer: “Well done.”.');
  });

  it('that is gone says so', async () => {
    const { wrapper } = await open(RecordingPage, [], { recordingId: 'one' });
    expect(wrapper.text()).toContain('This recording is gone');
  });
});
