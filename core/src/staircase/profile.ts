import type { Instrument } from '../instruments/index.ts';
import { metreText, type Tune } from '../music/index.ts';
import { moveKey, NOTHING_KNOWN, readTune, type Reading } from '../reading/index.ts';

/** What planning needs to know of a tune, whoever learns it. */
export interface TuneProfile {
  readonly id: string;
  readonly title: string;
  /** Of all parts, from low to high, with how often each is struck: a duet is learned when both lines are. */
  readonly notes: readonly { readonly name: string; readonly count: number }[];
  /** Rhythm elements by their ids. */
  readonly elements: readonly string[];
  readonly signs: readonly string[];
  /** Distinct moves with their cost, tempo left aside. */
  readonly moves: readonly { readonly key: string; readonly cost: number }[];
  /** As it is printed: `3/4`. */
  readonly metre: string;
  /** `E minor`. */
  readonly key: string;
  /** The tune's tags: calm, dance, sea. */
  readonly moods: readonly string[];
  /** Notes that the instrument does not have. */
  readonly unplayable: readonly string[];
}

export function profileOf(id: string, tune: Tune, instrument: Instrument): TuneProfile {
  return profileFrom(id, tune, readTune(tune, instrument, NOTHING_KNOWN));
}

/** @param reading of the tune for a class that knows nothing yet. */
export function profileFrom(id: string, tune: Tune, reading: Reading): TuneProfile {
  const [first] = tune.bars;
  return {
    id,
    title: tune.title,
    notes: reading.notes.all.map(({ name, count }) => ({ name, count })),
    elements: reading.elements.all.map((element) => element.id),
    signs: reading.signs.all.map((sign) => sign.id),
    moves: reading.moves.all.map(({ from, to, move }) => ({ key: moveKey(from, to), cost: move.cost })),
    metre: metreText(first!.metre),
    key: reading.keySignature.name,
    moods: tune.tags,
    unplayable: reading.unplayable.map((use) => use.name),
  };
}

/** Several tunes of one step as one: all their notes, moves, rhythm and signs count; metre, key and mood are the first's. */
export function joinProfiles(profiles: readonly [TuneProfile, ...TuneProfile[]]): TuneProfile {
  const [main, ...others] = profiles;
  if (others.length === 0) return main;
  const counts = new Map<string, number>();
  for (const { name, count } of profiles.flatMap((profile) => profile.notes))
    counts.set(name, (counts.get(name) ?? 0) + count);
  const moves = new Map(profiles.flatMap((profile) => profile.moves).map((move) => [move.key, move]));
  const union = (of: (profile: TuneProfile) => readonly string[]): readonly string[] => [
    ...new Set(profiles.flatMap(of)),
  ];
  return {
    ...main,
    notes: [...counts].map(([name, count]) => ({ name, count })),
    elements: union((profile) => profile.elements),
    signs: union((profile) => profile.signs),
    moves: [...moves.values()],
    unplayable: union((profile) => profile.unplayable),
  };
}
