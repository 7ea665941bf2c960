import { BELTS } from '@escalier/core/staircase';
import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import BeltBand from './BeltBand.vue';
import ChoiceBar from './ChoiceBar.vue';
import HowComputed from './HowComputed.vue';
import { isTyping } from './keys.ts';
import SwitchBar from './SwitchBar.vue';

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

describe('ChoiceBar', () => {
  const choices = [
    { value: 'a', label: 'Letters' },
    { value: 'b', label: 'Degrees' },
  ];

  it('is a radio group of which one is chosen', async () => {
    const bar = mount(ChoiceBar<string>, { props: { label: 'Names', choices, modelValue: 'a' } });
    expect(bar.get('[role=radiogroup]').attributes('aria-label')).toBe('Names');
    expect(bar.findAll('input').map((each) => each.element.checked)).toEqual([true, false]);
    await bar.findAll('input')[1]!.setValue();
    expect(bar.emitted('update:modelValue')).toEqual([['b']]);
  });
});

describe('SwitchBar', () => {
  it('switches each for itself', async () => {
    const choices = [
      { id: 'new', label: 'New' },
      { id: 'same', label: 'Same bars' },
    ];
    const bar = mount(SwitchBar<string>, { props: { label: 'Layers', choices, modelValue: new Set(['new']) } });
    expect(bar.findAll('button').map((each) => each.attributes('aria-pressed'))).toEqual(['true', 'false']);
    await bar.findAll('button')[1]!.trigger('click');
    await bar.findAll('button')[0]!.trigger('click');
    expect(bar.emitted('update:modelValue')).toEqual([[new Set(['new', 'same'])], [new Set(['same'])]]);
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

it('HowComputed opens what it stands for', () => {
  const how = mount(HowComputed, { slots: { default: '14 of 24 are 58 %' } });
  expect(how.get('summary').text()).toBe('How this is worked out');
  expect(how.text()).toContain('14 of 24');
});
