// @vitest-environment node
import { instrument } from '@escalier/core/instruments';
import { NOTHING_KNOWN } from '@escalier/core/reading';
import { describe, expect, it } from 'vitest';
import { libraryRow, type LibraryRow } from '../../workers/library.ts';
import { distance, filtered, NO_FILTER, offered } from './library-filter.ts';
import { withNoteNames } from '../../ui/note-words.ts';
import { notesList } from './words.ts';

const known = { ...NOTHING_KNOWN, notes: new Set(['G4', 'A4', 'B4']) };

function row(title: string, body: string, head = 'M:4/4\nL:1/4\nK:G', tags = ''): LibraryRow {
  const abc = `X:1\nT:${title}\nG:${tags}\n${head}\n${body}\n`;
  return libraryRow(
    { id: title, title, abc, onStaircase: false, archived: false },
    instrument('soprano-recorder-baroque'),
    known,
  );
}

const rows = [
  row('Éclair', 'B A G2|G4|]', 'M:4/4\nL:1/4\nK:G', 'calm'),
  row('Low', 'B A E2|G4|]'),
  row('Two new', 'B c D2|G4|]'),
  row('Deep', 'G, A B2|G4|]'),
  row('In F', 'F G A2|F4|]', 'M:2/2\nL:1/4\nK:F'),
  row('Duet', 'V:1\nB2 A2|]\nw:la la\nV:2\nG2 G2|]', 'M:4/4\nL:1/4\nK:G', 'duet'),
];
const titles = (filter: Partial<typeof NO_FILTER>): string[] =>
  filtered(rows, { ...NO_FILTER, ...filter })
    .map((each) => each.title)
    .toSorted((a, b) => a.localeCompare(b));

describe('the library for a class', () => {
  it('filters as a teacher thinks', () => {
    expect(titles({ readiness: 'now' })).toEqual(['Duet', 'Éclair']);
    expect(titles({ readiness: 'one' })).toEqual(['In F', 'Low']);
    expect(titles({ readiness: 'one', newNote: 'E4' })).toEqual(['Low']);
    expect(titles({ search: 'eclair' })).toEqual(['Éclair']);
    expect(titles({ search: 'CALM' })).toEqual(['Éclair']);
    expect(titles({ duet: true, words: true })).toEqual(['Duet']);
    expect(titles({ metre: '2/2' })).toEqual(['In F']);
    expect(titles({ tag: 'calm', key: 'G major' })).toEqual(['Éclair']);
    expect(titles({ search: 'nothing of the kind' })).toEqual([]);
  });

  it('puts what fits first and what cannot be played last', () => {
    const order = filtered(rows, NO_FILTER);
    expect(order[0]!.newNotes).toEqual([]);
    expect(order.at(-1)!.title).toBe('Deep');
    expect(distance(rows[1]!)).toBeLessThan(distance(rows[2]!));
  });

  it('knows a better key where there is one', () => {
    expect(rows[4]!.better).toMatchObject({ shift: 2, key: 'G major', newNotes: [] });
    expect(rows[0]!.better).toBeNull();
  });

  it('offers each value once', () => {
    expect(offered(rows, (each) => [each.metre]).map((each) => each.text)).toEqual(['any', '2/2', '4/4']);
  });
});

describe('words', () => {
  it('lists notes and reads moves as they are said', () => {
    expect(notesList(['E4', 'F#4', 'C5'])).toBe('E, F♯ and C′');
    expect(withNoteNames('A4 to Bb4: two fingers land.')).toBe('A to B♭: two fingers land.');
  });
});
