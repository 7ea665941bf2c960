import { dirname, join } from 'node:path';
import { LESSON_PARTS, USUAL_PAUSE } from '@escalier/core/calendar';
import { writeTuneFile } from '@escalier/core/formats';
import type { Instrument } from '@escalier/core/instruments';
import {
  backingOf,
  beatOfChord,
  BLOCK_KINDS,
  FEELS,
  hearingReach,
  isPlayedThrough,
  lessonStep,
  LONGEST_LESSON,
  planLesson,
  playAlong,
  SHORTEST_LESSON,
  type LessonFacts,
  type LessonTurn,
} from '@escalier/core/lesson';
import type { Tune } from '@escalier/core/music';
import { RUNG_IDS, USUAL_LADDER } from '@escalier/core/practice';
import { decideGoOn } from '@escalier/core/records';
import {
  DEFAULT_TEMPO,
  joinKnowledge,
  knowledgeFrom,
  NOTHING_KNOWN,
  readTune,
  tuneSeconds,
  type Knowledge,
} from '@escalier/core/reading';
import {
  blockLines,
  blockTitle,
  blockWhyWords,
  goOnWords,
  hearingReachWords,
  otherWayWords,
  leftBehindWords,
  PLAIN_SPEECH,
  substituteLine,
} from '@escalier/core/words';
import { z } from 'zod';
import { BadInput, type Command } from './command.ts';
import { bytesToFile, fileOfShape, tuneFromFile } from './files.ts';
import { DEFAULT_INSTRUMENT, instrumentOption } from './options.ts';
import { t } from './messages.ts';

const kind = z.enum(BLOCK_KINDS);
const rungs = z.array(z.enum(RUNG_IDS)).min(1).max(9);
const move = { from: z.string(), to: z.string() };

const planFile = z.strictObject({
  minutes: z.int().min(SHORTEST_LESSON).max(LONGEST_LESSON),
  seed: z.int().min(0).default(1),
  instrument: z.string().default(DEFAULT_INSTRUMENT),
  /** What the calendar holds for the lesson. */
  part: z.enum(LESSON_PARTS).default('middle'),
  style: z
    .strictObject({
      ladder: rungs.default([...USUAL_LADDER]),
      hearingMinutes: z.int().min(0).max(120).default(10),
      /** Nobody is heard on a step before the class has played its tune through. */
      hearsAfterPlaying: z.boolean().default(true),
      goOn: z
        .discriminatedUnion('kind', [
          z.strictObject({ kind: z.literal('share'), share: z.number().min(1).max(100) }),
          z.strictObject({ kind: z.literal('heard') }),
          z.strictObject({ kind: z.literal('own'), yes: z.boolean() }),
        ])
        .default({ kind: 'share', share: 70 }),
      challenge: z.boolean().default(false),
      usual: z
        .array(z.strictObject({ kind, minutes: z.int().min(1).max(LONGEST_LESSON) }))
        .nullable()
        .default(null),
    })
    .prefault({}),
  /** Files of tunes, the first step first, beside FILE. */
  staircase: z.array(z.string().min(1)).min(1).max(40),
  pupils: z
    .array(
      z.strictObject({
        name: z.string().min(1),
        /** Steps passed, from the bottom. */
        passed: z.int().min(0).max(40),
        heard: z.boolean().default(false),
        nearly: z.boolean().default(false),
        /** Lessons since the last hearing. */
        waited: z.int().min(0).max(200).default(0),
        away: z.boolean().default(false),
      }),
    )
    .max(60)
    .default([]),
  /** Rungs of the practice ladder that the class has done with the tune of its step. */
  done: z.array(z.enum(RUNG_IDS)).default([]),
  /** Whether the new notes of the step were taught; where it is not said, somebody heard on the step tells. */
  noteTaught: z.boolean().optional(),
  open: z.array(z.strictObject({ kind, rungs: rungs.optional() })).default([]),
  weak: z
    .array(
      z.discriminatedUnion('kind', [
        z.strictObject({ kind: z.literal('move'), ...move }),
        z.strictObject({ kind: z.literal('note'), note: z.string() }),
        z.strictObject({ kind: z.literal('rhythm'), element: z.string() }),
      ]),
    )
    .default([]),
  toClean: z.int().min(0).max(100).default(0),
  beltsToHand: z.int().min(0).max(100).default(0),
});
type PlanFile = z.infer<typeof planFile>;

export const plan: Command = {
  usage: t('lesson.plan-file'),
  about: t('lesson.a-lesson-to-the-minute-from'),
  example: t('lesson.plan-lesson-json'),
  options: [],
  async run(words) {
    const [file, ...rest] = words;
    if (file === undefined || rest.length > 0) throw new BadInput(t('lesson.name-one-file-that-tells-the'));
    const read = await fileOfShape(file, planFile);
    const instrument = instrumentOption(read.instrument);
    const tunes = await Promise.all(
      read.staircase.map(async (tune) => (await tuneFromFile(join(dirname(file), tune))).tune),
    );
    return planned(read, instrument, tunes);
  },
};

function planned(read: PlanFile, instrument: Instrument, tunes: readonly Tune[]) {
  const { pupils, style } = read;
  const answers = tunes.map((_, step) =>
    decideGoOn(
      style.goOn,
      pupils.map((pupil) => ({
        id: pupil.name,
        passed: pupil.passed > step,
        heard: pupil.passed > step || (pupil.passed === step && pupil.heard),
      })),
    ),
  );
  const done = answers.findIndex((answer) => !answer.goOn);
  const at = done < 0 ? tunes.length : done;
  const tune = tunes[at];
  const known = tunes
    .slice(0, at)
    .reduce<Knowledge>((so, tune) => joinKnowledge(so, knowledgeFrom(readTune(tune, instrument, so))), NOTHING_KNOWN);
  const here = pupils.filter((pupil) => !pupil.away);
  const isPlayed =
    isPlayedThrough(read.done) || pupils.some(({ passed, heard }) => passed > at || (passed === at && heard));
  const facts: LessonFacts = {
    minutes: read.minutes,
    seed: read.seed,
    part: read.part,
    usual: style.usual,
    hearingMinutes: style.hearingMinutes,
    step:
      tune === undefined
        ? null
        : lessonStep(tune, instrument, known, {
            position: at + 1,
            title: tune.title,
            rungs: style.ladder,
            rungsDone: read.done,
            easier: null,
            extra: null,
            challenge: style.challenge,
          }),
    queue: here
      .filter((pupil) => pupil.passed < tunes.length)
      .toSorted((a, b) => Number(b.nearly) - Number(a.nearly) || b.waited - a.waited)
      .map((pupil): LessonTurn => ({
        pupilId: pupil.name,
        reason: pupil.nearly ? 'ready' : pupil.heard ? 'waited' : 'never',
        seconds: Math.round(secondsOf(tunes[pupil.passed]!)) + USUAL_PAUSE,
        step: pupil.passed + 1,
      })),
    ahead: here.filter((pupil) => pupil.passed > at).map(({ name }) => name),
    behind: here.filter((pupil) => pupil.passed < at).map(({ name }) => name),
    open: read.open.map(({ kind: open, rungs: left }) =>
      left === undefined ? { kind: open } : { kind: open, rungs: left },
    ),
    weak: read.weak,
    noteTaught: read.noteTaught ?? isPlayed,
    playedThrough: isPlayed,
    hearsAfterPlaying: style.hearsAfterPlaying,
    toClean: read.toClean,
    beltsToHand: read.beltsToHand,
  };
  const lesson = planLesson(facts);
  const reach = hearingReach(lesson, facts);
  const speech = { ...PLAIN_SPEECH, tune: tune?.title ?? '' };
  const answer = answers[at] ?? answers.at(-1)!;
  const before = at > 0 ? leftBehindWords(answers[at - 1]!, speech.nameOf) : null;
  let from = 0;
  const blocks = lesson.blocks.map((block) => {
    const start = from;
    from += block.minutes;
    const { kind: name, minutes, slots, others, notes, moves, rungs: planned, bars, tempi } = block;
    return {
      kind: name,
      from: start,
      minutes,
      title: blockTitle(block, speech),
      why: blockWhyWords(block),
      does: blockLines(block, speech),
      notes,
      moves,
      rungs: planned,
      bars,
      tempi,
      others,
      slots: slots?.map(({ pupilId, reason, at: second }) => ({ name: pupilId, reason, second })),
    };
  });
  const goOn = {
    rule: answer.rule.kind,
    goOn: answer.goOn,
    passed: answer.passed,
    heard: answer.heard,
    of: answer.of,
    why: goOnWords(answer),
    holding: answer.holding,
    behind: before,
  };
  return {
    text: [
      goOn.why,
      ...blocks.map((block) =>
        t('lesson.pad-start-minutes-min-title-why', {
          padStart: String(block.from).padStart(3),
          minutes: block.minutes,
          title: block.title,
          why: block.why,
        }),
      ),
    ].join('\n'),
    json: {
      minutes: lesson.minutes,
      step: tune === undefined ? null : { position: at + 1, title: tune.title },
      goOn,
      blocks,
      left: lesson.left,
      hearing:
        reach === null
          ? null
          : {
              ...reach,
              words: hearingReachWords(reach),
              ways: reach.ways.map((way) => ({ ...way, words: otherWayWords(way) })),
            },
      substitute: lesson.blocks.map((block) => substituteLine(block, speech)),
    },
  };
}

function secondsOf(tune: Tune): number {
  return tuneSeconds(tune, tune.tempo ?? DEFAULT_TEMPO);
}

export const backing: Command = {
  usage: t('lesson.backing-file-feel-list-out-file', { list: FEELS.join('|') }),
  about: t('lesson.chords-from-the-tunes-symbols-or'),
  example: t('lesson.backing-demo-tunes-goose-walk-abc'),
  options: ['feel', 'out'],
  async run(words, options) {
    const [file, ...rest] = words;
    if (file === undefined || rest.length > 0) throw new BadInput(t('lesson.name-one-file-with-a-tune'));
    const feel = FEELS.find((each) => each === options.feel);
    if (options.feel !== undefined && feel === undefined)
      throw new BadInput(t('lesson.there-is-no-feel-feel-known', { feel: options.feel, list: FEELS.join(', ') }));
    const { tune } = await tuneFromFile(file);
    const made = backingOf(tune, feel);
    if (options.out !== undefined) {
      if (!/\.midi?$/.test(options.out)) throw new BadInput(t('lesson.out-is-no-midi-file-give', { out: options.out }));
      await bytesToFile(options.out, writeTuneFile(tune, 'mid', { asPlayed: true, along: playAlong(made) }));
    }
    const chords = made.harmony.chords.map((placed) => ({
      bar: tune.bars[placed.barIndex]!.number,
      beat: beatOfChord(tune, placed),
      symbol: placed.chord.symbol,
      notes: placed.chord.names,
    }));
    const { all, explained } = made.harmony.strong;
    return {
      text: [
        t('lesson.title-feel-chords-by-source', { title: tune.title, feel: made.feel, source: made.harmony.source }),
        ...chords.map((chord) =>
          t('lesson.bar-bar-beat-beat-symbol-list', {
            bar: chord.bar,
            beat: chord.beat,
            symbol: chord.symbol,
            list: chord.notes.join(' '),
          }),
        ),
      ].join('\n'),
      json: {
        title: tune.title,
        feel: made.feel,
        feels: made.feels,
        source: made.harmony.source,
        chords,
        explained: all === 0 ? 1 : Math.round((explained / all) * 1000) / 1000,
      },
    };
  },
};
