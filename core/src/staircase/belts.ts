/** A weave tells belts apart where colours do not. */
export const WEAVES = ['checks', 'chevrons', 'bars', 'spots', 'crosses', 'stripe', 'steps', 'waves'] as const;
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
] as const satisfies readonly Belt[];

export type BeltId = (typeof BELTS)[number]['id'];

export function belt(id: BeltId): Belt {
  return BELTS.find((candidate) => candidate.id === id)!;
}

export function isBeltId(id: string): id is BeltId {
  return BELTS.some((candidate) => candidate.id === id);
}
