import { pitch, pitchName, type Pitch, type Tune } from '../music/index.ts';
import { preparation, teachingOrder, toggleSheet } from '../practice/index.ts';
import { readTune } from '../reading/index.ts';
import { barRange } from '../words/index.ts';
import { cautionBlocks } from './class-papers.ts';
import { fingeringChart, holdingBlocks, notePage } from './charts.ts';
import { plainMusic } from './music.ts';
import { namesToWrite } from './note-work.ts';
import { knowledgeOf, NoHandout, said, type HandoutRequest } from './request.ts';
import { handout, section, text, type Answer, type Block, type Handout, type Section } from './sheet.ts';
import { beltName, drawnSteps } from './steps.ts';
import { tuneBlocks, tuneOf } from './tune-sheet.ts';
import { t } from './messages.ts';

const MOST_MOVES = 3;

/** Everything for one step: the new notes, the moves, the drill, the tune, a worksheet. */
export function stepPacket(request: HandoutRequest): Handout {
  const tune = tuneOf(request);
  const news = readTune(tune, request.on, knowledgeOf(request)).notes.new;
  const { made, key } = stepSection(
    { ...request, tune },
    tune.title,
    news.map(({ pitch }) => pitch),
  );
  return handout('step-packet', t('packets.all-for-title', { title: tune.title }), [made], key);
}

type WithTune = HandoutRequest & { readonly tune: Tune };

/** @param request its notes are those that the class has before the step. */
function stepSection(
  request: WithTune,
  title: string,
  newNotes: readonly Pitch[],
): { readonly made: Section; readonly key: readonly Answer[] } {
  const before = request.notes.filter((note) => !newNotes.some((newNote) => pitchName(newNote) === pitchName(note)));
  const known: WithTune = { ...request, notes: before };
  const news = teachingOrder(request.on, before, newNotes);
  const notes = news.flatMap((note, index) => notePage(known, note, [...before, ...news.slice(0, index)]));
  const first = [...notes, ...drillBlocks(known)];
  const all = [...before, ...news];
  const practice = all.length > 1 ? namesToWrite({ ...request, notes: all, count: 8 }) : null;
  return {
    made: section(title, [
      ...first,
      ...(first.length === 0 ? [] : [text(t('packets.the-tune'), 'head')]),
      ...tuneBlocks(known, request.tune, request.breathing),
      ...(practice === null ? [] : [text(t('packets.name-the-notes'), 'head'), practice.row]),
    ]),
    key: practice?.key ?? [],
  };
}

/** The moves of the tune back and forth, and its hard spot. */
function drillBlocks(request: WithTune): readonly Block[] {
  const { tune } = request;
  const reading = readTune(tune, request.on, knowledgeOf(request));
  const moves = preparation(tune, request.on, knowledgeOf(request)).moves.slice(0, MOST_MOVES);
  const [spot] = reading.hardSpots;
  return [
    ...(moves.length === 0
      ? []
      : [
          text(
            t('packets.back-and-forth-list', {
              list: moves.map(({ from, to }) => `${said(request, from)}–${said(request, to)}`).join(', '),
            }),
            'head',
          ),
          {
            kind: 'music' as const,
            music: plainMusic(request, toggleSheet(moves, reading.tempo, t('packets.back-and-forth'))),
          },
        ]),
    ...(spot === undefined ? [] : [text(t('packets.the-hard-spot-bars-slowly-four', { bars: barRange(spot.bars) }))]),
  ];
}

/** The whole staircase as a booklet: cover, contents, each step, the page to sign, chart, cautions. */
export function booklet(request: HandoutRequest): Handout {
  const { schoolClass } = request;
  const steps = schoolClass.steps.flatMap((step) => (step.tune === null ? [] : [{ ...step, tune: step.tune }]));
  if (steps.length === 0) throw new NoHandout(t('packets.the-class-has-no-staircase-with'));
  let known: readonly Pitch[] = [];
  const key: Answer[] = [];
  const pages = steps.map(({ title, tune, breathing, newNotes }, index) => {
    const news = newNotes.map((name) => pitch(name));
    const own = { ...request, notes: known, count: null, seed: request.seed + index };
    const { made, key: answers } = stepSection({ ...own, tune, breathing }, title, news);
    const before = key.length;
    key.push(...answers.map((answer) => ({ ...answer, number: before + answer.number })));
    known = [...known, ...news.filter((note) => !known.some((pitch) => pitchName(pitch) === pitchName(note)))];
    return made;
  });
  const title = t('packets.our-value-book', {
    instrument: request.on.family === 'recorder' ? 'recorder' : t('packets.tin-whistle'),
  });
  const cover = section(
    schoolClass.name,
    [
      { kind: 'space', points: 90 },
      text(schoolClass.school, 'centred'),
      text(title, 'banner'),
      text(schoolClass.name, 'centred'),
      { kind: 'staircase', steps: drawnSteps(request), share: 0.36 },
      { kind: 'space', points: 40 },
      text(t('packets.this-book-belongs-to'), 'centred'),
    ],
    { bare: true },
  );
  const record = section(
    t('packets.what-i-have-passed'),
    [
      {
        kind: 'table',
        columns: [
          { label: t('packets.step'), share: 0.6 },
          { label: t('packets.tune'), share: 3 },
          { label: t('packets.belt'), share: 1.4 },
          { label: t('packets.tempo'), share: 1 },
          { label: t('packets.day'), share: 1.4 },
          { label: t('packets.signed'), share: 2 },
        ],
        rows: schoolClass.steps.map((step, index) => [
          String(index + 1),
          step.title,
          beltName(step.belt),
          String(step.tempo),
          '',
          '',
        ]),
        rowHeight: 26,
      },
    ],
    { nameLine: false },
  );
  const chart = fingeringChart({ ...request, notes: known });
  return handout(
    'booklet',
    `${title}: ${schoolClass.name}`,
    [
      cover,
      section(t('packets.contents'), [{ kind: 'contents' }], { nameLine: false }),
      section(t('packets.how-to-hold-it-and-how'), [...holdingBlocks(request), ...cautionBlocks(schoolClass)], {
        nameLine: false,
      }),
      ...pages,
      record,
      ...chart.sections,
    ],
    key,
  );
}
