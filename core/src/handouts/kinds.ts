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
import { t } from './messages.ts';

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
    about: t('kinds.a-tune-with-names-fingerings-breaths'),
    needs: ['tune'],
    hasKey: false,
    make: tuneSheet,
  },
  {
    kind: 'ten-minutes',
    group: 'tune',
    name: 'Ten minutes at home',
    about: t('kinds.practice-for-this-tune-part-by'),
    needs: ['tune'],
    hasKey: false,
    make: tenMinutesSheet,
  },
  {
    kind: 'note-hunt',
    group: 'notes',
    name: 'Note hunt',
    about: t('kinds.circle-every-e-how-many-are'),
    needs: ['notes'],
    hasKey: true,
    make: noteHunt,
  },
  {
    kind: 'note-draw',
    group: 'notes',
    name: 'Draw the notes',
    about: t('kinds.draw-each-note-on-the-staff'),
    needs: ['notes'],
    hasKey: true,
    make: noteDraw,
  },
  {
    kind: 'note-names',
    group: 'notes',
    name: 'Name the notes',
    about: t('kinds.write-the-name-under-each-note'),
    needs: ['notes'],
    hasKey: true,
    make: noteNames,
  },
  {
    kind: 'note-match',
    group: 'notes',
    name: 'Note and fingering',
    about: t('kinds.match-notes-with-their-fingerings'),
    needs: ['notes'],
    hasKey: true,
    make: noteMatch,
  },
  {
    kind: 'fingering-colour',
    group: 'notes',
    name: 'Colour the fingering',
    about: t('kinds.blank-charts-to-colour-in'),
    needs: ['notes'],
    hasKey: true,
    make: fingeringColour,
  },
  {
    kind: 'higher-lower',
    group: 'notes',
    name: 'Higher or lower',
    about: t('kinds.is-the-second-note-higher-lower'),
    needs: ['notes'],
    hasKey: true,
    make: higherLower,
  },
  {
    kind: 'spell-words',
    group: 'notes',
    name: 'Secret words',
    about: t('kinds.words-spelled-with-note-names'),
    needs: ['notes'],
    hasKey: true,
    make: spellWords,
  },
  {
    kind: 'staff-to-stairs',
    group: 'notes',
    name: 'Staff to stairs',
    about: t('kinds.where-is-the-note-on-the'),
    needs: ['notes'],
    hasKey: true,
    make: staffToStairs,
  },
  {
    kind: 'fingering-mistake',
    group: 'notes',
    name: 'Find the mistake',
    about: t('kinds.fingerings-some-of-them-wrong'),
    needs: ['notes'],
    hasKey: true,
    make: fingeringMistake,
  },
  {
    kind: 'rhythm-cards',
    group: 'rhythm',
    name: 'Rhythm cards',
    about: t('kinds.cards-to-cut-out-with-the'),
    needs: [],
    hasKey: true,
    make: rhythmCardsSheet,
  },
  {
    kind: 'complete-bar',
    group: 'rhythm',
    name: 'Complete the bar',
    about: t('kinds.one-note-value-is-missing-find'),
    needs: [],
    hasKey: true,
    make: completeBar,
  },
  {
    kind: 'bar-lines',
    group: 'rhythm',
    name: 'Draw the bar lines',
    about: t('kinds.rhythms-without-their-bar-lines'),
    needs: [],
    hasKey: true,
    make: barLines,
  },
  {
    kind: 'match-syllables',
    group: 'rhythm',
    name: 'Say the rhythm',
    about: t('kinds.match-rhythms-with-their-words'),
    needs: [],
    hasKey: true,
    make: matchSyllables,
  },
  {
    kind: 'clap-tick',
    group: 'rhythm',
    name: 'Clap and tick',
    about: t('kinds.bars-to-clap-each-with-boxes'),
    needs: [],
    hasKey: true,
    make: clapTick,
  },
  {
    kind: 'write-bars',
    group: 'rhythm',
    name: 'Write your own',
    about: t('kinds.make-up-four-bars-from-the'),
    needs: [],
    hasKey: true,
    make: writeBars,
  },
  {
    kind: 'same-bars',
    group: 'patterns',
    name: 'Same again?',
    about: t('kinds.mark-the-bars-of-a-tune'),
    needs: ['tune'],
    hasKey: true,
    make: sameBars,
  },
  {
    kind: 'where-changes',
    group: 'patterns',
    name: 'Where does it change?',
    about: t('kinds.bars-that-start-the-same-where'),
    needs: ['tune'],
    hasKey: true,
    make: whereChanges,
  },
  {
    kind: 'order-lines',
    group: 'patterns',
    name: 'In order',
    about: t('kinds.number-the-mixed-up-lines-of'),
    needs: ['tune'],
    hasKey: true,
    make: orderLines,
  },
  {
    kind: 'fingering-chart',
    group: 'charts',
    name: 'Fingering chart',
    about: t('kinds.the-classs-notes-or-all-that'),
    needs: ['notes'],
    hasKey: false,
    make: fingeringChart,
  },
  {
    kind: 'blank-chart',
    group: 'charts',
    name: 'Blank chart',
    about: t('kinds.a-chart-to-fill-in'),
    needs: ['notes'],
    hasKey: false,
    make: blankChart,
  },
  {
    kind: 'note-card',
    group: 'charts',
    name: 'Note cards',
    about: t('kinds.cards-to-fold-the-note-outside'),
    needs: ['notes'],
    hasKey: false,
    make: noteCard,
  },
  {
    kind: 'step-packet',
    group: 'packets',
    name: 'A step’s packet',
    about: t('kinds.new-notes-drill-tune-and-worksheet'),
    needs: ['tune', 'notes'],
    hasKey: true,
    make: stepPacket,
  },
  {
    kind: 'booklet',
    group: 'packets',
    name: 'Booklet',
    about: t('kinds.the-whole-staircase-cover-contents-steps'),
    needs: ['class'],
    hasKey: true,
    make: booklet,
  },
  {
    kind: 'certificate',
    group: 'class',
    name: 'Certificates',
    about: t('kinds.one-for-each-pupil-who-has'),
    needs: ['class'],
    hasKey: false,
    make: certificates,
  },
  {
    kind: 'belt-slips',
    group: 'class',
    name: 'Belt slips',
    about: t('kinds.slips-to-cut-for-belts-to'),
    needs: ['class'],
    hasKey: false,
    make: beltSlips,
  },
  {
    kind: 'class-list',
    group: 'class',
    name: 'Class list',
    about: t('kinds.names-with-boxes-to-tick'),
    needs: ['class'],
    hasKey: false,
    make: classList,
  },
  {
    kind: 'board',
    group: 'class',
    name: 'Board',
    about: t('kinds.pupils-by-steps-on-paper'),
    needs: ['class'],
    hasKey: false,
    make: board,
  },
  {
    kind: 'family-letter',
    group: 'class',
    name: 'Letter to families',
    about: t('kinds.in-your-own-words-with-fields'),
    needs: ['class'],
    hasKey: false,
    make: familyLetter,
  },
  {
    kind: 'substitute-plan',
    group: 'class',
    name: 'Plan for a substitute',
    about: t('kinds.what-a-substitute-needs-to-take'),
    needs: ['class'],
    hasKey: false,
    make: substitutePlan,
  },
  {
    kind: 'wall-poster',
    group: 'class',
    name: 'Wall poster',
    about: t('kinds.the-staircase-for-the-wall'),
    needs: ['class'],
    hasKey: false,
    make: wallPoster,
  },
  {
    kind: 'labels',
    group: 'class',
    name: 'Labels',
    about: t('kinds.for-instruments-and-bags'),
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
