/** A weave tells belts apart where colours do not. */
export const WEAVES = [
  'checks',
  'chevrons',
  'bars',
  'spots',
  'crosses',
  'stripe',
  'steps',
  'waves',
  'rings',
  'ladder',
  'dashes',
  'diamonds',
] as const;
export type Weave = (typeof WEAVES)[number];

/** A belt is a woven band of two tones. Tones are CSS colours; the darker is the ground. */
export interface Belt {
  readonly id: string;
  readonly name: string;
  readonly weave: Weave;
  readonly ground: string;
  readonly thread: string;
}

/** Escalier's belts, in their order; a staircase takes as many as it has steps. */
export const BELTS = [
  { id: 'straw', name: 'Straw', weave: 'checks', ground: '#8a6420', thread: '#e3b866' },
  { id: 'moss', name: 'Moss', weave: 'chevrons', ground: '#3f6f51', thread: '#9cc9a4' },
  { id: 'slate', name: 'Slate', weave: 'bars', ground: '#34597b', thread: '#8fb6d8' },
  { id: 'heather', name: 'Heather', weave: 'spots', ground: '#8c4866', thread: '#e3a6bd' },
  { id: 'plum', name: 'Plum', weave: 'crosses', ground: '#51478a', thread: '#aaa0e0' },
  { id: 'anvil', name: 'Anvil', weave: 'stripe', ground: '#454c4c', thread: '#e5b84e' },
  { id: 'rust', name: 'Rust', weave: 'steps', ground: '#8f3f1f', thread: '#f0a878' },
  { id: 'tarn', name: 'Tarn', weave: 'waves', ground: '#14626b', thread: '#7fd0d3' },
  { id: 'larch', name: 'Larch', weave: 'rings', ground: '#5a6b1e', thread: '#c9d67f' },
  { id: 'brick', name: 'Brick', weave: 'ladder', ground: '#9a3b3b', thread: '#f0b3ab' },
  { id: 'dusk', name: 'Dusk', weave: 'dashes', ground: '#37426e', thread: '#f2cf8e' },
  { id: 'chalk', name: 'Chalk', weave: 'diamonds', ground: '#6b6357', thread: '#f4efe4' },
] as const satisfies readonly Belt[];

export type BeltId = (typeof BELTS)[number]['id'];

export function belt(id: BeltId): Belt {
  return BELTS.find((candidate) => candidate.id === id)!;
}

export function isBeltId(id: string): id is BeltId {
  return BELTS.some((candidate) => candidate.id === id);
}

/** A belt for each of so many steps, in the belts' order; where there are more steps than belts, neighbours share one. */
export function beltsFor(steps: number): readonly BeltId[] {
  return Array.from({ length: steps }, (_, index) => {
    const place = steps <= BELTS.length ? index : Math.floor((index * BELTS.length) / steps);
    return BELTS[place]!.id;
  });
}
