import type { Tune } from '@escalier/core/music';
import { CHUNK_BEATS, chunkLadder } from '@escalier/core/practice';
import { figuresOf, readTune, type FigurePlace, type Reading } from '@escalier/core/reading';
import { barRange, chunkLine, chunkWords, figureWords, mixUpWords } from '@escalier/core/words';
import { BadInput, type Command } from './command.ts';
import { tuneFromFile } from './files.ts';
import { instrumentOption, knownNotes, tempoOption, wholeNumber } from './options.ts';
import { t } from './messages.ts';

/** The tune of the one file that is named, and its reading for what the class knows. */
async function readFrom(
  words: readonly string[],
  options: Readonly<Record<string, string>>,
): Promise<{ readonly tune: Tune; readonly reading: Reading }> {
  const [file, ...rest] = words;
  if (file === undefined || rest.length > 0) throw new BadInput(t('teaching.name-one-file-to-read'));
  const { tune } = await tuneFromFile(file);
  const reading = readTune(tune, instrumentOption(options.instrument), knownNotes(options.knows), {
    tempo: tempoOption(options.tempo, tune.tempo),
  });
  return { tune, reading };
}

export const chunks: Command = {
  usage: t('teaching.chunks-file-beats-4-instrument-id'),
  about: t('teaching.the-way-through-a-tune-piece'),
  example: t('teaching.chunks-demo-tunes-goose-walk-abc'),
  options: ['beats', 'instrument', 'knows', 'tempo'],
  async run(words, options) {
    const most = CHUNK_BEATS.at(-1)!;
    const beats = wholeNumber(options.beats, t('teaching.number-of-beats'), 1, most);
    const { tune, reading } = await readFrom(words, options);
    const ladder = chunkLadder(tune, reading, beats);
    return {
      text: ladder.map(chunkLine).join('\n'),
      json: {
        title: tune.title,
        chunks: ladder.map(({ bars, starts, times, tempo, why }) => ({
          bars,
          starts,
          times,
          tempo,
          why: chunkWords(why),
        })),
      },
    };
  },
};

export const figures: Command = {
  usage: t('teaching.figures-file'),
  about: t('teaching.what-comes-again-in-a-tune'),
  example: t('teaching.figures-demo-tunes-goose-walk-abc'),
  options: [],
  async run(words, options) {
    const { tune } = await readFrom(words, options);
    const found = figuresOf(tune);
    const place = ({ bars, notes }: FigurePlace) => ({ bars, notes });
    return {
      text: found
        .map(
          (figure) =>
            `${figure.letter} ${figureWords(figure)} ${figure.places.map(({ bars }) => barRange(bars)).join(', ')}`,
        )
        .join('\n'),
      json: {
        title: tune.title,
        figures: found.map(({ letter, kind, count, places, oddOneOut }) => ({
          letter,
          kind,
          count,
          places: places.map(place),
          oddOneOut: oddOneOut === null ? null : place(oddOneOut),
        })),
      },
    };
  },
};

export const mixups: Command = {
  usage: t('teaching.mixups-file-knows-b4-a4-g4'),
  about: t('teaching.pairs-of-notes-to-watch-one'),
  example: t('teaching.mixups-demo-tunes-goose-walk-abc'),
  options: ['knows', 'instrument'],
  async run(words, options) {
    const { tune, reading } = await readFrom(words, options);
    const mixUps = mixUpsAsJson(reading);
    return {
      text: mixUps.map(({ bars, why }) => t('teaching.list-bar-list2-why', { list2: bars.join(', '), why })).join('\n'),
      json: { title: tune.title, mixUps },
    };
  },
};

function mixUpsAsJson({ mixUps }: Reading) {
  return mixUps.map((mixUp) => ({ pair: mixUp.pair, bars: mixUp.bars, kind: mixUp.kind, why: mixUpWords(mixUp) }));
}
