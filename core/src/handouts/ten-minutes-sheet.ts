import { FIRST_DAY, tenMinutes, type HomePart } from '../home/index.ts';
import { DEFAULT_CHUNK_BEATS } from '../practice/index.ts';
import { homePartWords } from '../words/index.ts';
import { plainMusic } from './music.ts';
import { knowledgeOf, said, type HandoutRequest } from './request.ts';
import { handout, section, text, type Block, type Handout } from './sheet.ts';
import { tuneBlocks, tuneOf } from './tune-sheet.ts';
import { t } from './messages.ts';

const MINUTES = [
  '',
  t('ten-minutes-sheet.one-minute'),
  t('ten-minutes-sheet.two-minutes'),
  t('ten-minutes-sheet.three-minutes'),
  t('ten-minutes-sheet.four-minutes'),
  t('ten-minutes-sheet.five-minutes'),
];

const WEEK = [
  t('ten-minutes-sheet.monday'),
  t('ten-minutes-sheet.tuesday'),
  t('ten-minutes-sheet.wednesday'),
  t('ten-minutes-sheet.thursday'),
  t('ten-minutes-sheet.friday'),
  t('ten-minutes-sheet.saturday'),
  t('ten-minutes-sheet.sunday'),
];
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
  return handout('ten-minutes', t('ten-minutes-sheet.ten-minutes-at-home-title', { title: tune.title }), [
    section(t('ten-minutes-sheet.ten-minutes-at-home-title', { title: tune.title }), [
      text(t('ten-minutes-sheet.left-hand-on-top-blow-gently'), 'lead'),
      ...parts.flatMap((part, index) => partBlocks({ ...request, tune }, part, index + 1)),
      text(t('ten-minutes-sheet.tick-each-day-you-practise'), 'head'),
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
  const minutes = MINUTES[part.minutes] ?? t('ten-minutes-sheet.minutes-minutes', { minutes: part.minutes });
  const words = [text(`${number}. ${title} – ${minutes}`, 'head'), text(paperWords(part) ?? say)];
  if (part.kind === 'warm-up' || part.kind === 'hard-spot')
    return [...words, { kind: 'music', music: plainMusic(request, part.sheet, { rows: rowsOf(request) }) }];
  return part.kind === 'whole' ? [...words, ...tuneBlocks(request, tune, request.breathing)] : words;
}

/** Nothing plays first on paper. */
function paperWords(part: HomePart): string | null {
  if (part.kind === 'warm-up') return t('ten-minutes-sheet.say-the-names-in-the-rhythm');
  if (part.kind === 'piece') return t('ten-minutes-sheet.sing-it-with-the-names-finger');
  return part.kind === 'whole' ? t('ten-minutes-sheet.all-of-it-without-stopping') : null;
}

function rowsOf({ naming, options }: HandoutRequest) {
  return options.names === 'none' ? [] : [{ kind: naming, fill: options.names }];
}
