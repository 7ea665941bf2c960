import { chartShape, instrument, primaryFingering } from '@escalier/core/instruments';
import { pitch } from '@escalier/core/music';
import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import FingeringChart from './FingeringChart.vue';

const recorder = instrument('soprano-recorder-baroque');
const whistle = instrument('tin-whistle-d');

describe('chartShape', () => {
  it('draws the double holes of the recorder as two, half closed for a prime', () => {
    const { holes } = chartShape(recorder, primaryFingering(recorder, pitch('Eb4'))!);
    expect(holes).toHaveLength(10);
    expect(holes.filter((hole) => hole.key.startsWith('6')).map((hole) => hole.state)).toEqual(['closed', 'open']);
  });

  it('says the fingers for those who hear the chart', () => {
    expect(chartShape(recorder, primaryFingering(recorder, pitch('G4'))!).words).toBe(
      'left hand: thumb, index, middle, ring; right hand: none',
    );
    expect(chartShape(whistle, primaryFingering(whistle, pitch('F4'))!).words).toContain(
      'right hand: index, middle half; half hole',
    );
  });
});

describe('FingeringChart', () => {
  it('names the note and marks it when it is new', () => {
    const chart = mount(FingeringChart, { props: { on: recorder, pitch: pitch('E4'), label: 'E', isNew: true } });
    expect(chart.get('svg').attributes('aria-label')).toContain('E: left hand');
    expect(chart.text()).toContain('new');
    expect(chart.findAll('circle.closed')).toHaveLength(6);
  });

  it('says when the instrument does not have the note', () => {
    const chart = mount(FingeringChart, { props: { on: whistle, pitch: pitch('C4'), label: 'C', isNew: false } });
    expect(chart.text()).toContain('not on this instrument');
  });
});
