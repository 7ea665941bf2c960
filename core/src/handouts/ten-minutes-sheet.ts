import { FIRST_DAY, tenMinutes, type HomePart } from '../home/index.ts';
import { DEFAULT_CHUNK_BEATS } from '../practice/index.ts';
import { homePartWords } from '../words/index.ts';
import { plainMusic } from './music.ts';
import { knowledgeOf, said, type HandoutRequest } from './request.ts';
import { handout, section, text, type Block, type Handout } from './sheet.ts';
import { tuneBlocks, tuneOf } from './tune-sheet.ts';

const MINUTES = ['', 'one minute', 'two minutes', 'three minutes', 'four minutes', 'five minutes'];

const WEEK = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const DAYS_TO_TICK: Block = {
  kind: 'table',
  columns: WEEK.map((label) => ({ label, share: 1 })),
  rows: [WEEK.map(() => '')],
  rowHeight: 26,
};

/** The practice room on paper: the same parts, with their music and a box to tick for each day. */
export function tenMinutesSheet(request: HandoutRequest): Handout {
  const tune = tuneOf(request);
  const parts = tenMinutes({
    on: request.on,
    tunes: [{ tune, passed: false }],
    now: 0,
    known: knowledgeOf(request),
    chunkBeats: DEFAULT_CHUNK_BEATS,
    task: null,
    progress: FIRST_DAY,
    loved: [],
    day: request.seed,
  });
  return handout('ten-minutes', `Ten minutes at home: ${tune.title}`, [
    section(`Ten minutes at home: ${tune.title}`, [
      text(
        'Left hand on top. Blow gently. Stop for today when ten minutes are over, or sooner when you feel dizzy.',
        'lead',
      ),
      ...parts.flatMap((part, index) => partBlocks({ ...request, tune }, part, index + 1)),
      text('Tick a day when you have practised:', 'head'),
      DAYS_TO_TICK,
    ]),
  ]);
}

function partBlocks(request: HandoutRequest, part: HomePart, number: number): readonly Block[] {
  const tune = tuneOf(request);
  const { title, say } = homePartWords(
    part,
    (name) => said(request, name),
    () => tune.title,
  );
  const minutes = MINUTES[part.minutes] ?? `${part.minutes} minutes`;
  const words = [text(`${number}. ${title} – ${minutes}`, 'head'), text(paperWords(part) ?? say)];
  if (part.kind === 'warm-up' || part.kind === 'hard-spot')
    return [...words, { kind: 'music', music: plainMusic(request, part.sheet, { rows: rowsOf(request) }) }];
  return part.kind === 'whole' ? [...words, ...tuneBlocks(request, tune, request.breathing)] : words;
}

/** Nothing plays first on paper. */
function paperWords(part: HomePart): string | null {
  if (part.kind === 'warm-up') return 'Say the names in the rhythm, then play each bar twice.';
  if (part.kind === 'piece')
    return 'Sing it with the names, finger it silently, then play it three times. It stands below.';
  return part.kind === 'whole' ? 'All of it, without stopping.' : null;
}

function rowsOf({ naming, options }: HandoutRequest) {
  return options.names === 'none' ? [] : [{ kind: naming, fill: options.names }];
}
