import { USUAL_TEACHING, type Teaching } from '@escalier/core/practice';
import { flushPromises } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h, ref } from 'vue';
import { fakeServer, Refused } from '../../testing/fake-server.ts';
import { clearPage } from '../../testing/page.ts';
import { mountInApp, press } from '../../testing/mount.ts';
import BringsFields from './BringsFields.vue';
import FingeringFields from './FingeringFields.vue';
import TeachingFields from './TeachingFields.vue';

afterEach(() => {
  vi.unstubAllGlobals();
  clearPage();
});

const NOTHING = { notes: [], elements: [], signs: [], moves: [], tuneIds: [] };
const tune = (id: string, title: string) => ({ id, title, abc: '', onStaircase: false, archived: false, version: 1 });

/** A form part with what it is about, as a page holds it. */
function held<Value>(component: object, first: Value, props: object) {
  const value = ref(first);
  const page = defineComponent(
    () => () =>
      h(component, {
        ...props,
        modelValue: value.value,
        'onUpdate:modelValue': (next: Value) => void (value.value = next as never),
      }),
  );
  return { value, ...mountInApp(page) };
}

const select = (label: string): HTMLSelectElement => {
  const found = [...document.querySelectorAll('label')].find((element) => element.textContent.trim() === label)!;
  return document.getElementById(found.htmlFor) as unknown as HTMLSelectElement;
};
function choose(field: HTMLSelectElement, value: string): Promise<unknown> {
  field.value = value;
  field.dispatchEvent(new Event('change', { bubbles: true }));
  return flushPromises();
}

describe('further ways of teaching', () => {
  it('are chosen with what speaks for each, and leave the others as they were', async () => {
    const { value } = held<Teaching>(TeachingFields, USUAL_TEACHING, { fields: {}, withSi: false });
    await press('More teaching settings');
    expect(document.body.textContent).toContain('Soft: no puff and no squeak on low notes.');
    await choose(select('Tonguing'), 'tee');
    expect(document.body.textContent).toContain('Light, with less air: helps high notes.');
    await choose(select('Passing in parts'), 'any-tempo');
    expect(value.value).toEqual({ ...USUAL_TEACHING, tongue: 'tee', parts: 'any-tempo' });
  });

  it('stack up to three rows under the notes, each kind once', async () => {
    const { value } = held<Teaching>(TeachingFields, USUAL_TEACHING, { fields: {}, withSi: true });
    await press('More teaching settings');
    await press('Add a row under the notes');
    await press('Add a row');
    await press('Add a row');
    expect(value.value.rows.map(({ kind }) => kind)).toEqual(['letters', 'german-letters', 'fixed-do-si']);
    expect([...document.querySelectorAll('button')].some((element) => element.textContent.includes('Add a row'))).toBe(
      false,
    );
    document.querySelector<HTMLButtonElement>('[aria-label="Move row 3 up"]')!.click();
    await flushPromises();
    document.querySelector<HTMLButtonElement>('[aria-label="Remove row 1"]')!.click();
    await flushPromises();
    expect(value.value.rows.map(({ kind }) => kind)).toEqual(['fixed-do-si', 'german-letters']);
  });

  it('say at the field what the server refuses', () => {
    held<Teaching>(TeachingFields, USUAL_TEACHING, {
      fields: { 'style.teaching.bring': 'At most 200 letters.' },
      withSi: false,
    });
    expect(document.body.textContent).toContain('At most 200 letters.');
  });
});

describe('the fingerings of a class', () => {
  it('are offered where the chart has several, and the usual one is none', async () => {
    const { value } = held<Readonly<Record<string, number>>>(
      FingeringFields,
      {},
      {
        instrumentId: 'soprano-recorder-baroque~F#5.1',
      },
    );
    const fields = [...document.querySelectorAll('select')];
    expect(fields.length).toBeGreaterThan(0);
    await choose(fields[0]!, '1');
    const [note] = Object.keys(value.value);
    expect(value.value).toEqual({ [note!]: 1 });
    await choose(fields[0]!, '0');
    expect(value.value).toEqual({});
  });
});

describe('what a class knows already', () => {
  const others = [{ id: 'last', name: '3 Wren' }];

  it('is typed, ticked and added, and a word that is no note is said', async () => {
    fakeServer({ 'GET /api/tunes': () => [tune('g', 'Goose Walk')] });
    const { value } = held(BringsFields, NOTHING, { others, lengthWords: 'american' });
    await flushPromises();
    const notes = select('Notes') as unknown as HTMLInputElement;
    const type = (text: string) => {
      notes.value = text;
      notes.dispatchEvent(new Event('input', { bubbles: true }));
      return flushPromises();
    };
    await type('G A B C′');
    expect(value.value.notes).toEqual(['G4', 'A4', 'B4', 'C5']);
    await type('G A H');
    expect(document.body.textContent).toContain('“H” is not a note.');
    expect(value.value.notes).toEqual(['G4', 'A4', 'B4', 'C5']);
    document.querySelector<HTMLInputElement>('input[value="note half"]')!.click();
    await flushPromises();
    await choose(document.querySelector<HTMLSelectElement>('[aria-label="Add a tune they can play"]')!, 'g');
    expect(value.value).toMatchObject({ elements: ['note half'], tuneIds: ['g'] });
    document.querySelector<HTMLButtonElement>('[aria-label="Remove Goose Walk"]')!.click();
    await flushPromises();
    expect(value.value.tuneIds).toEqual([]);
  });

  it('is taken over from another class beside what is there, and shown', async () => {
    const known = { notes: ['B4', 'A4'], elements: ['tie'], signs: ['slur'], moves: ['B4>A4'] };
    fakeServer({ 'GET /api/tunes': () => [], 'GET /api/classes/last/knowledge': () => ({ schoolClass: {}, known }) });
    const { value } = held(BringsFields, { ...NOTHING, notes: ['G4'] }, { others, lengthWords: 'british' });
    await choose(select('Copy from'), 'last');
    await press('Copy');
    expect(value.value).toEqual({ ...known, notes: ['G4', 'B4', 'A4'], tuneIds: [] });
    expect((select('Notes') as unknown as HTMLInputElement).value).toBe('G B A');
  });

  it('says why it cannot be taken over, and leaves all as it was', async () => {
    fakeServer({
      'GET /api/tunes': () => [],
      'GET /api/classes/last/knowledge': () => new Refused(404, 'There is no such class.'),
    });
    const { value } = held(BringsFields, NOTHING, { others, lengthWords: 'british' });
    await choose(select('Copy from'), 'last');
    await press('Copy');
    expect(document.querySelector('[role=alert]')!.textContent).toContain('There is no such class.');
    expect(value.value).toEqual(NOTHING);
  });
});
