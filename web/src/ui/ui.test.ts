import { BELTS } from '@escalier/core/staircase';
import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { h } from 'vue';
import { ApiError } from '../refusals/index.ts';
import { mountInApp, openHow } from '../testing/mount.ts';
import BeltBand from './BeltBand.vue';
import HowComputed from './HowComputed.vue';
import { isTyping } from './keys.ts';
import LoadState from './LoadState.vue';
import SelectField from './SelectField.vue';
import TextField from './TextField.vue';
import { loadProblem, useLoad } from './use-load.ts';

describe('isTyping', () => {
  const pressed = (element: HTMLElement, options: KeyboardEventInit = {}): boolean => {
    document.body.append(element);
    let typing = true;
    element.addEventListener('keydown', (event) => (typing = isTyping(event)));
    element.dispatchEvent(new KeyboardEvent('keydown', { key: 'h', bubbles: true, ...options }));
    return typing;
  };
  const input = (type: string): HTMLInputElement => Object.assign(document.createElement('input'), { type });

  it('keeps the page’s keys silent in text fields and for the browser’s own shortcuts', () => {
    expect(
      [input('text'), input('email'), document.createElement('textarea'), document.createElement('select')].map(
        (each) => pressed(each),
      ),
    ).toEqual([true, true, true, true]);
    expect([input('checkbox'), input('radio'), document.createElement('button')].map((each) => pressed(each))).toEqual([
      false,
      false,
      false,
    ]);
    expect(pressed(document.createElement('button'), { ctrlKey: true })).toBe(true);
  });
});

describe('BeltBand', () => {
  it('is named, and woven differently for every belt', () => {
    const bands = BELTS.map((belt) => mount(BeltBand, { props: { beltId: belt.id } }));
    expect(bands.map((band) => band.get('svg').attributes('aria-label'))).toEqual(
      BELTS.map((belt) => `${belt.name} belt`),
    );
    expect(new Set(bands.map((band) => band.get('pattern path').attributes('d'))).size).toBe(BELTS.length);
    expect(
      mount(BeltBand, { props: { beltId: 'moss', decorative: true } })
        .get('svg')
        .attributes('aria-hidden'),
    ).toBe('true');
  });
});

it('HowComputed opens to show how a figure came about', async () => {
  const { wrapper } = mountInApp({ render: () => h(HowComputed, null, { default: () => '14 of 24 are 58 %' }) });
  const toggle = wrapper.get('button');
  expect([toggle.text(), toggle.attributes('aria-expanded')]).toEqual(['How is this worked out?', 'false']);
  await openHow(wrapper);
  expect(toggle.attributes('aria-expanded')).toBe('true');
  expect(wrapper.text()).toContain('14 of 24');
});

describe('a field', () => {
  it('ties its label, its hint and what is wrong with it to its control', () => {
    const { wrapper } = mountInApp(TextField, {
      modelValue: 3,
      label: 'Minutes',
      hint: 'Of a lesson.',
      error: 'At least 5.',
      type: 'number',
    });
    const input = wrapper.get('input');
    expect(wrapper.get('label').attributes('for')).toBe(input.attributes('id'));
    const described = input
      .attributes('aria-describedby')!
      .split(' ')
      .map((id) => document.getElementById(id)?.textContent);
    expect(described.join(' ')).toContain('Of a lesson.');
    expect(described.join(' ')).toContain('At least 5.');
    expect(input.attributes('aria-invalid')).toBe('true');
  });

  it('gives numbers as numbers', async () => {
    const { wrapper } = mountInApp(TextField, { modelValue: 3, label: 'Minutes', type: 'number' });
    await wrapper.get('input').setValue('12');
    expect(wrapper.emitted('update:modelValue')).toEqual([[12]]);
  });

  it('offers a choice of one', async () => {
    const options = [
      { value: null, text: 'none' },
      { value: 'ta', text: 'Ta ti-ti' },
    ];
    const { wrapper } = mountInApp(SelectField, { modelValue: null, label: 'Counting', options });
    await wrapper.get('select').setValue('ta');
    expect(wrapper.emitted('update:modelValue')).toEqual([['ta']]);
  });
});

function deferred() {
  let resolve!: () => void;
  let reject!: (error: unknown) => void;
  const promise = new Promise<void>((...both) => ([resolve, reject] = both));
  return { promise, resolve, reject };
}

describe('a page that does not come', () => {
  const page = (status: number, code: 'broken' | 'offline' = 'broken') =>
    loadProblem(new ApiError({ error: { code, message: 'A sentence.' } }, status));

  it('is told apart: no network, nothing there, a mistake of the server', () => {
    expect([page(0, 'offline').kind, page(404).kind, page(403).kind, page(500).kind]).toEqual([
      'offline',
      'missing',
      'missing',
      'failed',
    ]);
    expect(() => loadProblem(new TypeError('a bug'))).toThrow('a bug');
  });

  it('speaks of the network only when that is the reason', () => {
    const state = (status: number, code?: 'offline') =>
      mountInApp(LoadState, { error: page(status, code), what: 'the tune' }).wrapper.text();
    expect(state(404)).not.toContain('network');
    expect(state(0, 'offline')).toContain('Check the network');
  });

  it('keeps what a later request has found', async () => {
    const answers = [deferred(), deferred()];
    let asked = 0;
    const { error, load } = useLoad(() => answers[asked++]!.promise);
    const [first, second] = [load(), load()];
    answers[1]!.resolve();
    await second;
    answers[0]!.reject(new ApiError({ error: { code: 'offline', message: 'Too late.' } }));
    await first;
    expect(error.value).toBeNull();
  });
});
