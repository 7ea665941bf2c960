import { chartOf, primaryFingering } from '../instruments/index.ts';
import { pitchName, staffStep, type Pitch } from '../music/index.ts';
import { postureChecks, USUAL_POSTURE } from '../practice/index.ts';
import { describeMove, staffPlace } from '../words/index.ts';
import { moveOf } from '../instruments/index.ts';
import { notePicture } from './music.ts';
import { notesFor } from './note-work.ts';
import { named, type HandoutRequest } from './request.ts';
import { handout, PLAIN_TILE, section, text, tiles, type Block, type Handout, type Tile } from './sheet.ts';

/** All notes of the instrument, from low to high, each in its plainest spelling. */
function wholeRange(request: HandoutRequest): readonly Pitch[] {
  return chartOf(request.on).flatMap(({ spellings, fingerings }) => (fingerings.length === 0 ? [] : [spellings[0]!]));
}

function chartTiles(request: HandoutRequest, notes: readonly Pitch[], blank: boolean): readonly Tile[] {
  return notes.flatMap((note): Tile[] => {
    const fingering = primaryFingering(request.on, note);
    if (fingering === null) return [];
    return [
      {
        ...PLAIN_TILE,
        ...{ label: named(request, note), caption: fingering.remark },
        picture: { kind: 'fingering', on: request.on, fingering: blank ? null : fingering },
      },
    ];
  });
}

/** The class's notes, with their places on the staff; or without notes all that the instrument has. */
export function fingeringChart(request: HandoutRequest): Handout {
  const all = request.notes.length === 0;
  const notes = all ? wholeRange(request) : notesFor(request, 1);
  const title = `Fingering chart: ${request.on.name}`;
  return handout('fingering-chart', title, [
    section(title, [text(LEGEND, 'small'), tiles(all ? 7 : 5, chartTiles(request, notes, false))], { nameLine: false }),
  ]);
}

const LEGEND = 'Black is covered, white is open, half black is half covered. Left hand on top.';

/** Charts to be filled in. */
export function blankChart(request: HandoutRequest): Handout {
  const notes = request.notes.length === 0 ? wholeRange(request) : notesFor(request, 1);
  const title = `My fingering chart: ${request.on.name}`;
  return handout('blank-chart', title, [
    section(title, [text('Colour the holes that are covered.', 'lead'), tiles(5, chartTiles(request, notes, true))]),
  ]);
}

/** A note to fold: the staff in front, fingering and name inside. */
export function noteCard(request: HandoutRequest): Handout {
  const notes = notesFor(request, 1);
  const made = notes.flatMap((note): Tile[] => [
    { ...PLAIN_TILE, picture: notePicture(request, note), caption: 'Which note? Finger it, then open.' },
    {
      ...PLAIN_TILE,
      ...{ label: named(request, note), caption: `${capital(staffPlace(staffStep(note)))}.` },
      picture: { kind: 'fingering', on: request.on, fingering: primaryFingering(request.on, note) },
    },
  ]);
  return handout('note-card', 'Note cards to fold', [
    section(
      'Note cards to fold',
      [text('Cut along the outer lines, fold in the middle.', 'small'), tiles(2, made, { cut: true, height: 190 })],
      {
        nameLine: false,
      },
    ),
  ]);
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** A page for a new note: place, fingering, how to come to it from those before, how to hold. */
export function notePage(request: HandoutRequest, note: Pitch, known: readonly Pitch[]): readonly Block[] {
  const fingering = primaryFingering(request.on, note);
  if (fingering === null) return [];
  const moves = known.flatMap((from) => {
    const before = primaryFingering(request.on, from);
    return before === null || pitchName(from) === pitchName(note)
      ? []
      : [`From ${named(request, from)}: ${describeMove(moveOf(request.on, before, fingering))}.`];
  });
  return [
    text(`New note: ${named(request, note)}, ${staffPlace(staffStep(note))}`, 'head'),
    tiles(2, [
      { ...PLAIN_TILE, picture: notePicture(request, note), caption: named(request, note) },
      { ...PLAIN_TILE, picture: { kind: 'fingering', on: request.on, fingering }, caption: fingering.remark },
    ]),
    ...moves.slice(0, 4).map((line) => text(line)),
  ];
}

/** How to hold the instrument, as the list before playing. */
export function holdingBlocks({ on }: HandoutRequest): readonly Block[] {
  return [
    text('Before you play', 'head'),
    ...postureChecks(on.family, USUAL_POSTURE, { rightHand: 'carries', tongue: 'doo' }).map((line) =>
      text(`• ${line}`),
    ),
  ];
}
