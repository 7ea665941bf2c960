import type { Tune } from '../music/index.ts';
import { seeded } from '../practice/index.ts';
import { phraseLines, readTune } from '../reading/index.ts';
import { plainMusic } from './music.ts';
import { shuffled } from './note-work.ts';
import { knowledgeOf, NoHandout, type HandoutRequest } from './request.ts';
import { handout, section, text, type Answer, type Block, type Handout } from './sheet.ts';
import { tuneOf } from './tune-sheet.ts';
import { t } from './messages.ts';

const formOf = (request: HandoutRequest, tune: Tune) => readTune(tune, request.on, knowledgeOf(request)).form;

const music = (request: HandoutRequest, tune: Tune): Block => ({ kind: 'music', music: plainMusic(request, tune) });

/** Mark the bars that are the same. @throws NoHandout when none is. */
export function sameBars(request: HandoutRequest): Handout {
  const tune = tuneOf(request);
  const groups = formOf(request, tune).sameBars;
  if (groups.length === 0)
    throw new NoHandout(t('pattern-work.title-has-no-repeated-bars-choose', { title: tune.title }));
  const key = groups.map((bars, index): Answer => ({
    number: index + 1,
    question: t('pattern-work.which-bars-are-the-same-as', { bars: bars[0]! }),
    answer: bars
      .slice(1)
      .map((bar) => t('bar.one', { bar }))
      .join(', '),
    facts: { bars },
  }));
  return handout(
    'same-bars',
    t('pattern-work.same-again-title', { title: tune.title }),
    [
      section(t('pattern-work.same-again-title', { title: tune.title }), [
        text(t('pattern-work.some-bars-are-exactly-the-same'), 'lead'),
        music(request, tune),
        ...groups.map((bars, index) =>
          text(t('pattern-work.index-the-same-as-bar-bars', { index: index + 1, bars: bars[0]! })),
        ),
      ]),
    ],
    key,
  );
}

/** Pairs of bars that differ at their end only. */
export function whereChanges(request: HandoutRequest): Handout {
  const tune = tuneOf(request);
  const pairs = formOf(request, tune).differAtEnd;
  if (pairs.length === 0) throw new NoHandout(t('pattern-work.title-has-no-two-bars-that', { title: tune.title }));
  const heads = (printed: number): readonly string[] => {
    const index = tune.bars.findIndex((bar) => bar.number === printed);
    return tune.parts[0].bars[index]!.map((event) =>
      event.kind === 'rest'
        ? 'rest'
        : `${event.pitch.letter}${event.pitch.alter}${event.pitch.octave} ${event.value.base}`,
    );
  };
  const key = pairs.map(([a, b], index): Answer => {
    const [one, other] = [heads(a), heads(b)];
    const at = one.findIndex((head, place) => head !== other[place]);
    return {
      number: index + 1,
      question: t('pattern-work.where-do-bars-a-and-b', { a, b }),
      answer: t('pattern-work.at-note-at', { at: at + 1 }),
      facts: { bars: [a, b], first: one, second: other, differsAt: at + 1 },
    };
  });
  return handout(
    'where-changes',
    t('pattern-work.where-does-it-change-title', { title: tune.title }),
    [
      section(t('pattern-work.where-does-it-change-title', { title: tune.title }), [
        text(t('pattern-work.these-bars-start-the-same-circle'), 'lead'),
        music(request, tune),
        ...pairs.map(([a, b], index) =>
          text(t('pattern-work.index-bars-a-and-b-different', { index: index + 1, a, b })),
        ),
      ]),
    ],
    key,
  );
}

/** The lines of a tune in another order: which comes first? */
export function orderLines(request: HandoutRequest): Handout {
  const tune = tuneOf(request);
  const lines = phraseLines(tune);
  if (lines.length < 2) throw new NoHandout(t('pattern-work.title-has-only-one-line-choose', { title: tune.title }));
  const order = shuffledAway(
    lines.map((_, index) => index),
    request.seed,
  );
  const letters = order.map((_, index) => String.fromCharCode(65 + index));
  const key = lines.map(([first, last], index): Answer => ({
    number: index + 1,
    question: t('pattern-work.which-is-line-index-of-the', { index: index + 1 }),
    answer: letters[order.indexOf(index)]!,
    facts: { bars: [tune.bars[first]!.number, tune.bars[last]!.number], shown: order },
  }));
  const blocks = order.flatMap((line, index): Block[] => [
    text(t('pattern-work.letters-line-number', { letters: letters[index]! }), 'head'),
    music(request, cutOut(tune, lines[line]!)),
  ]);
  return handout(
    'order-lines',
    t('pattern-work.in-order-title', { title: tune.title }),
    [
      section(t('pattern-work.in-order-title', { title: tune.title }), [
        text(t('pattern-work.the-lines-of-the-tune-are'), 'lead'),
        ...blocks,
      ]),
    ],
    key,
  );
}

/** Never as it was. */
function shuffledAway(indexes: readonly number[], seed: number): readonly number[] {
  const random = seeded(seed);
  for (let tries = 0; tries < 50; tries++) {
    const mixed = shuffled(indexes, random);
    if (mixed.some((line, index) => line !== index)) return mixed;
  }
  return indexes.toReversed();
}

/** The bars from first to last by themselves: without repeats that begin or end elsewhere. */
function cutOut(tune: Tune, [first, last]: readonly [number, number]): Tune {
  const bars = tune.bars.slice(first, last + 1).map((bar, index) => ({
    ...bar,
    // Neither a number nor a closing line says where it belongs.
    number: index + 1,
    barline: 'single' as const,
    lineEnd: false,
    repeatStart: false,
    timesPlayed: 1,
    ending: null,
    jump: null,
    fine: false,
    segno: false,
    coda: false,
    toCoda: false,
  }));
  const [melody] = tune.parts;
  return { ...tune, bars, parts: [{ ...melody, bars: melody.bars.slice(first, last + 1) }] };
}
