import { barLines, clapTick, completeBar, matchSyllables, rhythmCardsSheet, writeBars } from './rhythm-work.ts';
import {
  beltSlips,
  board,
  certificates,
  classList,
  familyLetter,
  labels,
  substitutePlan,
  wallPoster,
} from './class-papers.ts';
import { blankChart, fingeringChart, noteCard } from './charts.ts';
import {
  fingeringColour,
  fingeringMistake,
  higherLower,
  noteDraw,
  noteHunt,
  noteMatch,
  noteNames,
  spellWords,
  staffToStairs,
} from './note-work.ts';
import { booklet, stepPacket } from './packets.ts';
import { orderLines, sameBars, whereChanges } from './pattern-work.ts';
import type { HandoutRequest } from './request.ts';
import type { Handout } from './sheet.ts';
import { tenMinutesSheet } from './ten-minutes-sheet.ts';
import { tuneSheet } from './tune-sheet.ts';

export type Need = 'tune' | 'notes' | 'class';
export type HandoutGroup = 'tune' | 'notes' | 'rhythm' | 'patterns' | 'charts' | 'packets' | 'class';

interface Kind {
  readonly kind: string;
  readonly group: HandoutGroup;
  readonly name: string;
  readonly about: string;
  readonly needs: readonly Need[];
  /** Has answers to be checked. */
  readonly hasKey: boolean;
  readonly make: (request: HandoutRequest) => Handout;
}

/** All that can be printed. */
export const KINDS = [
  {
    kind: 'tune-sheet',
    group: 'tune',
    name: 'Tune sheet',
    about: 'A tune with names, fingerings, breaths, form and the hard spot, as you like.',
    needs: ['tune'],
    hasKey: false,
    make: tuneSheet,
  },
  {
    kind: 'ten-minutes',
    group: 'tune',
    name: 'Ten minutes at home',
    about: 'What to practise with this tune, part by part, for those without a device.',
    needs: ['tune'],
    hasKey: false,
    make: tenMinutesSheet,
  },
  {
    kind: 'note-hunt',
    group: 'notes',
    name: 'Note hunt',
    about: 'Circle every E: how many are there?',
    needs: ['notes'],
    hasKey: true,
    make: noteHunt,
  },
  {
    kind: 'note-draw',
    group: 'notes',
    name: 'Draw the notes',
    about: 'Draw a note on the staff as often as it says.',
    needs: ['notes'],
    hasKey: true,
    make: noteDraw,
  },
  {
    kind: 'note-names',
    group: 'notes',
    name: 'Name the notes',
    about: 'Write the name under each note.',
    needs: ['notes'],
    hasKey: true,
    make: noteNames,
  },
  {
    kind: 'note-match',
    group: 'notes',
    name: 'Note and fingering',
    about: 'Match notes with their fingerings.',
    needs: ['notes'],
    hasKey: true,
    make: noteMatch,
  },
  {
    kind: 'fingering-colour',
    group: 'notes',
    name: 'Colour the fingering',
    about: 'Blank charts to be coloured.',
    needs: ['notes'],
    hasKey: true,
    make: fingeringColour,
  },
  {
    kind: 'higher-lower',
    group: 'notes',
    name: 'Higher or lower',
    about: 'Is the second note higher, lower or the same?',
    needs: ['notes'],
    hasKey: true,
    make: higherLower,
  },
  {
    kind: 'spell-words',
    group: 'notes',
    name: 'Secret words',
    about: 'Words spelled with the names of the notes.',
    needs: ['notes'],
    hasKey: true,
    make: spellWords,
  },
  {
    kind: 'staff-to-stairs',
    group: 'notes',
    name: 'Staff to stairs',
    about: 'Where does the note stand on the stairs of notes?',
    needs: ['notes'],
    hasKey: true,
    make: staffToStairs,
  },
  {
    kind: 'fingering-mistake',
    group: 'notes',
    name: 'Find the mistake',
    about: 'Fingerings of which some are wrong.',
    needs: ['notes'],
    hasKey: true,
    make: fingeringMistake,
  },
  {
    kind: 'rhythm-cards',
    group: 'rhythm',
    name: 'Rhythm cards',
    about: 'Cards to cut out, with how they are said on the back.',
    needs: [],
    hasKey: true,
    make: rhythmCardsSheet,
  },
  {
    kind: 'complete-bar',
    group: 'rhythm',
    name: 'Complete the bar',
    about: 'One length is missing: find it by a sum.',
    needs: [],
    hasKey: true,
    make: completeBar,
  },
  {
    kind: 'bar-lines',
    group: 'rhythm',
    name: 'Draw the bar lines',
    about: 'Rhythms without their bar lines.',
    needs: [],
    hasKey: true,
    make: barLines,
  },
  {
    kind: 'match-syllables',
    group: 'rhythm',
    name: 'Say the rhythm',
    about: 'Match rhythms with how they are said.',
    needs: [],
    hasKey: true,
    make: matchSyllables,
  },
  {
    kind: 'clap-tick',
    group: 'rhythm',
    name: 'Clap and tick',
    about: 'Bars to clap, each with boxes to tick.',
    needs: [],
    hasKey: true,
    make: clapTick,
  },
  {
    kind: 'write-bars',
    group: 'rhythm',
    name: 'Write your own',
    about: 'Four bars of one’s own from the lengths that may be used.',
    needs: [],
    hasKey: true,
    make: writeBars,
  },
  {
    kind: 'same-bars',
    group: 'patterns',
    name: 'Same again?',
    about: 'Mark the bars of a tune that are the same.',
    needs: ['tune'],
    hasKey: true,
    make: sameBars,
  },
  {
    kind: 'where-changes',
    group: 'patterns',
    name: 'Where does it change?',
    about: 'Bars that begin alike: where do they part ways?',
    needs: ['tune'],
    hasKey: true,
    make: whereChanges,
  },
  {
    kind: 'order-lines',
    group: 'patterns',
    name: 'In order',
    about: 'Number the mixed-up lines of a tune.',
    needs: ['tune'],
    hasKey: true,
    make: orderLines,
  },
  {
    kind: 'fingering-chart',
    group: 'charts',
    name: 'Fingering chart',
    about: 'The class’s notes, or all that the instrument has.',
    needs: ['notes'],
    hasKey: false,
    make: fingeringChart,
  },
  {
    kind: 'blank-chart',
    group: 'charts',
    name: 'Blank chart',
    about: 'A chart to be filled in.',
    needs: ['notes'],
    hasKey: false,
    make: blankChart,
  },
  {
    kind: 'note-card',
    group: 'charts',
    name: 'Note cards',
    about: 'Cards to fold: the note outside, its fingering inside.',
    needs: ['notes'],
    hasKey: false,
    make: noteCard,
  },
  {
    kind: 'step-packet',
    group: 'packets',
    name: 'A step’s packet',
    about: 'New notes, drill, tune and worksheet of one step.',
    needs: ['tune', 'notes'],
    hasKey: true,
    make: stepPacket,
  },
  {
    kind: 'booklet',
    group: 'packets',
    name: 'Booklet',
    about: 'The whole staircase: cover, contents, steps, record page, chart, cautions.',
    needs: ['class'],
    hasKey: true,
    make: booklet,
  },
  {
    kind: 'certificate',
    group: 'class',
    name: 'Certificates',
    about: 'One for each pupil who has passed a step.',
    needs: ['class'],
    hasKey: false,
    make: certificates,
  },
  {
    kind: 'belt-slips',
    group: 'class',
    name: 'Belt slips',
    about: 'Slips to cut for belts to hand out.',
    needs: ['class'],
    hasKey: false,
    make: beltSlips,
  },
  {
    kind: 'class-list',
    group: 'class',
    name: 'Class list',
    about: 'Names with boxes to tick.',
    needs: ['class'],
    hasKey: false,
    make: classList,
  },
  {
    kind: 'board',
    group: 'class',
    name: 'Board',
    about: 'Pupils against steps, on paper.',
    needs: ['class'],
    hasKey: false,
    make: board,
  },
  {
    kind: 'family-letter',
    group: 'class',
    name: 'Letter to families',
    about: 'In your own words, with fields; nothing of other children.',
    needs: ['class'],
    hasKey: false,
    make: familyLetter,
  },
  {
    kind: 'substitute-plan',
    group: 'class',
    name: 'Plan for a substitute',
    about: 'What somebody else needs to take the lesson.',
    needs: ['class'],
    hasKey: false,
    make: substitutePlan,
  },
  {
    kind: 'wall-poster',
    group: 'class',
    name: 'Wall poster',
    about: 'The staircase for the wall.',
    needs: ['class'],
    hasKey: false,
    make: wallPoster,
  },
  {
    kind: 'labels',
    group: 'class',
    name: 'Labels',
    about: 'For instruments and bags.',
    needs: ['class'],
    hasKey: false,
    make: labels,
  },
] as const satisfies readonly Kind[];
export type HandoutKind = (typeof KINDS)[number]['kind'];

export function isHandoutKind(id: string): id is HandoutKind {
  return KINDS.some(({ kind }) => kind === id);
}

/** What stands on the sheets of a kind. The same request gives the same sheets. @throws NoHandout with a sentence. */
export function makeHandout(kind: HandoutKind, request: HandoutRequest): Handout {
  return KINDS.find((each) => each.kind === kind)!.make(request);
}
