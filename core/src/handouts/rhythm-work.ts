import {
  barLength,
  countTune,
  mixedNumber,
  multiply,
  rational,
  sum,
  toNumber,
  valueLength,
  type Metre,
} from '../music/index.ts';
import { missingCards, rhythmCards, seeded, type RhythmCard } from '../practice/index.ts';
import { elementWords } from '../words/index.ts';
import { FOUR_FOUR, RHYTHM_PITCH, plainMusic, rhythmPicture, rhythmTune } from './music.ts';
import { countOf, shuffled } from './note-work.ts';
import { NoHandout, type HandoutRequest } from './request.ts';
import { handout, PLAIN_TILE, section, text, tiles, type Answer, type Handout, type Tile } from './sheet.ts';
import { t } from './messages.ts';

const USUAL = { cards: 12, bars: 8, lines: 8, match: 6, clap: 8 };

function metreOf({ tune }: HandoutRequest): Metre {
  return tune?.bars[0]?.metre ?? FOUR_FOUR;
}

/** Different bars from the values the class knows. @throws NoHandout where they fill none. */
function cardsFor(request: HandoutRequest, count: number): readonly RhythmCard[] {
  const cards = rhythmCards({ metre: metreOf(request), elements: request.elements, count, seed: request.seed });
  if (cards.length === 0) throw new NoHandout(t('rhythm-work.the-note-values-the-class-knows'));
  return cards;
}

const lengthsOf = (card: RhythmCard): readonly string[] =>
  card.map(({ kind, value }) => `${kind} ${value.dots === 1 ? 'dotted-' : ''}${value.base}`);

/** How a bar is said, in the class's way of counting. */
function said(request: HandoutRequest, card: RhythmCard): string {
  const tune = rhythmTune([card], metreOf(request), RHYTHM_PITCH);
  const [bar] = countTune(tune, request.counting ?? 'numbers', 0, request.sayings);
  return bar!.filter((word) => word !== '').join(' ');
}

/** Cards to cut out; on the back of each how it is said, so that both lie on one another when printed on both sides. */
export function rhythmCardsSheet(request: HandoutRequest): Handout {
  const cards = cardsFor(request, countOf(request, USUAL.cards, 48));
  const COLUMNS = 3;
  const ROWS = 4;
  const key = cards.map((card, index): Answer => ({
    number: index + 1,
    question: t('rhythm-work.how-do-you-say-this-card'),
    answer: said(request, card),
    facts: { lengths: lengthsOf(card) },
  }));
  const sections = [];
  for (let at = 0; at < cards.length; at += COLUMNS * ROWS) {
    const page = cards.slice(at, at + COLUMNS * ROWS);
    const fronts = page.map((card, index): Tile => ({
      ...PLAIN_TILE,
      number: at + index + 1,
      picture: rhythmPicture(request, [card], metreOf(request)),
    }));
    const backs = page.map((_, index): Tile => ({
      ...PLAIN_TILE,
      label: String(at + index + 1),
      caption: key[at + index]!.answer,
    }));
    sections.push(section(t('rhythm-work.rhythm-cards'), [tiles(COLUMNS, fronts, CARD)], { bare: true }));
    sections.push(
      section(t('rhythm-work.rhythm-cards-back'), [tiles(COLUMNS, mirrored(backs, COLUMNS), CARD)], { bare: true }),
    );
  }
  return handout('rhythm-cards', t('rhythm-work.rhythm-cards'), sections, key);
}

const CARD = { cut: true, height: 165 };

/** Each row from right to left: turned over along the long edge, a back lies behind its front. */
function mirrored(row: readonly Tile[], columns: number): readonly Tile[] {
  const made: Tile[] = [];
  for (let at = 0; at < row.length; at += columns) {
    const line = row.slice(at, at + columns);
    const empty = Array.from({ length: columns - line.length }, () => PLAIN_TILE);
    made.push(...[...line, ...empty].toReversed());
  }
  return made;
}

/** A bar with one length missing, and the sum that finds it. */
export function completeBar(request: HandoutRequest): Handout {
  const metre = metreOf(request);
  cardsFor(request, 1);
  const missing = missingCards(
    { metre, elements: request.elements, count: countOf(request, USUAL.bars), seed: request.seed },
    request.lengthWords,
  );
  if (missing.length === 0) throw new NoHandout(t('rhythm-work.every-bar-has-only-one-note'));
  const key = missing.map(({ bar, missing: at, sum: written, answer }, index): Answer => ({
    number: index + 1,
    question: t('rhythm-work.which-length-is-missing'),
    answer: `${answer}: ${written}`,
    facts: {
      metre: `${metre.count}/${metre.unit}`,
      lengths: lengthsOf(bar),
      missing: at,
      missingLength: toNumber(valueLength(bar[at]!.value)),
      barLength: toNumber(barLength(metre)),
    },
  }));
  const made = missing.map(({ bar, missing: at }, index): Tile => ({
    ...PLAIN_TILE,
    number: index + 1,
    lines: 1,
    picture: rhythmPicture(request, [bar], metre, { metre: true, covered: [{ barIndex: 0, eventIndex: at }] }),
  }));
  return handout(
    'complete-bar',
    t('rhythm-work.complete-the-bar'),
    [
      section(t('rhythm-work.complete-the-bar'), [
        text(t('rhythm-work.one-note-value-is-missing-from'), 'lead'),
        tiles(2, made),
      ]),
    ],
    key,
  );
}

/** Bars without their lines. */
export function barLines(request: HandoutRequest): Handout {
  const metre = metreOf(request);
  const count = countOf(request, USUAL.lines, 16);
  const cards = shuffled(cardsFor(request, count), seeded(request.seed));
  const PER_LINE = 4;
  const lines: RhythmCard[][] = [];
  for (let at = 0; at < cards.length; at += PER_LINE) lines.push(cards.slice(at, at + PER_LINE));
  const key = lines.map((line, index): Answer => {
    const ends = line.slice(0, -1).reduce<number[]>((all, card) => [...all, (all.at(-1) ?? 0) + card.length], []);
    return {
      number: index + 1,
      question: t('rhythm-work.where-do-the-bar-lines-stand'),
      answer:
        ends.length === 0
          ? t('rhythm-work.only-at-the-end')
          : t('rhythm-work.after-note-or-rest-list', { list: ends.join(', ') }),
      facts: { metre: `${metre.count}/${metre.unit}`, lengths: line.flatMap(lengthsOf), ends },
    };
  });
  const blocks = lines.flatMap((line, index) => [
    text(`${index + 1}.`, 'plain'),
    {
      kind: 'music' as const,
      music: plainMusic(request, rhythmTune(line, metre, RHYTHM_PITCH), { rhythmOnly: true, barlines: false }),
    },
  ]);
  return handout(
    'bar-lines',
    t('rhythm-work.draw-the-bar-lines'),
    [
      section(t('rhythm-work.draw-the-bar-lines'), [
        text(
          t('rhythm-work.each-bar-has-count-beats-of', {
            count: metre.count,
            quarter: metre.unit === 4 ? quarter(request) : 'count',
          }),
          'lead',
        ),
        ...blocks,
      ]),
    ],
    key,
  );
}

const quarter = ({ lengthWords }: HandoutRequest): string => elementWords('note quarter', lengthWords);

/** Draw a line from each rhythm to how it is said. */
export function matchSyllables(request: HandoutRequest): Handout {
  const random = seeded(request.seed);
  const bySaying = new Map(cardsFor(request, 3 * USUAL.match).map((card) => [said(request, card), card]));
  const chosen = shuffled([...bySaying], random).slice(0, countOf(request, USUAL.match, 8));
  if (chosen.length < 2) throw new NoHandout(t('rhythm-work.the-class-needs-at-least-two'));
  const right = shuffled(chosen, random);
  const key = chosen.map(([words, card], index): Answer => ({
    number: index + 1,
    question: t('rhythm-work.how-do-you-say-this-rhythm'),
    answer: `${String.fromCharCode(65 + right.findIndex(([other]) => other === words))}: ${words}`,
    facts: { lengths: lengthsOf(card), order: right.map(([other]) => other) },
  }));
  const left = chosen.map(([, card], index): Tile => ({
    ...PLAIN_TILE,
    number: index + 1,
    picture: rhythmPicture(request, [card], metreOf(request)),
  }));
  const words = right.map(([saying], index): Tile => ({
    ...PLAIN_TILE,
    label: String.fromCharCode(65 + index),
    caption: saying,
  }));
  return handout(
    'match-syllables',
    t('rhythm-work.say-the-rhythm'),
    [
      section(t('rhythm-work.say-the-rhythm'), [
        text(t('rhythm-work.draw-a-line-from-each-rhythm'), 'lead'),
        { kind: 'match', left, right: words },
      ]),
    ],
    key,
  );
}

/** Clap each bar, and tick it when it was right three times. */
export function clapTick(request: HandoutRequest): Handout {
  const cards = cardsFor(request, countOf(request, USUAL.clap, 16));
  const key = cards.map((card, index): Answer => ({
    number: index + 1,
    question: t('rhythm-work.how-do-you-say-this-bar'),
    answer: said(request, card),
    facts: { lengths: lengthsOf(card) },
  }));
  const made = cards.map((card, index): Tile => ({
    ...PLAIN_TILE,
    number: index + 1,
    caption: '[  ]   [  ]   [  ]',
    picture: rhythmPicture(request, [card], metreOf(request), { metre: true }),
  }));
  return handout(
    'clap-tick',
    t('rhythm-work.clap-and-tick'),
    [
      section(t('rhythm-work.clap-and-tick'), [
        text(t('rhythm-work.count-aloud-and-clap-tick-a'), 'lead'),
        tiles(2, made),
      ]),
    ],
    key,
  );
}

/** Four bars of one's own from the lengths that may be used. */
export function writeBars(request: HandoutRequest): Handout {
  const metre = metreOf(request);
  const allowed = [...request.elements].filter((id) => /^(note|rest) /.test(id));
  const lengths = allowed.map((id) => elementWords(id, request.lengthWords));
  const BARS = 4;
  const beats = mixedNumber(multiply(barLength(metre), rational(metre.unit)));
  const key: Answer[] = [
    {
      number: 1,
      question: t('rhythm-work.do-the-four-bars-add-up'),
      answer: t('rhythm-work.each-bar-has-beats-beats-bars', { beats, bars: BARS, bars2: BARS * metre.count }),
      facts: {
        metre: `${metre.count}/${metre.unit}`,
        bars: BARS,
        total: toNumber(sum(Array.from({ length: BARS }, () => barLength(metre)))),
      },
    },
  ];
  const bars = Array.from({ length: BARS }, (_, index): Tile => ({
    ...PLAIN_TILE,
    number: index + 1,
    picture: { kind: 'staff', rhythmOnly: true },
  }));
  const names = request.notes.map((note) => note.letter + ['', '♯'][note.alter === 1 ? 1 : 0]!);
  return handout(
    'write-bars',
    t('rhythm-work.write-your-own'),
    [
      section(t('rhythm-work.write-your-own'), [
        text(t('rhythm-work.write-four-bars-of-beats-beats', { beats, list: lengths.join(', ') }), 'lead'),
        tiles(2, bars, { height: 90 }),
        ...(names.length === 0
          ? []
          : [text(t('rhythm-work.now-give-them-notes-list', { list: [...new Set(names)].join(', ') }), 'lead')]),
        tiles(
          1,
          [0, 1].map((): Tile => ({ ...PLAIN_TILE, picture: { kind: 'staff', rhythmOnly: false } })),
          { height: 80 },
        ),
      ]),
    ],
    key,
  );
}
