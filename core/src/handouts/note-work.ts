import { moveOf, primaryFingering, type Fingering } from '../instruments/index.ts';
import { midiNumber, pitchClassName, pitchName, staffStep, type Pitch } from '../music/index.ts';
import { below, pick, seeded, type Random } from '../practice/index.ts';
import { describeMove, sayNote, staffPlace } from '../words/index.ts';
import { boxedMusic, notePicture, notesTune, plainMusic } from './music.ts';
import { named, NoHandout, type HandoutRequest } from './request.ts';
import {
  handout,
  PLAIN_TILE,
  section,
  text,
  tiles,
  type Answer,
  type Block,
  type Handout,
  type Tile,
} from './sheet.ts';
import { SPELLINGS } from './spellings.ts';
import { t } from './messages.ts';

const USUAL = { hunt: 32, draw: 6, names: 12, match: 6, colour: 8, higher: 10, spell: 8, stairs: 8, mistakes: 8 };
const MOST = 60;

/** @throws NoHandout for fewer notes than the sheet needs, or one that the instrument does not have. */
export function notesFor(request: HandoutRequest, least: number): readonly Pitch[] {
  const { notes, on } = request;
  const outside = notes.find((note) => primaryFingering(on, note) === null);
  if (outside !== undefined)
    throw new NoHandout(t('note-work.the-name-has-no-note', { name: on.name, note: sayNote(pitchName(outside)) }));
  if (notes.length < least)
    throw new NoHandout(
      least === 1 ? t('note-work.choose-at-least-one-note') : t('note-work.this-sheet-needs-at-least-least', { least }),
    );
  return notes;
}

/** @throws NoHandout for more than fits any class. */
export function countOf({ count }: HandoutRequest, usual: number, most = MOST): number {
  if (count === null) return usual;
  if (count < 1 || count > most) throw new NoHandout(t('note-work.from-1-to-most-fit-on', { most }));
  return count;
}

export function shuffled<Thing>(things: readonly Thing[], random: Random): readonly Thing[] {
  const left = [...things];
  return things.map(() => left.splice(below(random, left.length), 1)[0]!);
}

/** Each comes about equally often, none twice running where there is a choice. */
function mixed(notes: readonly Pitch[], count: number, random: Random): readonly Pitch[] {
  const made: Pitch[] = [];
  let bag: Pitch[] = [];
  while (made.length < count) {
    if (bag.length === 0) bag = [...shuffled(notes, random)];
    const fits = bag.findIndex((note) => made.at(-1) === undefined || pitchName(note) !== pitchName(made.at(-1)!));
    made.push(...bag.splice(Math.max(0, fits), 1));
  }
  return made;
}

const noteTile = (request: HandoutRequest, pitch: Pitch, number: number | null, more: Partial<Tile> = {}): Tile => ({
  ...PLAIN_TILE,
  number,
  picture: notePicture(request, pitch),
  ...more,
});

/** "Circle every E": a page of notes among which one kind is to be found. */
export function noteHunt(request: HandoutRequest): Handout {
  const notes = notesFor(request, 2);
  const random = seeded(request.seed);
  const count = Math.max(8, 4 * Math.ceil(countOf(request, USUAL.hunt) / 4));
  const wanted = shuffled(notes, random).slice(0, Math.min(3, notes.length));
  const asked = wanted.map((note) => ({ note, row: mixed(notes, Math.ceil(count / wanted.length / 4) * 4, random) }));
  const key = asked.map(({ note, row }, index): Answer => {
    const found = row.filter((pitch) => pitchName(pitch) === pitchName(note)).length;
    return {
      number: index + 1,
      question: t('note-work.how-many-named', { named: named(request, note) }),
      answer: String(found),
      facts: { wanted: pitchName(note), notes: row.map(pitchName), count: found },
    };
  });
  const blocks = asked.flatMap(({ note, row }, index) => [
    text(t('note-work.index-circle-every-named-how-many', { index: index + 1, named: named(request, note) }), 'lead'),
    { kind: 'music' as const, music: plainMusic(request, notesTune(row), { metre: false }) },
  ]);
  return handout('note-hunt', t('note-work.note-hunt'), [section(t('note-work.note-hunt'), blocks)], key);
}

/** "Draw three A": an empty staff for each. */
export function noteDraw(request: HandoutRequest): Handout {
  const notes = notesFor(request, 1);
  const random = seeded(request.seed);
  const asked = mixed(notes, countOf(request, Math.min(USUAL.draw, 2 * notes.length)), random).map((note) => ({
    note,
    times: 2 + below(random, 3),
  }));
  const key = asked.map(({ note, times }, index): Answer => ({
    number: index + 1,
    question: t('note-work.draw-times-named', { times, named: named(request, note) }),
    answer: t('note-work.times-notes-staff-place', { times, staffPlace: staffPlace(staffStep(note)) }),
    facts: { note: pitchName(note), times, step: staffStep(note) },
  }));
  const made = asked.map(({ note, times }, index): Tile => ({
    ...PLAIN_TILE,
    number: index + 1,
    label: t('note-work.named-times-times', { named: named(request, note), times }),
    picture: { kind: 'staff', rhythmOnly: false },
  }));
  return handout(
    'note-draw',
    t('note-work.draw-the-notes'),
    [
      section(t('note-work.draw-the-notes'), [
        text(t('note-work.draw-each-note-the-number-of'), 'lead'),
        tiles(2, made),
      ]),
    ],
    key,
  );
}

/** Name these. */
export function noteNames(request: HandoutRequest): Handout {
  const { row, key } = namesToWrite(request);
  const title = t('note-work.name-the-notes');
  return handout(
    'note-names',
    title,
    [section(title, [text(t('note-work.write-the-name-under-each-note'), 'lead'), row])],
    key,
  );
}

/** Notes with a line under each, and their names. */
export function namesToWrite(request: HandoutRequest): { readonly row: Block; readonly key: readonly Answer[] } {
  const notes = notesFor(request, 1);
  const asked = mixed(notes, countOf(request, USUAL.names), seeded(request.seed));
  return {
    row: tiles(
      4,
      asked.map((note, index) => noteTile(request, note, index + 1, { lines: 1 })),
    ),
    key: asked.map((note, index) => ({
      number: index + 1,
      question: t('note-work.which-note-is-this'),
      answer: named(request, note),
      facts: { note: pitchName(note) },
    })),
  };
}

/** Draw a line from each note to its fingering. */
export function noteMatch(request: HandoutRequest): Handout {
  const notes = notesFor(request, 2);
  const random = seeded(request.seed);
  const chosen = shuffled(notes, random).slice(0, countOf(request, Math.min(USUAL.match, notes.length), 8));
  const right = shuffled(chosen, random);
  const letterOf = (note: Pitch): string => String.fromCharCode(65 + right.indexOf(note));
  const key = chosen.map((note, index): Answer => ({
    number: index + 1,
    question: t('note-work.which-fingering-belongs-to-this-note'),
    answer: letterOf(note),
    facts: { note: pitchName(note), order: right.map(pitchName) },
  }));
  const pictured = right.map((note): Tile => ({
    ...PLAIN_TILE,
    label: letterOf(note),
    picture: { kind: 'fingering', on: request.on, fingering: fingeringOf(request, note) },
  }));
  return handout(
    'note-match',
    t('note-work.note-and-fingering'),
    [
      section(t('note-work.note-and-fingering'), [
        text(t('note-work.draw-a-line-from-each-note'), 'lead'),
        { kind: 'match', left: chosen.map((note, index) => noteTile(request, note, index + 1)), right: pictured },
      ]),
    ],
    key,
  );
}

export function fingeringOf({ on }: HandoutRequest, note: Pitch): Fingering {
  return primaryFingering(on, note)!;
}

/** Blank charts: colour the holes that are covered. */
export function fingeringColour(request: HandoutRequest): Handout {
  const notes = notesFor(request, 1);
  const row = mixed(notes, countOf(request, Math.min(USUAL.colour, 2 * notes.length)), seeded(request.seed));
  const key = row.map((note, index): Answer => {
    const { holes } = fingeringOf(request, note);
    const closed = request.on.holes.filter((_, hole) => holes[hole] !== 'open').map(({ name }) => name);
    return {
      number: index + 1,
      question: t('note-work.which-holes-are-covered-for-named', { named: named(request, note) }),
      answer: closed.join(' ') || 'none',
      facts: { note: pitchName(note), holes },
    };
  });
  const made = row.map((note, index): Tile => ({
    ...PLAIN_TILE,
    number: index + 1,
    label: named(request, note),
    picture: { kind: 'fingering', on: request.on, fingering: null },
  }));
  return handout(
    'fingering-colour',
    t('note-work.colour-the-fingering'),
    [
      section(t('note-work.colour-the-fingering'), [
        text(t('note-work.colour-the-holes-your-fingers-cover'), 'lead'),
        tiles(4, made),
      ]),
    ],
    key,
  );
}

/** Two notes: does the second sound higher, lower or the same? */
export function higherLower(request: HandoutRequest): Handout {
  const notes = notesFor(request, 2);
  const random = seeded(request.seed);
  const pairs = Array.from(
    { length: countOf(request, USUAL.higher) },
    () => [pick(random, notes), pick(random, notes)] as const,
  );
  const CHOICES = ['higher', 'lower', t('note-work.the-same')];
  const key = pairs.map(([a, b], index): Answer => {
    const by = midiNumber(b) - midiNumber(a);
    return {
      number: index + 1,
      question: t('note-work.is-the-second-note-higher-lower'),
      answer: CHOICES[by > 0 ? 0 : by < 0 ? 1 : 2]!,
      facts: { notes: [pitchName(a), pitchName(b)] },
    };
  });
  const made = pairs.map((pair, index): Tile => ({
    ...PLAIN_TILE,
    number: index + 1,
    choices: CHOICES,
    picture: boxedMusic(request, notesTune(pair, 2), { metre: false, barlines: false }),
  }));
  return handout(
    'higher-lower',
    t('note-work.higher-or-lower'),
    [
      section(t('note-work.higher-or-lower'), [
        text(t('note-work.look-at-the-second-note-circle'), 'lead'),
        tiles(2, made),
      ]),
    ],
    key,
  );
}

/** Words that can be written with the names of the notes. @throws NoHandout when there is none. */
export function spellWords(request: HandoutRequest): Handout {
  const notes = notesFor(request, 2);
  const random = seeded(request.seed);
  const byLetter = new Map<string, Pitch>();
  for (const note of notes) {
    const letter = pitchClassName(note);
    if (letter.length === 1 && !byLetter.has(letter)) byLetter.set(letter, note);
  }
  const possible = SPELLINGS.filter((word) => [...word].every((letter) => byLetter.has(letter)));
  if (possible.length === 0) {
    const letters = [...byLetter.keys()].toSorted().join(', ');
    throw new NoHandout(t('note-work.letters-dont-spell-any-word-choose', { letters }));
  }
  const words = shuffled(possible, random).slice(0, countOf(request, Math.min(USUAL.spell, possible.length)));
  const key = words.map((word, index): Answer => ({
    number: index + 1,
    question: t('note-work.which-word-do-the-notes-spell'),
    answer: word,
    facts: { notes: [...word].map((letter) => pitchName(byLetter.get(letter)!)) },
  }));
  const made = words.map((word, index): Tile => {
    const spelled = [...word].map((letter) => byLetter.get(letter)!);
    return {
      ...PLAIN_TILE,
      number: index + 1,
      lines: 1,
      picture: boxedMusic(request, notesTune(spelled, spelled.length), { metre: false, barlines: false }),
    };
  });
  return handout(
    'spell-words',
    t('note-work.secret-words'),
    [section(t('note-work.secret-words'), [text(t('note-work.each-note-is-a-letter-which'), 'lead'), tiles(2, made)])],
    key,
  );
}

/** Where does the note stand on the stairs of notes? */
export function staffToStairs(request: HandoutRequest): Handout {
  const notes = notesFor(request, 2);
  const names = notes.map((note) => named(request, note));
  const row = mixed(notes, countOf(request, USUAL.stairs), seeded(request.seed));
  const key = row.map((note, index): Answer => ({
    number: index + 1,
    question: t('note-work.which-stair-is-this-note-on'),
    answer: t('note-work.stair-index-named', { index: notes.indexOf(note) + 1, named: named(request, note) }),
    facts: { note: pitchName(note), stair: notes.indexOf(note) + 1, stairs: notes.map(pitchName) },
  }));
  const made = row.flatMap((note, index): Tile[] => [
    noteTile(request, note, index + 1),
    { ...PLAIN_TILE, picture: { kind: 'stairs', names, marked: null } },
  ]);
  return handout(
    'staff-to-stairs',
    t('note-work.from-the-staff-to-the-stairs'),
    [
      section(t('note-work.from-the-staff-to-the-stairs'), [
        text(t('note-work.draw-a-peg-on-the-notes'), 'lead'),
        tiles(4, made),
      ]),
    ],
    key,
  );
}

/** Some charts have one finger wrong: which, and what is right? */
export function fingeringMistake(request: HandoutRequest): Handout {
  const notes = notesFor(request, 2);
  const random = seeded(request.seed);
  const row = mixed(notes, countOf(request, Math.min(USUAL.mistakes, 2 * notes.length)), random);
  const shown = row.map((note) => {
    const right = fingeringOf(request, note);
    const others = notes.filter((other) => fingeringOf(request, other).holes.join() !== right.holes.join());
    const isWrong = others.length > 0 && random() < 0.6;
    return { note, right, drawn: isWrong ? fingeringOf(request, pick(random, others)) : right, isWrong };
  });
  const key = shown.map(({ note, right, drawn, isWrong }, index): Answer => ({
    number: index + 1,
    question: t('note-work.is-this-named', { named: named(request, note) }),
    answer: isWrong ? `No: ${describeMove(moveOf(request.on, drawn, right))}` : t('note-work.yes'),
    facts: { note: pitchName(note), drawn: drawn.holes, right: right.holes, isRight: !isWrong },
  }));
  const made = shown.map(({ note, drawn }, index): Tile => ({
    ...PLAIN_TILE,
    number: index + 1,
    label: named(request, note),
    choices: ['right', 'wrong'],
    picture: { kind: 'fingering', on: request.on, fingering: drawn },
  }));
  return handout(
    'fingering-mistake',
    t('note-work.find-the-mistake'),
    [
      section(t('note-work.find-the-mistake'), [
        text(t('note-work.is-the-fingering-right-circle-the'), 'lead'),
        tiles(4, made),
      ]),
    ],
    key,
  );
}
