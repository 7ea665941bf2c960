import {
  add,
  barLength,
  beatLength,
  divide,
  equal,
  floor,
  rational,
  subtract,
  sum,
  valueLength,
  ZERO,
  type Metre,
  type Rational,
  type TuneEvent,
  type ValueName,
} from '../../music/index.ts';

/** MusicXML's words for what a beam does at a note, one entry for each beam of the note. */
export type Beam = 'begin' | 'continue' | 'end' | 'forward hook' | 'backward hook';

const FLAGS: Readonly<Partial<Record<ValueName, number>>> = { eighth: 1, sixteenth: 2, 'thirty-second': 3 };

/** Notes shorter than a crotchet are beamed within a beat; in 4/4 and 2/4 plain quavers within half a bar. */
export function beamsOf(events: readonly TuneEvent[], metre: Metre): readonly (readonly Beam[])[] {
  const groups = groupsOf(events, metre);
  return events.map((event, index) => {
    const group = groups.find((members) => members.includes(index));
    if (group === undefined || group.length < 2) return [];
    const flags = flagsOf(event);
    return Array.from({ length: flags }, (_, level) => beamAt(events, group, index, level + 1));
  });
}

function flagsOf(event: TuneEvent): number {
  return event.kind === 'rest' ? 0 : (FLAGS[event.value.base] ?? 0);
}

/** Runs of indices that share a beam. A pickup is counted from the end of its bar. */
function groupsOf(events: readonly TuneEvent[], metre: Metre): readonly (readonly number[])[] {
  const length = sum(events.map((event) => valueLength(event.value)));
  const full = barLength(metre);
  const start = subtract(full, length).num > 0 ? subtract(full, length) : ZERO;
  const onlyQuavers = events.every((event) => flagsOf(event) <= 1 && event.value.tuplet === null);
  const span = onlyQuavers && metre.unit === 4 && metre.count % 2 === 0 ? rational(1, 2) : beatLength(metre);
  const groups: number[][] = [];
  let now: Rational = start;
  let open: { readonly beat: number; readonly members: number[] } | null = null;
  for (const [index, event] of events.entries()) {
    const beat = floor(divide(now, span));
    if (flagsOf(event) === 0) open = null;
    else if (open !== null && open.beat === beat) open.members.push(index);
    else {
      open = { beat, members: [index] };
      groups.push(open.members);
    }
    now = add(now, valueLength(event.value));
  }
  return groups;
}

function beamAt(events: readonly TuneEvent[], group: readonly number[], index: number, level: number): Beam {
  const has = (at: number | undefined): boolean => at !== undefined && flagsOf(events[at]!) >= level;
  const place = group.indexOf(index);
  const before = has(group[place - 1]);
  const after = has(group[place + 1]);
  if (before && after) return 'continue';
  if (before) return 'end';
  if (after) return 'begin';
  return place === 0 || startsBeatPart(events, group, place) ? 'forward hook' : 'backward hook';
}

/** A lone short note hooks forward when it stands first in its part of the beat. */
function startsBeatPart(events: readonly TuneEvent[], group: readonly number[], place: number): boolean {
  const before = sum(group.slice(0, place).map((at) => valueLength(events[at]!.value)));
  const parts = divide(before, rational(1, 8));
  return equal(parts, rational(floor(parts)));
}
