import { describe, expect, it } from 'vitest';
import { readAbc } from '../formats/index.ts';
import { instrument } from '../instruments/index.ts';
import { NOTHING_KNOWN, readTune } from '../reading/index.ts';
import { performanceOrder, performedNotes, pitchName, type Tune } from '../music/index.ts';
import { chainOf, chainSheet, chunkLadder } from './index.ts';

const recorder = instrument('soprano-recorder-baroque');

function tune(body: string, head = 'M:4/4\nL:1/4\nQ:1/4=80\nK:G'): Tune {
  const read = readAbc(`X:1\nT:Test\n${head}\n${body}\n`);
  if (!read.ok) throw new Error(read.error[0]?.message);
  return read.value.tune;
}

const reading = (music: Tune) => readTune(music, recorder, NOTHING_KNOWN);
const ladder = (music: Tune, beats?: number) => chunkLadder(music, reading(music), beats);
const bars = (music: Tune, beats?: number) =>
  ladder(music, beats).map(({ bars: [first, last], why }) => `${first}-${last} ${why.kind}`);

const GOOSE = 'B A G2|B A G2|A B A G|E4|\nB A G2|B A G2|A G E E|G4|]';

describe('the chunk ladder', () => {
  it('goes bar by bar, joins by pairs, and says what is the same again', () => {
    expect(bars(tune(GOOSE))).toEqual([
      '1-1 new',
      '1-2 join',
      '3-3 new',
      '4-4 new',
      '3-4 join',
      '1-4 line',
      '7-7 hard',
      '8-8 last-line',
      '7-8 join',
      '5-8 new-end',
      '1-8 whole',
    ]);
  });

  it('takes larger pieces when the class keeps more beats', () => {
    expect(bars(tune(GOOSE), 8)).toEqual(['1-2 new', '3-4 new', '1-4 line', '7-8 hard', '5-8 new-end', '1-8 whole']);
  });

  it('never teaches a line twice, and lets the class begin it', () => {
    const music = tune('G A B c|d4|\nG A B c|d4|\nB A G A|G4|]');
    expect(bars(music).filter((each) => each.includes('line'))).toEqual([
      '1-2 line',
      '3-4 same-line',
      '1-4 lines',
      '5-5 last-line',
      '6-6 last-line',
      '5-6 line',
    ]);
    expect(ladder(music).find(({ why }) => why.kind === 'same-line')).toMatchObject({ starts: 'class', times: 1 });
  });

  it('takes the upbeat with the bar that it leads to', () => {
    const music = tune('D|G2 B|A2 D|G2 A|G2|]', 'M:3/4\nL:1/4\nQ:1/4=80\nK:G');
    expect(ladder(music, 3).slice(0, 2)).toMatchObject([
      { bars: [1, 1], from: { barIndex: 0, eventIndex: 0 }, to: { barIndex: 1, eventIndex: 0 } },
      { bars: [2, 2], from: { barIndex: 1, eventIndex: 1 }, to: { barIndex: 2, eventIndex: 0 } },
    ]);
  });

  it('climbs in tempo from new pieces to the whole tune, and repeats the hard spot most', () => {
    const steps = ladder(tune(GOOSE));
    const tempo = (kind: string) => steps.find(({ why }) => why.kind === kind)!.tempo;
    expect(tempo('new')).toBeLessThan(tempo('join'));
    expect(tempo('join')).toBeLessThan(tempo('line'));
    expect(tempo('whole')).toBe(80);
    expect(steps.find(({ why }) => why.kind === 'hard')!.times).toBe(4);
  });

  it('covers every bar that sounds, however odd the tune', () => {
    for (const music of [tune('z4|G4|z4|A4|]'), tune('G4|]'), tune('|:G A B G|1 A4:|2 G4|]')]) {
      const steps = ladder(music);
      expect(steps.at(-1)!.why.kind === 'whole' || steps.at(-1)!.why.kind === 'line').toBe(true);
      const seen = new Set(steps.flatMap(({ from, to }) => [from.barIndex, to.barIndex]));
      expect(Math.max(...seen)).toBe(Math.max(...performanceOrder(music)));
    }
  });
});

describe('the chain of a hard spot', () => {
  const music = tune('G A B A|G E A E|G4|]');
  const { growing, backward } = chainOf(music, reading(music).hardSpots[0]!);

  it('grows note by note and then faster, forwards and from the end', () => {
    expect(growing.map(({ notes }) => notes.join(' ')).slice(0, 2)).toEqual(['A4 E4', 'A4 E4 G4']);
    expect(backward[0]!.notes).toEqual(['E4', 'G4']);
    expect(growing.at(-1)!.tempo).toBeGreaterThan(growing[0]!.tempo);
  });

  it('is a sheet of two beats a note', () => {
    const sheet = chainSheet(growing.slice(0, 2), 'Chain');
    expect(performedNotes(sheet).map(({ pitch, length }) => `${pitchName(pitch)} ${length.num}/${length.den}`)).toEqual(
      ['A4 1/2', 'E4 1/2', 'A4 1/2', 'E4 1/2', 'G4 1/2'],
    );
  });
});
