import { parsePitch, pitchName, type Pitch } from '../music/index.ts';
import { preparation, toggleSheet } from '../practice/index.ts';
import { readTune } from '../reading/index.ts';
import { barRange, sayNote } from '../words/index.ts';
import { beltName, cautionBlocks, drawnSteps } from './class-papers.ts';
import { fingeringChart, holdingBlocks, notePage } from './charts.ts';
import { plainMusic } from './music.ts';
import { noteNames } from './note-work.ts';
import { knowledgeOf, NoHandout, type HandoutRequest, type HandoutStep } from './request.ts';
import { handout, section, text, type Answer, type Block, type Handout, type Section } from './sheet.ts';
import { tuneBlocks, tuneOf } from './tune-sheet.ts';

const MOST_MOVES = 3;

const pitchesOf = (names: readonly string[]): readonly Pitch[] => names.flatMap((name) => parsePitch(name) ?? []);

/** Everything for one step: the new notes, the moves, the drill, the tune, a worksheet. */
export function stepPacket(request: HandoutRequest): Handout {
  const tune = tuneOf(request);
  const { sections, key } = stepSections(request, {
    ...{ title: tune.title, belt: '', lessons: 1, rise: 1, tempo: 80 },
    newNotes: readTune(tune, request.on, knowledgeOf(request)).notes.new.map(({ name }) => name),
    tune,
  });
  return handout('step-packet', `All for “${tune.title}”`, sections, key);
}

function stepSections(
  request: HandoutRequest,
  step: HandoutStep,
): { readonly sections: readonly Section[]; readonly key: readonly Answer[] } {
  const { tune } = step;
  const news = pitchesOf(step.newNotes);
  const before = request.notes.filter((note) => !step.newNotes.includes(pitchName(note)));
  const now: HandoutRequest = { ...request, notes: [...before, ...news] };
  if (tune === null) return { sections: [], key: [] };
  const drills = drillBlocks({ ...now, notes: before }, tune);
  const notes = news.flatMap((note) => notePage(now, note, before));
  const practice = now.notes.length > 1 ? noteNames({ ...now, seed: now.seed + step.title.length, count: 8 }) : null;
  const worksheet = practice === null ? [] : [text('Name the notes', 'head'), ...practice.sections[0]!.blocks.slice(1)];
  return {
    sections: [
      section(step.title, [
        ...notes,
        ...drills,
        ...(notes.length + drills.length === 0 ? [] : [text('The tune', 'head')]),
        ...tuneBlocks({ ...request, notes: before }, tune),
        ...worksheet,
      ]),
    ],
    key: practice?.key ?? [],
  };
}

/** The moves of the tune back and forth, and its hard spot. */
function drillBlocks(request: HandoutRequest, tune: HandoutRequest['tune'] & object): readonly Block[] {
  const reading = readTune(tune, request.on, knowledgeOf(request));
  const moves = preparation(tune, request.on, knowledgeOf(request)).moves.slice(0, MOST_MOVES);
  const [spot] = reading.hardSpots;
  const bars = spot?.bars;
  return [
    ...(moves.length === 0
      ? []
      : [
          text(`Back and forth: ${moves.map(({ from, to }) => `${sayNote(from)}–${sayNote(to)}`).join(', ')}`, 'head'),
          { kind: 'music' as const, music: plainMusic(request, toggleSheet(moves, reading.tempo, 'Back and forth')) },
        ]),
    ...(bars === undefined
      ? []
      : [text(`The hard spot, ${barRange(bars)}: slowly, four times right, then a little faster.`)]),
  ];
}

/** The whole staircase as a booklet: cover, contents, each step, the page to sign, chart, cautions. */
export function booklet(request: HandoutRequest): Handout {
  const { schoolClass } = request;
  const steps = schoolClass.steps.filter((step) => step.tune !== null);
  if (steps.length === 0) throw new NoHandout('The class has no staircase with tunes yet.');
  let known: readonly Pitch[] = [];
  const key: Answer[] = [];
  const pages = steps.flatMap((step) => {
    const made = stepSections({ ...request, notes: known, count: null }, step);
    key.push(...made.key.map((answer) => ({ ...answer, number: key.length + answer.number })));
    const news = pitchesOf(step.newNotes).filter((note) => !known.some((each) => pitchName(each) === pitchName(note)));
    known = [...known, ...news];
    return made.sections;
  });
  const title = `Our ${request.on.family === 'recorder' ? 'recorder' : 'tin whistle'} book`;
  const cover = section(
    schoolClass.name,
    [
      { kind: 'space', points: 90 },
      text(schoolClass.school, 'centred'),
      text(title, 'banner'),
      text(schoolClass.name, 'centred'),
      { kind: 'staircase', steps: drawnSteps(schoolClass), share: 0.36 },
      { kind: 'space', points: 40 },
      text('This book belongs to ________________________________', 'centred'),
    ],
    { bare: true },
  );
  const record = section(
    'What I have passed',
    [
      {
        kind: 'table',
        columns: [
          { label: 'Step', share: 0.6 },
          { label: 'Tune', share: 3 },
          { label: 'Belt', share: 1.4 },
          { label: 'Tempo', share: 1 },
          { label: 'Day', share: 1.4 },
          { label: 'Signed', share: 2 },
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
      section('What is in it', [{ kind: 'contents' }], { nameLine: false }),
      section('How to hold and to blow', [...holdingBlocks(request), ...cautionBlocks(schoolClass)], {
        nameLine: false,
      }),
      ...pages,
      record,
      ...chart.sections,
    ],
    key,
  );
}
