import type { BeltStock, ClassBelts, EarnedBelt } from '@escalier/contract/instruments';
import { createPinia, setActivePinia } from 'pinia';
import { describe, expect, it } from 'vitest';
import { mountInApp, press } from '../../testing/mount.ts';
import HandOutCard from './HandOutCard.vue';

const belt = (name: string, more: Partial<EarnedBelt> = {}): EarnedBelt => ({
  pupilId: name,
  name,
  stepId: 's1',
  position: 1,
  belt: 'straw',
  passedAt: '2026-03-03T09:00:00Z',
  givenAt: null,
  ...more,
});

const stock: readonly BeltStock[] = [
  { belt: 'straw', way: 'pieces', onHand: 4, cmEach: 60, reservePercent: 10, version: 1 },
  { belt: 'moss', way: 'cord', onHand: 150, cmEach: 60, reservePercent: 10, version: 1 },
];

function card(earned: readonly ClassBelts[], error: string | null = null) {
  setActivePinia(createPinia());
  return mountInApp(HandOutCard, { earned, stock, error }).wrapper;
}

const PLOVER: ClassBelts = {
  id: 'p',
  name: '4 Plover',
  earned: [
    belt('Aino'),
    belt('Chidi', { belt: 'moss', position: 2 }),
    belt('Hania', { givenAt: '2026-03-03T10:00:00Z' }),
  ],
};

describe('the list of belts to hand out', () => {
  it('names who gets which, and how many are left', () => {
    const shown = card([PLOVER]);
    expect(shown.get('h2').text()).toBe('2 belts to hand out');
    const lines = shown.findAll('li').map((line) => line.text().replace(/\s+/g, ' '));
    expect(lines).toEqual(['Aino, Straw step 1, 3 Mar, 4 left', 'Chidi, Moss step 2, 3 Mar, 2 left']);
  });

  it('is ticked one by one, or a class at once, and a tick is taken away again', async () => {
    const shown = card([PLOVER]);
    await shown.findAll('li input')[1]!.setValue(true);
    await press('All 2 given');
    await shown.get('input').setValue(true);
    await shown.findAll('li input')[2]!.setValue(false);
    expect(shown.emitted('give')).toEqual([
      [[PLOVER.earned[1]], true],
      [PLOVER.earned.slice(0, 2), true],
      [[PLOVER.earned[2]], false],
    ]);
  });

  it('says when all are handed out, and what the school refused', () => {
    expect(card([]).get('h2').text()).toBe('All belts handed out');
    expect(card([], 'Somebody has not passed the step.').get('[role=alert]').text()).toContain('has not passed');
  });
});
