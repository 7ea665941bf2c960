/** What a class already knows: written notes (`F#4`), rhythm elements, signs, and moves (`A4>E4`). */
export interface Knowledge {
  readonly notes: ReadonlySet<string>;
  readonly elements: ReadonlySet<string>;
  readonly signs: ReadonlySet<string>;
  readonly moves: ReadonlySet<string>;
}

export const NOTHING_KNOWN: Knowledge = {
  notes: new Set(),
  elements: new Set(),
  signs: new Set(),
  moves: new Set(),
};

export function joinKnowledge(a: Knowledge, b: Knowledge): Knowledge {
  return {
    notes: new Set([...a.notes, ...b.notes]),
    elements: new Set([...a.elements, ...b.elements]),
    signs: new Set([...a.signs, ...b.signs]),
    moves: new Set([...a.moves, ...b.moves]),
  };
}

export function moveKey(from: string, to: string): string {
  return `${from}>${to}`;
}

/** Knowledge as it is sent and kept: by name. */
export interface KnownNames {
  readonly notes: readonly string[];
  readonly elements: readonly string[];
  readonly signs: readonly string[];
  readonly moves: readonly string[];
}

export function knowledgeByName({ notes, elements, signs, moves }: KnownNames): Knowledge {
  return { notes: new Set(notes), elements: new Set(elements), signs: new Set(signs), moves: new Set(moves) };
}
