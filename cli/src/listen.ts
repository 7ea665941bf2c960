import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import {
  assess,
  hearNotes,
  listenTo,
  PLAIN_RULE,
  propose,
  readWav,
  type Assessment,
  type Sound,
  type Track,
  type TuneScore,
} from '@escalier/core/listening';
import { quartersPerMinute } from '@escalier/core/music';
import { beatsOf, listenedWords, sayNote, WAV_WORDS } from '@escalier/core/words';
import { z } from 'zod';
import { BadInput, type Command } from './command.ts';
import { bytesFromFile, fileOfShape, jsonToFile, tuneFromFile } from './files.ts';
import { instrumentOption, tempoOption } from './options.ts';
import { t } from './messages.ts';

export const listen: Command = {
  usage: t('listen.listen-file-wav-tune-tune-instrument'),
  about: t('listen.what-was-played-held-against-a'),
  example: t('listen.listen-playing-wav-tune-demo-tunes'),
  options: ['tune', 'instrument', 'tempo', 'set', 'out'],
  async run(words, options) {
    const { set, out, tune } = options;
    if (set !== undefined) {
      if (out === undefined || words.length > 0) throw new BadInput(t('listen.name-the-folder-to-write-into'));
      return heardSet(set, out);
    }
    const [file, ...rest] = words;
    if (file === undefined || rest.length > 0 || tune === undefined)
      throw new BadInput(t('listen.name-one-wav-file-and-the'));
    return heardFile(file, options as typeof options & { tune: string });
  },
};

async function soundFrom(file: string): Promise<Sound> {
  const read = readWav(await bytesFromFile(file));
  if (!read.ok) throw new BadInput(`${file}: ${WAV_WORDS[read.error]}`);
  return read.value;
}

async function heardFile(file: string, options: Readonly<Record<string, string>> & { readonly tune: string }) {
  const instrument = instrumentOption(options.instrument);
  const { tune } = await tuneFromFile(options.tune);
  const asked = tempoOption(options.tempo, tune.tempo);
  const { samples, rate, deadSide } = await soundFrom(file);
  const rule = { ...PLAIN_RULE, tempo: asked === undefined ? null : quartersPerMinute(asked) };
  const listened = listenTo(hearNotes(samples, rate), tune, instrument, rule);
  const { track, assessment, proposal, score } = listened;
  const text = listenedWords(listened, { tune, on: instrument, say: sayNote });
  return {
    text: `${proposal.outcome ?? t('listen.cannot-judge')}: ${text}`,
    json: {
      text,
      proposal: proposal.outcome,
      unclear: proposal.unclear,
      sure: proposal.sure,
      remarks: proposal.remarks,
      reasons: proposal.reasons,
      practise: proposal.practise === null ? null : tune.bars[score.notes[proposal.practise]!.barIndex]!.number,
      tempo: assessment.tempo === null ? null : beatsOf(assessment.tempo, tune),
      tuning: track.tuning,
      moved: assessment.moved,
      seconds: track.seconds,
      deadSide,
      notes: track.notes,
      verdicts: assessment.verdicts.map((verdict, index) => ({
        bar: tune.bars[score.notes[index]!.barIndex]!.number,
        asked: score.notes[index]!.midi,
        ...verdict,
      })),
      extras: assessment.extras,
      restarts: assessment.restarts,
      hesitations: assessment.hesitations,
    },
  };
}

const scoreFile = z.object({
  score: z.object({
    timeSignature: z.string().regex(/^[1-9]\d*\/[1-9]\d*$/),
    tempoBpm: z.number().positive(),
    pickupBeats: z.number().min(0),
    notes: z
      .array(z.object({ onsetBeat: z.number(), durBeats: z.number().positive(), midi: z.int().min(0).max(127) }))
      .min(1)
      .max(2000),
  }),
});

/** For each ID.wav with its ID.json: notes/ID.json and assess/ID.json. */
async function heardSet(set: string, out: string) {
  const files = await readdir(set).catch(() => {
    throw new BadInput(t('listen.the-folder-set-cannot-be-read', { set }));
  });
  const ids = files.filter((file) => file.endsWith('.wav') && files.includes(file.replace(/wav$/, 'json')));
  if (ids.length === 0) throw new BadInput(t('listen.there-is-no-id-wav-with', { set }));
  let seconds = 0;
  for (const file of ids.toSorted()) {
    const id = file.replace(/\.wav$/, '');
    const score = await scoreFrom(join(set, `${id}.json`));
    const { samples, rate } = await soundFrom(join(set, file));
    const track = hearNotes(samples, rate);
    const assessment = assess(track, score);
    seconds += track.seconds;
    const notes = track.notes
      .filter(({ isFaint }) => !isFaint)
      .map(({ onset, offset, midi, cents }) => ({ onset, offset, midi, cents }));
    await jsonToFile(join(out, 'notes', `${id}.json`), { notes, tuning: track.tuning });
    await jsonToFile(join(out, 'assess', `${id}.json`), told(track, score, assessment));
  }
  return {
    text: t('listen.ids-count-recordings-heard-number-seconds', { idsCount: ids.length, number: Math.round(seconds) }),
    json: { heard: ids.length, seconds },
  };
}

async function scoreFrom(file: string): Promise<TuneScore> {
  const { timeSignature, tempoBpm, pickupBeats, notes } = (await fileOfShape(file, scoreFile)).score;
  const [count, unit] = timeSignature.split('/').map(Number) as [number, number];
  const bar = (4 * count) / unit;
  return {
    tempo: tempoBpm,
    notes: notes.map(({ onsetBeat, durBeats, midi }, index) => {
      const inBars = (onsetBeat - pickupBeats) / bar;
      return {
        onset: onsetBeat,
        duration: durBeats,
        midi,
        unsigned: null,
        isStart: index === 0 || Math.abs(inBars - Math.round(inBars)) < 1e-6,
        barIndex: Math.max(0, Math.floor(inBars + 1e-6)),
        eventIndex: index,
      };
    }),
  };
}

function told(track: Track, score: TuneScore, assessment: Assessment) {
  const { outcome } = propose(track, score, assessment, PLAIN_RULE);
  return {
    verdicts: assessment.verdicts.map(({ kind }, i) => ({ i, verdict: kind === 'right' ? 'correct' : kind })),
    extras: assessment.extras.map(({ heard, kind }) => ({
      onset: track.notes[heard]!.onset,
      midi: track.notes[heard]!.midi,
      kind,
    })),
    tempoBpm: assessment.tempo,
    tuningCents: track.tuning,
    proposal: outcome ?? 'cannot-judge',
  };
}
