import { chartOf, primaryFingering } from '../instruments/index.ts';
import { staffStep, type Pitch } from '../music/index.ts';
import { bridgeTo, postureChecks } from '../practice/index.ts';
import { bridgeWords, staffPlace } from '../words/index.ts';
import { notePicture } from './music.ts';
import { notesFor } from './note-work.ts';
import { named, type HandoutRequest } from './request.ts';
import { handout, PLAIN_TILE, section, text, tiles, type Block, type Handout, type Tile } from './sheet.ts';
import { t } from './messages.ts';

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
        label: named(request, note),
        caption: fingering.remark,
        picture: { kind: 'fingering', on: request.on, fingering: blank ? null : fingering },
      },
    ];
  });
}

/** The class's notes; or without notes all that the instrument has. */
export function fingeringChart(request: HandoutRequest): Handout {
  const all = request.notes.length === 0;
  const notes = all ? wholeRange(request) : notesFor(request, 1);
  const title = t('charts.fingering-chart-name', { name: request.on.name });
  return handout('fingering-chart', title, [
    section(title, [text(LEGEND, 'small'), tiles(all ? 7 : 5, chartTiles(request, notes, false))], { nameLine: false }),
  ]);
}

const LEGEND = t('charts.black-is-covered-white-is-open');

/** Charts to be filled in. */
export function blankChart(request: HandoutRequest): Handout {
  const notes = request.notes.length === 0 ? wholeRange(request) : notesFor(request, 1);
  const title = t('charts.my-fingering-chart-name', { name: request.on.name });
  return handout('blank-chart', title, [
    section(title, [
      text(t('charts.colour-the-holes-that-are-covered'), 'lead'),
      tiles(5, chartTiles(request, notes, true)),
    ]),
  ]);
}

/** A note to fold: the staff in front, fingering and name inside. */
export function noteCard(request: HandoutRequest): Handout {
  const notes = notesFor(request, 1);
  const made = notes.flatMap((note): Tile[] => [
    { ...PLAIN_TILE, picture: notePicture(request, note), caption: t('charts.which-note-finger-it-then-open') },
    {
      ...PLAIN_TILE,
      label: named(request, note),
      caption: `${capital(staffPlace(staffStep(note)))}.`,
      picture: { kind: 'fingering', on: request.on, fingering: primaryFingering(request.on, note) },
    },
  ]);
  return handout('note-card', t('charts.note-cards-to-fold'), [
    section(
      t('charts.note-cards-to-fold'),
      [text(t('charts.cut-along-the-outer-lines-fold'), 'small'), tiles(2, made, { cut: true, height: 190 })],
      {
        nameLine: false,
      },
    ),
  ]);
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** A new note: its place, its fingering, and how to come to it from the nearest one that the class has. */
export function notePage(request: HandoutRequest, note: Pitch, known: readonly Pitch[]): readonly Block[] {
  const fingering = primaryFingering(request.on, note);
  if (fingering === null) return [];
  const bridge = bridgeTo(request.on, note, known);
  return [
    text(
      t('charts.new-note-named-staff-place', { named: named(request, note), staffPlace: staffPlace(staffStep(note)) }),
      'head',
    ),
    tiles(2, [
      { ...PLAIN_TILE, picture: notePicture(request, note), caption: named(request, note) },
      { ...PLAIN_TILE, picture: { kind: 'fingering', on: request.on, fingering }, caption: fingering.remark },
    ]),
    ...(bridge === null ? [] : [text(`${capital(bridgeWords(bridge))}.`)]),
  ];
}

/** How to hold the instrument, as the list before playing. */
export function holdingBlocks({ on, posture, holding }: HandoutRequest): readonly Block[] {
  return [
    text(t('charts.before-you-play'), 'head'),
    ...postureChecks(on.family, posture, holding).map((line) => text(`• ${line}`)),
  ];
}
