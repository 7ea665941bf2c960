import { instrument } from '@escalier/core/instruments';
import { pitch } from '@escalier/core/music';
import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import HeatMap from './HeatMap.vue';
import { HEAT, heatMap, heatOf } from './chart.ts';

const recorder = instrument('soprano-recorder-baroque');
const NOTES = ['G4', 'A4', 'B4', 'C5'].map(pitch);
const global = { stubs: { HowComputed: { template: '<div><slot /></div>' } } };
const shown = (notes = NOTES) => mount(HeatMap, { props: { on: recorder, notes }, global });

describe('heatMap', () => {
  it('walks each move once, both ways, and ends where it began', () => {
    const { walk } = heatMap(recorder, NOTES);
    const moves = walk.slice(1).map((to, index) => `${JSON.stringify(walk[index])} ${JSON.stringify(to)}`);
    expect(moves).toHaveLength(NOTES.length * (NOTES.length - 1));
    expect(new Set(moves).size).toBe(moves.length);
    expect(walk.at(-1)).toEqual(walk[0]);
  });

  it('grades a move by its cost, the dearest by the last grade', () => {
    const grades = [0, 1, 2, 3, 5, 8, 100].map(heatOf);
    expect(grades).toEqual(grades.toSorted((a, b) => a - b));
    expect(grades[0]).toBe(0);
    expect(grades.at(-1)).toBe(HEAT.length - 1);
  });
});

describe('HeatMap', () => {
  it('has a row and a column for each note, and no move from a note to itself', () => {
    const map = shown();
    expect(map.findAll('tbody tr')).toHaveLength(4);
    expect(map.findAll('tbody button')).toHaveLength(12);
    expect(map.findAll('tbody .none')).toHaveLength(4);
    expect(map.findAll('thead th').map((element) => element.text())).toEqual(['from ↓ to →', 'G', 'A', 'B', 'C′']);
  });

  it('says each move by its notes, its cost and its grade, never by colour alone', () => {
    const { table } = heatMap(recorder, NOTES);
    const cost = table.moves[0]![1]!.cost;
    const button = shown().findAll('tbody button')[0]!;
    expect(button.attributes('aria-label')).toBe(`G to A: ${cost.toFixed(1)}, ${HEAT[heatOf(cost)]!.label}`);
    expect(button.text()).toBe(cost.toFixed(1));
  });

  it('gives the two fingerings of the move that is pressed', async () => {
    const map = shown();
    await map.findAll('tbody button')[0]!.trigger('click');
    const { from, to } = heatMap(recorder, NOTES).table.moves[0]![1]!;
    expect(map.emitted('pick')).toEqual([[from, to]]);
  });

  it('asks for two notes where there is one', () => {
    const map = shown(NOTES.slice(0, 1));
    expect(map.text()).toContain('Choose two notes or more.');
    expect(map.find('table').exists()).toBe(false);
  });
});
