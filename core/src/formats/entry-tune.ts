import {
  add,
  barLength,
  beatLength,
  compare,
  makeTune,
  multiply,
  PLAIN_BAR,
  PLAIN_NOTE,
  PLAIN_REST,
  rational,
  subtract,
  valueLength,
  valuesOfLength,
  ZERO,
  type Bar,
  type Rational,
  type Result,
  type Syllable,
  type Tune,
  type TuneEvent,
  type TuneProblem,
} from '../music/index.ts';
import { writeAbc } from './abc/write-abc.ts';
import { EMPTY_ENTRY, type Entry, type EntryEvent } from './entry.ts';

interface OpenBar {
  events: TuneEvent[];
  filled: Rational;
  /** Of a full bar, or the pickup. */
  readonly room: Rational;
  frame: Partial<Bar>;
}

/** Where each typed event begins on the sheet: the bar and the event in it. */
export interface EntryPlace {
  readonly barIndex: number;
  readonly eventIndex: number;
}

export interface EntryTune {
  readonly tune: Tune;
  /** One for each event, in their order. */
  readonly places: readonly EntryPlace[];
}

/** The tune that was typed; a last bar that is not full stays short. The error says why it is none yet. */
export function tuneOfEntry(entry: Entry): Result<EntryTune, readonly TuneProblem[]> {
  const { key, metre, pickup } = entry;
  const full = barLength(metre);
  const beat = beatLength(metre);
  const open = (room: Rational): OpenBar => ({ events: [], filled: ZERO, room, frame: {} });
  const upbeat = multiply(beat, rational(Math.round(pickup * 4), 4));
  const bars: OpenBar[] = [open(pickup > 0 && compare(upbeat, full) < 0 ? upbeat : full)];
  const places: EntryPlace[] = [];
  const syllables = syllablesOf(entry.words);
  let struck = 0;
  let tiedInto = false;
  for (const event of entry.events) {
    if (compare(bars.at(-1)!.filled, bars.at(-1)!.room) >= 0) bars.push(open(full));
    const bar = bars.at(-1)!;
    places.push({ barIndex: bars.length - 1, eventIndex: bar.events.length });
    if (event.repeatStart) bar.frame = { ...bar.frame, repeatStart: true };
    const isStruck = event.pitch !== null && !tiedInto;
    put(bars, open, full, event, isStruck ? (syllables[struck] ?? null) : null);
    if (isStruck) struck += 1;
    tiedInto = event.pitch !== null && event.tied;
    const last = bars.at(-1)!;
    if (event.repeatEnd) last.frame = { ...last.frame, timesPlayed: 2 };
    if (event.lineEnd) last.frame = { ...last.frame, lineEnd: true };
  }
  const made = makeTune({
    title: entry.title.trim() === '' ? EMPTY_ENTRY.title : entry.title.trim(),
    composer: entry.composer.trim(),
    source: '',
    licence: '',
    tags: [],
    otherTitles: [],
    tempo: { beat, perMinute: entry.perMinute },
    bars: bars.map(({ frame }, index) => ({
      ...PLAIN_BAR,
      ...frame,
      key,
      metre,
      barline: index === bars.length - 1 ? ('final' as const) : ('single' as const),
    })),
    parts: [{ name: '', bars: bars.map(({ events }) => events) }],
  });
  return made.ok ? { ok: true, value: { tune: made.value, places } } : made;
}

/** Puts an event into its bar; what does not fit goes into the next, tied. */
function put(
  bars: OpenBar[],
  open: (room: Rational) => OpenBar,
  full: Rational,
  { pitch, value, tied, chord }: EntryEvent,
  syllable: Syllable | null,
): void {
  const written = valueLength(value);
  let rest = written;
  let isFirst = true;
  while (rest.num > 0) {
    const bar = bars.at(-1)!;
    const room = subtract(bar.room, bar.filled);
    const isWhole = isFirst && compare(rest, room) <= 0;
    const length = compare(rest, room) <= 0 ? rest : room;
    const values = isWhole ? [value] : (valuesOfLength(length) ?? [value]);
    rest = subtract(rest, length);
    for (const [index, each] of values.entries()) {
      const isEnd = rest.num === 0 && index === values.length - 1;
      const symbol = isFirst && index === 0 ? chord : null;
      bar.events.push(
        pitch === null
          ? { ...PLAIN_REST, value: each, chordSymbol: symbol }
          : {
              ...PLAIN_NOTE,
              value: each,
              pitch,
              chordSymbol: symbol,
              tied: !isEnd || tied,
              syllables: syllable !== null && isFirst && index === 0 ? [syllable] : [],
            },
      );
    }
    bar.filled = add(bar.filled, length);
    isFirst = false;
    if (rest.num > 0) bars.push(open(full));
  }
}

/** One for each note that is struck; null where a note has none. */
function syllablesOf(words: string): readonly (Syllable | null)[] {
  return words
    .trim()
    .split(/\s+/)
    .filter((word) => word !== '')
    .flatMap((word): (Syllable | null)[] => {
      if (/^[*_]+$/.test(word)) return [...word].map(() => null);
      const parts = word.split('-').filter((part) => part !== '');
      return parts.flatMap((part, index): (Syllable | null)[] => {
        const held = /_+$/.exec(part)?.[0].length ?? 0;
        const text = part.replace(/_+$/, '');
        const end = index < parts.length - 1 || word.endsWith('-') ? 'join' : held > 0 ? 'hold' : 'word';
        return [{ text, end }, ...Array.from({ length: held }, () => null)];
      });
    });
}

/** A stored tune as an entry, to be changed by keys; null for one that has more than an entry can hold. */
export function entryOf(tune: Tune): Entry | null {
  const [first] = tune.bars;
  if (first === undefined || tune.parts.length > 1) return null;
  const { bars } = tune.parts[0];
  const beat = beatLength(first.metre);
  const upbeat = first.number === 0 ? bars[0]!.reduce((sum, event) => add(sum, valueLength(event.value)), ZERO) : ZERO;
  const events = bars.flatMap((bar, index) =>
    bar.map((event, place): EntryEvent => {
      const frame = tune.bars[index]!;
      const isLast = place === bar.length - 1;
      return {
        pitch: event.kind === 'note' ? event.pitch : null,
        value: event.value,
        tied: event.kind === 'note' && event.tied,
        chord: event.chordSymbol,
        repeatStart: place === 0 && frame.repeatStart,
        repeatEnd: isLast && frame.timesPlayed === 2,
        lineEnd: isLast && frame.lineEnd,
      };
    }),
  );
  const entry: Entry = {
    title: tune.title,
    composer: tune.composer,
    key: first.key,
    metre: first.metre,
    perMinute: tune.tempo?.perMinute ?? EMPTY_ENTRY.perMinute,
    pickup: (upbeat.num * beat.den) / (upbeat.den * beat.num),
    events,
    cursor: events.length,
    value: EMPTY_ENTRY.value,
    words: wordsOf(tune),
  };
  const again = tuneOfEntry(entry);
  const asEntered = { ...tune, source: '', licence: '', tags: [], otherTitles: [] };
  return again.ok && writeAbc(again.value.tune) === writeAbc(asEntered) ? entry : null;
}

function wordsOf({ parts: [first] }: Tune): string {
  const texts: string[] = [];
  let joins = false;
  let tiedInto = false;
  for (const event of first.bars.flat()) {
    if (event.kind === 'rest') {
      tiedInto = false;
      continue;
    }
    if (!tiedInto) {
      const syllable = event.syllables[0] ?? null;
      const text = syllable === null ? '*' : `${syllable.text}${syllable.end === 'hold' ? '_' : ''}`;
      if (joins) texts[texts.length - 1] += text;
      else texts.push(text);
      joins = syllable?.end === 'join';
      if (joins) texts[texts.length - 1] += '-';
    }
    tiedInto = event.tied;
  }
  return texts
    .join(' ')
    .replace(/( \*)+$/, '')
    .replace(/^(\*( |$))+$/, '');
}
