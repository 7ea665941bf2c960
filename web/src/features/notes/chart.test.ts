import { chartOf, instrument, INSTRUMENT_IDS } from '@escalier/core/instruments';
import { pitch, pitchName } from '@escalier/core/music';
import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { openHow } from '../../testing/mount.ts';
import ChartGrid from './ChartGrid.vue';
import CompareTable from './CompareTable.vue';
import { chosenNotes, differences, firstNotes, heatOf, noteLabel, otherBore, soundName } from './chart.ts';
import HeatMap from './HeatMap.vue';
import MoveCard from './MoveCard.vue';

const baroque = instrument('soprano-recorder-baroque');
const german = instrument('soprano-recorder-german');

describe('the desk', () => {
  it('names sounds with both spellings and their octave', () => {
    expect(chartOf(baroque).slice(10, 13).map(soundName)).toEqual(['B♭ or A♯', 'B', 'C′']);
    expect(noteLabel(pitch('Bb3'))).toBe('B♭‚');
  });

  it('finds what baroque and german finger differently, and where makers differ', () => {
    expect(otherBore(baroque)).toBe(german);
    expect(otherBore(instrument('tin-whistle-d'))).toBeNull();
    expect(differences(baroque, german).map(({ a }) => pitchName(a.spellings[0]!))).toEqual(['F4', 'F#4', 'F5', 'F#5']);
    const alto = instrument('alto-recorder-baroque');
    expect(differences(alto, otherBore(alto)!).map(({ a }) => soundName(a))).toContain('B♭ or A♯');
  });

  it('starts with ten natural notes of every instrument, fewer where there are not so many', () => {
    for (const id of INSTRUMENT_IDS) {
      const on = instrument(id);
      const notes = chosenNotes(on, firstNotes(on));
      expect(notes.length, id).toBeGreaterThanOrEqual(7);
      expect(notes.length, id).toBeLessThanOrEqual(10);
    }
    expect(chosenNotes(baroque, ['A4', 'C4', 'A#4', 'C2']).map(pitchName)).toEqual(['C4', 'A4', 'Bb4']);
  });

  it('grades the heat', () => {
    expect([0.9, 1.3, 2.3, 2.4, 5].map(heatOf)).toEqual([0, 1, 1, 2, 3]);
  });
});

describe('HeatMap', () => {
  const map = (names: string) => mount(HeatMap, { props: { on: baroque, notes: names.split(' ').map(pitch) } });

  it('has a number with words for every move of ten notes', async () => {
    const ten = mount(HeatMap, { props: { on: baroque, notes: chosenNotes(baroque, firstNotes(baroque)) } });
    expect(ten.findAll('tbody button')).toHaveLength(90);
    expect(ten.get('button[aria-label^="A to E"]').attributes('aria-label')).toBe('A to E: 3.4, hard');
    await openHow(ten);
    expect(ten.text()).toContain('90 moves between 10 notes');
  });

  it('gives the move that is pressed', async () => {
    const three = map('G4 A4 B4');
    await three.get('button[aria-label^="B to A"]').trigger('click');
    const [from, to] = three.emitted('pick')![0] as [{ pitch: { letter: string } }, { pitch: { letter: string } }];
    expect([from.pitch.letter, to.pitch.letter]).toEqual(['B', 'A']);
  });

  it('asks for two notes', () => {
    expect(map('B4').text()).toContain('Choose two notes or more.');
  });
});

describe('ChartGrid', () => {
  it('has every fingering, alternates beside the primary, and marks what is picked', async () => {
    const b = chartOf(baroque).find((row) => soundName(row) === 'B')!;
    const grid = mount(ChartGrid, { props: { on: baroque, picked: [b.fingerings[0]!] } });
    expect(grid.findAll('li')).toHaveLength(chartOf(baroque).length);
    expect(grid.findAll('button.alternate')).toHaveLength(1);
    expect(grid.get('[aria-pressed=true]').attributes('aria-label')).toBe(
      'B: left hand: thumb, index; right hand: none',
    );
    await grid.get('button.alternate').trigger('click');
    expect(grid.emitted('pick')![0]).toEqual([b.fingerings[1]]);
  });

  it('warns where makers differ', () => {
    expect(mount(ChartGrid, { props: { on: german, picked: [] } }).findAll('.differ')).toHaveLength(1);
  });
});

describe('MoveCard', () => {
  it('says the move, its cost and how that comes about', async () => {
    const of = (name: string) => baroque.fingerings.find((fingering) => pitchName(fingering.pitch) === name)!;
    const card = mount(MoveCard, { props: { on: baroque, from: of('A4'), to: of('E4') } });
    expect(card.text()).toContain('A, and three more fingers.');
    expect(card.text()).toContain('Cost 3.4');
    await openHow(card);
    expect(card.text()).toContain('1.90 several fingers together + 0.15 one finger more');
    await card
      .findAll('button')
      .find((button) => button.text() === 'The way back')!
      .trigger('click');
    expect(card.emitted('turn')).toHaveLength(1);
  });
});

it('lays Baroque and German beside each other', () => {
  const table = mount(CompareTable, { props: { on: baroque, other: german } });
  expect(table.findAll('li')).toHaveLength(4);
  expect(table.text()).toContain('hole 5 is smaller than hole 4');
});
