import { parsePitch, pitchName, sameSound } from '../music/index.ts';
import type { Fingering, Instrument } from './fingering.ts';

/** Where the chart has alternates, the one that is played: its place among the fingerings of a written note (`F#5`), from 0. */
export type ChosenFingerings = Readonly<Record<string, number>>;

const BEHIND_ID = '~';

/**
 * The id of an instrument with the fingerings that a class has chosen: `soprano-recorder-baroque~F#5.1`. Whoever asks
 * for the instrument by it gets those first in charts, moves and costs.
 */
export function withChosen(id: string, chosen: ChosenFingerings): string {
  const parts = Object.entries(chosen)
    .filter(([, place]) => place > 0)
    .toSorted(([a], [b]) => (a < b ? -1 : 1))
    .map(([note, place]) => `${BEHIND_ID}${note}.${place}`);
  return id + parts.join('');
}

/** The kind of instrument, whatever fingerings are chosen on it. */
export function kindOfInstrument(id: string): string {
  return id.split(BEHIND_ID)[0]!;
}

/** What is chosen in an id; nothing that is no note and no place. */
export function chosenIn(id: string): ChosenFingerings {
  const parts = id.split(BEHIND_ID).slice(1);
  return Object.fromEntries(
    parts.flatMap((part) => {
      const [, note, place] = /^([A-G][#b]{0,2}\d)\.(\d{1,2})$/.exec(part) ?? [];
      return note === undefined ? [] : [[note, Number(place)] as const];
    }),
  );
}

/** The instrument with the chosen fingering of each note before its others; a place that it does not have changes nothing. */
export function chooseFingerings(instrument: Instrument, id: string, chosen: ChosenFingerings): Instrument {
  let { fingerings } = instrument;
  for (const [note, place] of Object.entries(chosen)) fingerings = putFirst(fingerings, note, place);
  return { ...instrument, id, fingerings };
}

function putFirst(all: readonly Fingering[], note: string, place: number): readonly Fingering[] {
  const pitch = parsePitch(note);
  if (pitch === null) return all;
  const names = new Set(
    all.filter((fingering) => sameSound(fingering.pitch, pitch)).map((fingering) => pitchName(fingering.pitch)),
  );
  return [...names].reduce((fingerings, name) => {
    const own = fingerings.filter((fingering) => pitchName(fingering.pitch) === name);
    const wanted = own[place];
    if (wanted === undefined) return fingerings;
    const others = own
      .filter((fingering) => fingering !== wanted)
      .map((fingering) => ({ ...fingering, primary: false }));
    const ordered = [{ ...wanted, primary: true }, ...others];
    return fingerings.map((fingering) => (own.includes(fingering) ? ordered[own.indexOf(fingering)]! : fingering));
  }, all);
}
