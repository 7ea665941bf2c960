import type { Notice } from '@escalier/core/formats';
import { COUNTINGS, countTune, type Counting, type Tune } from '@escalier/core/music';
import { figuresOf, readTune, syllableAt, type MixUp, type Reading, type Sung } from '@escalier/core/reading';
import {
  barRange,
  breathWords,
  elementWords,
  hardSpotWords,
  intervalWords,
  mixUpWords,
  shiftWords,
  signWords,
} from '@escalier/core/words';
import { BadInput, type Command, type Output } from './command.ts';
import { tuneFromFile } from './files.ts';
import { breathOption, instrumentOption, knownNotes, tempoOption, wholeNumber } from './options.ts';
import { t } from './messages.ts';

export const read: Command = {
  usage: t('read.read-file-tune-1-instrument-id'),
  about: t('read.what-a-tune-needs-what-is'),
  example: t('read.read-demo-tunes-goose-walk-abc'),
  options: ['tune', 'instrument', 'knows', 'tempo', 'breath'],
  async run(files, options) {
    const [file] = files;
    if (file === undefined) throw new BadInput(t('read.name-a-file-to-read'));
    if (files.length === 1) return readOne(file, options);
    const all: { readonly file: string; readonly text: string; readonly json: unknown }[] = [];
    for (const each of files) all.push({ file: each, ...(await readOne(each, options)) });
    return {
      text: all.map(({ text }) => text).join('\n\n'),
      json: { tunes: all.map(({ file: name, json }) => ({ file: name, ...(json as object) })) },
    };
  },
};

async function readOne(file: string, options: Readonly<Record<string, string>>): Promise<Output> {
  const instrument = instrumentOption(options.instrument);
  const { tune, leftOut } = await tuneFromFile(file, wholeNumber(options.tune, t('read.number-of-a-tune'), 1, 10_000));
  const reading = readTune(tune, instrument, knownNotes(options.knows), {
    tempo: tempoOption(options.tempo, tune.tempo),
    breathSeconds: breathOption(options.breath),
  });
  return { text: inWords(reading), json: asJson(reading, tune, leftOut) };
}

/** For each school and each part: what is said in each bar, as it is printed under its notes. */
function countings(tune: Tune): Readonly<Record<string, readonly (readonly string[])[]>> {
  const said = (school: Counting) =>
    tune.parts.map((_, part) =>
      countTune(tune, school, part).map((bar) => bar.filter((word) => word !== '').join(' ')),
    );
  return Object.fromEntries(COUNTINGS.map((school) => [school, said(school)]));
}

function asJson(reading: Reading, tune: Tune, leftOut: readonly Notice[]): unknown {
  const note = ({ name, count, bars: where }: Reading['notes']['all'][number]) => ({ note: name, count, bars: where });
  const cost = (size: number): number => Math.round(size * 100) / 100;
  const { notes, elements, signs, form, duet } = reading;
  return {
    title: reading.title,
    bars: tune.bars.filter((bar) => bar.number > 0).length,
    tempo: reading.tempo.perMinute,
    notes: { all: notes.all.map((use) => use.name), new: notes.new.map(note) },
    unplayable: reading.unplayable.map((use) => use.name),
    lookalikes: lookalikesOf(reading),
    mixUps: lettersMixedUp(reading),
    counting: countings(tune),
    elements: { all: elements.all.map((element) => element.id), new: elements.new.map((element) => element.id) },
    signs: { all: signs.all.map((sign) => sign.id), new: signs.new.map((sign) => sign.id) },
    keySignature: reading.keySignature,
    moves: reading.moves.all.map((use) => ({
      from: use.from,
      to: use.to,
      kind: use.move.kind,
      cost: cost(use.costAtTempo),
      count: use.count,
    })),
    hardSpots: reading.hardSpots.map(({ bars: window, hardest, moves, drill }) => ({
      bars: window,
      reason: hardSpotWords(hardest),
      moves,
      drill,
    })),
    form,
    figures: figuresOf(tune).map(({ letter, kind, count, places }) => ({
      letter,
      kind,
      count,
      bars: places.map(({ bars }) => bars),
    })),
    words: reading.sung === null ? null : wordsAsJson(reading, reading.sung),
    breaths: reading.breaths.map((breath) => ({
      afterBar: breath.afterBar,
      afterBeat: breath.afterBeat,
      kind: breath.kind,
      reason: breathWords(breath),
    })),
    difficulty: reading.difficulty,
    keys: reading.keys.map(({ shift, key, newNotes, cost: mean }) => ({ shift, key, newNotes, cost: mean })),
    ...(duet === null ? {} : { duet: duetAsJson(duet) }),
    left: leftOut,
  };
}

/** Pairs of the tune that stand in two octaves, or have two names for one sound. */
function lookalikesOf({ mixUps }: Reading): unknown {
  const here = mixUps.filter((mixUp) => mixUp.bothHere);
  const isApart = ({ pair: [low, high] }: MixUp): boolean => low[0] === high[0] && low.at(-1) !== high.at(-1);
  return {
    octaves: here.filter(isApart).map(({ pair }) => pair),
    spellings: here.filter(({ kind }) => kind === 'fingering').map(({ pair }) => pair),
  };
}

/** Letters that the tune has in two ways, F and F sharp; what the class knows from before is `mixups`' affair. */
function lettersMixedUp({ mixUps, notes }: Reading): unknown {
  const barsOf = (name: string): readonly number[] => notes.all.find((use) => use.name === name)?.bars ?? [];
  return mixUps
    .filter(({ kind, bothHere }) => kind === 'letter' && bothHere)
    .map(({ pair, bars }) => ({
      pair,
      bars,
      letter: pair[0][0],
      notes: pair.map((note) => ({ note, bars: barsOf(note) })),
    }));
}

/** On which word each new note and each hard spot falls, and what is stressed off the beat. */
function wordsAsJson(reading: Reading, sung: Sung): unknown {
  const wordOf = (place: Reading['notes']['all'][number]['places'][number]): string | null =>
    syllableAt(sung, place)?.word ?? null;
  return {
    newNotes: reading.notes.new.map(({ name, places }) => ({ note: name, words: places.map(wordOf) })),
    hardSpots: reading.hardSpots.map(({ bars, place }) => ({ bars, word: wordOf(place) })),
    offBeat: sung.offBeat.map(({ word, syllable, bar }) => ({ word, syllable, bar })),
  };
}

function duetAsJson(duet: NonNullable<Reading['duet']>): unknown {
  const clashes = duet.clashes.map((clash) => ({ ...clash, what: intervalWords(clash.semitones) }));
  return { ...duet, clashes };
}

function inWords(reading: Reading): string {
  const { notes, elements, signs, form, unplayable, duet } = reading;
  const lines = [
    t('read.title-name-per-minute-beats-a', {
      title: reading.title,
      name: reading.keySignature.name,
      perMinute: reading.tempo.perMinute,
      total: reading.difficulty.total,
    }),
    `Notes: ${notes.all.map((use) => use.name).join(' ')}`,
    t('read.new-notes-list', {
      list: notes.new.map((use) => t('read.name-count-times', { name: use.name, n: use.count })).join(', ') || 'none',
    }),
    `Rhythm: ${elements.all.map((element) => elementWords(element.id, 'american')).join(', ')}`,
    `Signs: ${signs.all.map((sign) => signWords(sign.id)).join(', ')}`,
    t('read.learn-distinct-bars-bars-of-all', {
      distinctBars: form.distinctBars,
      allBars: form.allBars,
      list: form.learnBars.join(', '),
      list2: form.lines.map((line) => line.letter).join(' '),
    }),
    ...reading.hardSpots.map((spot) =>
      t('read.hard-bars-hard-spot-drill-at', {
        bars: barRange(spot.bars),
        hardSpot: hardSpotWords(spot.hardest),
        list: spot.drill.ladder.join(', '),
      }),
    ),
    t('read.breathe-after-list', {
      list:
        reading.breaths
          .map((breath) =>
            t('read.bar-after-bar-beat-after-beat', { afterBar: breath.afterBar, afterBeat: breath.afterBeat }),
          )
          .join(', ') || t('read.the-end-only'),
    }),
    ...reading.keys
      .slice(0, 3)
      .map((key) => `Key: ${key.key}, ${shiftWords(key.shift)}, new: ${key.newNotes.join(' ') || 'nothing'}`),
  ];
  for (const mixUp of reading.mixUps)
    lines.push(
      t('read.easily-mixed-up-list-bar-list2', {
        list2: mixUp.bars.join(', '),
        mixUp: mixUpWords(mixUp),
      }),
    );
  if (unplayable.length > 0)
    lines.push(t('read.not-on-this-instrument-list', { list: unplayable.map((use) => use.name).join(' ') }));
  for (const clash of duet?.clashes ?? [])
    lines.push(
      t('read.clash-bar-bar-beat-beat-interval', {
        bar: clash.bar,
        beat: clash.beat,
        interval: intervalWords(clash.semitones),
      }),
    );
  return lines.join('\n');
}
