import { dipsOf, FRAMES_BEFORE, LEVELS_A_FRAME, type Dip } from './dips.ts';
import { median, quantile } from './spread.ts';

export const HOP_SECONDS = 0.008;
const SECONDS_A_READING = HOP_SECONDS / LEVELS_A_FRAME;
/** Frames for which the level of a pitch is read after its end: a loud word or another child may cover a note. */
export const WATCHED_FRAMES = 60;

/** Frames in which one pitch was heard without a break. */
export interface Run {
  readonly state: number;
  /** Number of the first frame. */
  readonly first: number;
  /** Of each frame. */
  readonly cents: number[];
  readonly scores: number[];
  /** Levels of the pitch in dB of full scale, `LEVELS_A_FRAME` a frame, from `FRAMES_BEFORE` frames before the first. */
  readonly levels: number[];
  /** The same from its end on, for `WATCHED_FRAMES` frames. */
  after: number[];
}

/** A note as it was heard. */
export interface HeardNote {
  /** Seconds. */
  readonly onset: number;
  readonly offset: number;
  readonly midi: number;
  /** Above or below the note at A 440. */
  readonly cents: number;
  /** In dB of full scale. */
  readonly level: number;
  /** How much the pitch wavers: the middle half of its frames lies within so many cents. */
  readonly waver: number;
  /** How far the level fell before it, in dB, where it repeats the pitch of the note before without a gap; null elsewhere. */
  readonly dip: number | null;
  /** How well it explains what sounded, 0 to 1. */
  readonly sure: number;
  /** Far under the others: talk, another child, the room. It counts only where the tune has such a note just there. */
  readonly isFaint: boolean;
  /** dB under the louder of the notes that lie near it in pitch: high notes are louder than low ones. */
  readonly under: number;
  /** Small dips within it, which may be soft tongues. */
  readonly softDips: readonly SoftDip[];
}

export interface SoftDip {
  /** Seconds. */
  readonly at: number;
  /** In dB. */
  readonly depth: number;
}

/** Runs this far apart in pitch, in cents, are one note that wavers. */
const SAME_PITCH = 62;
/** Frames of silence that part two notes however alike they are. */
const PARTED = 6;
/** dB that a note may be lower while it is covered, by noise or by another pitch. */
const COVERED = { byNoise: 6, byPitch: 2.5 };
/** dB by which a note is another than the murmur on its pitch before it. */
const LOUDER = 11;
/** dB that the level falls between two notes that are tongued; the softest tongue in the sets is 10. */
const TONGUED = 8;
/** Readings that a soft tongue takes at the most; what is wider is a swell. */
const SOFT_WIDTH = 12;
/** A piece between two tongues is no shorter, in seconds. */
const SHORTEST_TONGUED = 0.08;
/** dB under the louder notes at which something else is heard: talk, another child, the room. */
const BACKGROUND = 13;
/** Seconds of the shortest note. */
const SHORTEST_SECONDS = 0.055;
const NEAR_SEMITONES = 4;
/** dB that low notes may be softer. */
const REGISTERS = 3;
/** Cents from which what wavers is no note: talk, a chair. */
const UNSTEADY = 42;
/** dB under which nothing is kept. */
const FAINTEST = 26;
/** The same where what was heard explains the sound badly. */
const UNSURE = { dB: 9, sure: 0.75 };
/** Two sounds that beat: so many dips of so many dB in a note's readings around, each this narrow; or a pitch that wavers by so many cents. */
const BEAT = { depth: 4, dips: 4, readings: 85, width: 5, waver: 15 };

interface Span {
  readonly first: number;
  readonly last: number;
  readonly cents: number[];
  readonly scores: number[];
  readonly dip: number | null;
  readonly levels: readonly number[];
  readonly soft: readonly Dip[];
  /** Of the run that it is cut from. */
  readonly runFirst: number;
}

/** Notes from runs: what wavers is joined, what is tongued anew is parted. @param timeOf seconds of a frame. */
export function notesOf(runs: readonly Run[], timeOf: (frame: number) => number): HeardNote[] {
  const notes = joined(runs)
    .flatMap(parted)
    .map((span) => noteOf(span, timeOf))
    .filter((note) => note.offset - note.onset > SHORTEST_SECONDS && note.waver < UNSTEADY);
  const loud = quantile(
    notes.map(({ level }) => level),
    0.75,
  );
  return notes
    .filter(({ level }) => loud - level < FAINTEST)
    .map((note) => {
      const near = notes.filter(({ midi }) => Math.abs(midi - note.midi) <= NEAR_SEMITONES).map(({ level }) => level);
      return {
        ...note,
        isFaint: loud - note.level >= (note.sure < UNSURE.sure ? UNSURE.dB : BACKGROUND),
        under: Math.max(quantile(near, 0.75), loud - REGISTERS) - note.level,
      };
    });
}

/** Cents that notes are above A 440 together: the middle of how far each is from the nearest note. */
export function tuningOf(notes: readonly HeardNote[]): number {
  let [x, y] = [0, 0];
  for (const { cents, onset, offset } of notes) {
    const angle = (cents / 100) * 2 * Math.PI;
    x += Math.cos(angle) * (offset - onset);
    y += Math.sin(angle) * (offset - onset);
  }
  if (x === 0 && y === 0) return 0;
  const middle = (Math.atan2(y, x) / (2 * Math.PI)) * 100;
  const off = notes.map(({ cents }) => cents - middle - 100 * Math.round((cents - middle) / 100));
  return middle + median(off);
}

function joined(runs: readonly Run[]): Run[] {
  const out: Run[] = [];
  for (const run of runs) {
    const at = out.findLastIndex((before) => goesOn(before, run));
    const before = out[at];
    if (before === undefined || !isOne(before, run, at < out.length - 1)) {
      out.push({ ...run, cents: [...run.cents], scores: [...run.scores], levels: [...run.levels] });
      continue;
    }
    // What sounded meanwhile came from somebody else.
    out.length = at + 1;
    const gap = run.first - endOf(before);
    const seam = (before.cents.length + FRAMES_BEFORE) * LEVELS_A_FRAME;
    const between = before.after.slice(0, gap * LEVELS_A_FRAME);
    before.levels.length = Math.min(before.levels.length, seam);
    append(before.levels, between);
    append(before.levels, run.levels.slice(FRAMES_BEFORE * LEVELS_A_FRAME));
    for (let frame = 0; frame < gap; frame++) {
      before.cents.push(run.cents[0]!);
      before.scores.push(0);
    }
    append(before.cents, run.cents);
    append(before.scores, run.scores);
    before.after = run.after;
  }
  return out;
}

/** However many: what is spread into a call must fit the stack. */
function append(to: number[], more: readonly number[]): void {
  for (const each of more) to.push(each);
}

const endOf = (run: Run): number => run.first + run.cents.length;

function goesOn(before: Run, run: Run): boolean {
  return (
    run.first - endOf(before) <= WATCHED_FRAMES && Math.abs(median(before.cents) - median(run.cents)) <= SAME_PITCH
  );
}

/** Whether a pitch went on until it was heard again. @param covered another pitch was heard meanwhile. */
function isOne(before: Run, run: Run, covered: boolean): boolean {
  const gap = run.first - endOf(before);
  if (median(run.levels) - median(before.levels) > LOUDER) return false;
  if (gap <= PARTED && !covered) return true;
  const least = Math.min(...before.after.slice(0, gap * LEVELS_A_FRAME));
  return least > median(before.levels) - (covered ? COVERED.byPitch : COVERED.byNoise);
}

function parted(run: Run): Span[] {
  const dips = dipsOf(run.levels);
  const wavers = quantile(run.cents, 0.75) - quantile(run.cents, 0.25) > BEAT.waver;
  const beats = (dip: Dip): boolean =>
    dip.width <= BEAT.width &&
    (wavers ||
      dips.filter(
        (each) =>
          Math.abs(each.at - dip.at) <= BEAT.readings / 2 && each.width <= BEAT.width && each.depth >= BEAT.depth,
      ).length >= BEAT.dips);
  const shortest = SHORTEST_TONGUED / SECONDS_A_READING;
  const end = (run.cents.length + FRAMES_BEFORE) * LEVELS_A_FRAME;
  const cuts: Dip[] = [];
  for (const dip of dips) {
    const isAtEdge = end - dip.at < shortest || dip.at - FRAMES_BEFORE * LEVELS_A_FRAME < shortest;
    if (dip.depth < TONGUED || beats(dip) || isAtEdge) continue;
    const last = cuts.at(-1);
    if (last === undefined || dip.at - last.at >= shortest) cuts.push(dip);
    else if (dip.depth > last.depth) cuts[cuts.length - 1] = dip;
  }
  const soft = dips.filter((dip) => !cuts.includes(dip) && !beats(dip) && dip.width <= SOFT_WIDTH);
  const spans: Span[] = [];
  let from = 0;
  let dip: number | null = null;
  for (const cut of [...cuts, null]) {
    const to = cut === null ? run.cents.length : frameOf(cut.at);
    if (to - from > 0)
      spans.push({
        first: run.first + from,
        last: run.first + to,
        dip,
        cents: run.cents.slice(from, to),
        scores: run.scores.slice(from, to),
        soft: soft.filter(({ at }) => frameOf(at) > from && frameOf(at) < to),
        runFirst: run.first,
        levels: run.levels.slice((from + FRAMES_BEFORE) * LEVELS_A_FRAME, (to + FRAMES_BEFORE) * LEVELS_A_FRAME),
      });
    from = to;
    dip = cut?.depth ?? null;
  }
  return spans;
}

/** Frame of a run in which a reading of its level lies. */
const frameOf = (at: number): number => Math.round(at / LEVELS_A_FRAME) - FRAMES_BEFORE;

function noteOf(span: Span, timeOf: (frame: number) => number): HeardNote {
  const pitch = median(span.cents);
  const midi = Math.round(pitch / 100);
  return {
    onset: timeOf(span.first),
    offset: timeOf(span.last),
    midi,
    cents: pitch - midi * 100,
    level: median(span.levels),
    waver: quantile(span.cents, 0.75) - quantile(span.cents, 0.25),
    dip: span.dip,
    sure: median(span.scores),
    isFaint: false,
    under: 0,
    softDips: span.soft.map(({ at, depth }) => ({ at: timeOf(span.runFirst + frameOf(at)), depth })),
  };
}
