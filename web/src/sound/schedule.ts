import { secondsOf, type Beats, type BeatsPerMinute, type Seconds } from '@escalier/core/units';
import type { RepeatWay } from '@escalier/core/practice';
import type { BackingSound, PieceTurn, PlayedBacking, Playback } from '../workers/index.ts';

/** What the player plays. Times from the start. */
export interface Schedule {
  readonly notes: readonly SoundingNote[];
  readonly clicks: readonly { readonly at: Seconds; readonly strong: boolean }[];
  /** What the picture shows from when on: the id of a note on the sheet, a beat of a clock. */
  readonly cues: readonly { readonly at: Seconds; readonly id: string }[];
  /** MIDI number of the note that may sound under all; null where none fits. */
  readonly drone: number | null;
  /** Of clicks before the first note. */
  readonly lead: Seconds;
  readonly length: Seconds;
  /** Bass, chords and percussion that play along. */
  readonly along?: readonly AlongNote[];
}

export interface AlongNote {
  readonly at: Seconds;
  readonly seconds: Seconds;
  readonly midi: number;
  readonly voice: BackingSound['voice'];
  readonly strength: number;
}

export interface SoundingNote {
  readonly at: Seconds;
  readonly seconds: Seconds;
  readonly midi: number;
  /** 0 for the melody, 1 for a second part, which is softer. */
  readonly part: number;
}

export interface Stretch {
  /** Indices of the first and last bar of the sheet; null plays all. */
  readonly bars: readonly [number, number] | null;
  /** From this note or rest of the sheet on, instead. */
  readonly from?: string | null;
  readonly perMinute: BeatsPerMinute;
  readonly countIn: boolean;
  /** What the class does with a section that comes again; played every time where it is not given. */
  readonly repeats?: RepeatWay;
  /** Plays along, with its own count-in. */
  readonly backing?: PlayedBacking | null;
}

/** A staccato space at the end of each note, so that equal notes are heard as two. */
const TONGUE = 0.06;

/** How long a note sounds of the time that is written. */
export function tongued(seconds: Seconds): Seconds {
  return Math.max(0.05, seconds - TONGUE);
}

export function scheduleOf(playback: Playback, stretch: Stretch): Schedule {
  const inSeconds = (beats: Beats): Seconds => secondsOf(beats, stretch.perMinute);
  const [from, to] = boundsOf(playback, stretch);
  const countIn = stretch.countIn ? playback.countIn : [];
  const beat = countIn.length > 1 ? countIn[1]!.start - countIn[0]!.start : 1;
  const lead = inSeconds(countIn.length * beat);
  const within = <Timed extends { readonly start: Beats }>(list: readonly Timed[]): readonly Timed[] =>
    list.filter((each) => each.start >= from - 1e-9 && each.start < to - 1e-9);
  const played = within(playback.notes);
  const at = (start: Beats): Seconds => lead + inSeconds(start - from);
  return {
    lead,
    length: at(to),
    drone: playback.drone,
    notes: sounding(playback, played, stretch).map((note) => ({
      at: at(note.start),
      seconds: note.legato ? inSeconds(note.beats) : tongued(inSeconds(note.beats)),
      midi: note.midi,
      part: note.part,
    })),
    cues: played.filter((note) => note.part === 0).map((note) => ({ at: at(note.start), id: note.id })),
    along: alongOf(stretch.backing ?? null, within, at, inSeconds, stretch.countIn),
    clicks: [
      ...countIn.map((click) => ({ at: inSeconds(click.start), strong: click.strong })),
      ...within(playback.clicks).map((click) => ({ at: at(click.start), strong: click.strong })),
    ],
  };
}

function alongOf(
  backing: PlayedBacking | null,
  within: <Timed extends { readonly start: Beats }>(list: readonly Timed[]) => readonly Timed[],
  at: (start: Beats) => Seconds,
  inSeconds: (beats: Beats) => Seconds,
  countIn: boolean,
): readonly AlongNote[] {
  if (backing === null) return [];
  const sounding = (note: BackingSound, start: Seconds): AlongNote => ({
    at: start,
    seconds: inSeconds(note.beats),
    midi: note.midi,
    voice: note.voice,
    strength: note.strength,
  });
  return [
    ...(countIn ? backing.countIn.map((note) => sounding(note, inSeconds(note.start))) : []),
    ...within(backing.notes).map((note) => sounding(note, at(note.start))),
  ];
}

/** Without the pass of a repeated bar that the class claps, or plays after the teacher: it is only clicked. */
function sounding(
  { bars }: Playback,
  notes: Playback['notes'],
  { repeats = 'play', bars: loop }: Stretch,
): Playback['notes'] {
  if (repeats === 'play' || loop !== null) return notes;
  const passOf = (index: number, until: number): number =>
    bars.slice(0, until + 1).filter((bar) => bar.index === index).length;
  const silent = bars.filter(({ index }, place) => {
    const passes = bars.filter((bar) => bar.index === index).length;
    const isFirst = passOf(index, place) === 1;
    return passes > 1 && (repeats === 'clap-first' ? isFirst : !isFirst);
  });
  return notes.filter(({ start }) => !silent.some((bar) => start >= bar.start - 1e-9 && start < bar.end - 1e-9));
}

/** The first time that the stretch is played. */
function boundsOf(playback: Playback, { bars, from }: Pick<Stretch, 'bars' | 'from'>): readonly [Beats, Beats] {
  const start = playback.events.find((event) => event.id === from)?.start;
  if (start !== undefined) return [start, playback.beats];
  if (bars === null) return [0, playback.beats];
  const first = playback.bars.find((bar) => bar.index === bars[0]);
  const last = playback.bars.find((bar) => bar.index === bars[1] && bar.start >= (first?.start ?? 0));
  return first === undefined || last === undefined ? [0, playback.beats] : [first.start, last.end];
}

const BETWEEN = '|';

/** Which turn a cue belongs to, and the id of its note; turn 0 for cues of a single stretch. */
export function turnOfCue(cue: string): { readonly turn: number; readonly id: string } {
  const [turn, id] = cue.split(BETWEEN);
  return id === undefined ? { turn: 0, id: cue } : { turn: Number(turn), id };
}

/** Turn after turn without a gap, counted in before the first; what the class plays is only clicked. */
export function turnsSchedule(playback: Playback, turns: readonly PieceTurn[]): Schedule {
  const first = turns[0]!;
  const beat = playback.countIn.length > 1 ? playback.countIn[1]!.start - playback.countIn[0]!.start : 1;
  const lead = secondsOf(playback.countIn.length * beat, first.perMinute);
  const parts = turns.map((turn, index) => ({ index, ...turn, span: spanOf(playback, turn) }));
  let now = lead;
  const timed = parts.map((part) => {
    const start = now;
    now += secondsOf(part.span[1] - part.span[0], part.perMinute);
    return { ...part, start };
  });
  const within = <Timed extends { readonly start: Beats }>(
    list: readonly Timed[],
    [from, to]: readonly [Beats, Beats],
  ) => list.filter((each) => each.start >= from - 1e-9 && each.start < to - 1e-9);
  return {
    lead,
    length: now,
    drone: playback.drone,
    notes: timed.flatMap(({ start, span, perMinute, who }) =>
      who === 'class'
        ? []
        : within(playback.notes, span).map((note) => {
            const seconds = secondsOf(note.beats, perMinute);
            return {
              at: start + secondsOf(note.start - span[0], perMinute),
              seconds: note.legato ? seconds : tongued(seconds),
              midi: note.midi,
              part: note.part,
            };
          }),
    ),
    cues: timed.flatMap(({ index, start, span, perMinute }) =>
      within(playback.notes, span)
        .filter((note) => note.part === 0)
        .map((note) => ({
          at: start + secondsOf(note.start - span[0], perMinute),
          id: `${index}${BETWEEN}${note.id}`,
        })),
    ),
    clicks: [
      ...playback.countIn.map((click) => ({ at: secondsOf(click.start, first.perMinute), strong: click.strong })),
      ...timed.flatMap(({ start, span, perMinute }) =>
        within(playback.clicks, span).map((click) => ({
          at: start + secondsOf(click.start - span[0], perMinute),
          strong: click.strong,
        })),
      ),
    ],
  };
}

/** The first time that a piece comes in the performance. */
function spanOf(playback: Playback, { from, to }: PieceTurn): readonly [Beats, Beats] {
  const start = playback.events.find((event) => event.id === from)?.start ?? 0;
  const end = playback.events.find((event) => event.id === to && event.end > start)?.end ?? playback.beats;
  return [start, end];
}
