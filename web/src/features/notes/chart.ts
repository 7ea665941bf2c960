import {
  chartOf,
  costParts,
  findInstrument,
  INSTRUMENT_IDS,
  makersDiffer,
  type ChartRow,
  type Instrument,
  type Move,
} from '@escalier/core/instruments';
import { midiNumber, namePitch, pitch, pitchName, type Pitch } from '@escalier/core/music';
import { moveTable, moveWalk } from '@escalier/core/practice';
import { costWords } from '@escalier/core/words';
import { t } from './messages.ts';

export const CHART_VIEWS = [
  { value: 'chart', text: t('chart.chart') },
  { value: 'moves', text: t('chart.all-moves') },
  { value: 'compare', text: t('chart.baroque-and-german') },
] as const;
export type ChartView = (typeof CHART_VIEWS)[number]['value'];

/** "B♭ or A♯", with a stroke for the high octave. */
export function soundName(row: ChartRow): string {
  return row.spellings.map(noteLabel).join(' or ');
}

export function noteLabel(p: Pitch): string {
  const letter = namePitch(p, 'letters', { fifths: 0, mode: 'major' });
  return `${letter}${'′'.repeat(Math.max(0, p.octave - 4))}${'‚'.repeat(Math.max(0, 4 - p.octave))}`;
}

/** The other bore of the same recorder; null for whistles. */
export function otherBore(instrument: Instrument): Instrument | null {
  const other = instrument.id.endsWith('baroque')
    ? instrument.id.replace('baroque', 'german')
    : instrument.id.replace('german', 'baroque');
  return other === instrument.id ? null : findInstrument(other);
}

/** Sounds whose primary fingering is not the same on both, or for which makers differ. */
export function differences(
  on: Instrument,
  other: Instrument,
): readonly { readonly a: ChartRow; readonly b: ChartRow }[] {
  const rows = chartOf(other);
  return chartOf(on).flatMap((a) => {
    const b = rows.find((row) => midiNumber(row.spellings[0]!) === midiNumber(a.spellings[0]!));
    const isSame = b?.fingerings[0]!.holes.join() === a.fingerings[0]!.holes.join();
    const isUnsure = [on, other].some((instrument) => makersDiffer(instrument, a.spellings[0]!));
    return b === undefined || (isSame && !isUnsure) ? [] : [{ a, b }];
  });
}

/** How hard, in four grades with words, so that colour is never the only sign. */
export const HEAT = [
  { upTo: 1.25, label: 'easy' },
  { upTo: 2.3, label: t('chart.needs-care') },
  { upTo: 4.2, label: 'hard' },
  { upTo: Infinity, label: t('chart.very-hard') },
] as const;

/** 0 for easy up to 3 for very hard. */
export function heatOf(cost: number): number {
  return HEAT.findIndex(({ upTo }) => cost <= upTo);
}

/** What the heat map shows of a set of notes. */
export function heatMap(instrument: Instrument, notes: readonly Pitch[]) {
  return { table: moveTable(instrument, notes), walk: moveWalk(instrument, notes) };
}

const MOST_NOTES = 14;
const FIRST_NOTES = 10;

/** A first set for an instrument: its lowest natural notes. */
export function firstNotes(instrument: Instrument): readonly string[] {
  const naturals = chartOf(instrument).flatMap((row) =>
    row.spellings.slice(0, 1).filter((spelling) => spelling.alter === 0),
  );
  return naturals.slice(0, FIRST_NOTES).map(pitchName);
}

/** The chosen notes that the instrument has, from low to high, as many as the map can show. */
export function chosenNotes(instrument: Instrument, names: Iterable<string>): readonly Pitch[] {
  const wanted = new Set([...names].map((name) => midiNumber(pitch(name))));
  return chartOf(instrument)
    .filter((row) => wanted.has(midiNumber(row.spellings[0]!)))
    .map((row) => row.spellings[0]!)
    .slice(0, MOST_NOTES);
}

export const INSTRUMENT_OPTIONS = INSTRUMENT_IDS.map((value) => ({
  value: String(value),
  text: findInstrument(value)!.name,
}));

/** "1.00 a finger lands + 0.25 …": how the cost of a move comes about. */
export function costSum(instrument: Instrument, move: Move): string {
  return costParts(instrument, move)
    .map((part) => `${part.points.toFixed(2)} ${costWords(part)}`)
    .join(' + ');
}
