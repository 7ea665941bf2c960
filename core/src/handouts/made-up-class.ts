import { readAbc } from '../formats/index.ts';
import type { Tune } from '../music/index.ts';
import { instrument } from '../instruments/index.ts';
import { lessonStep, planLesson } from '../lesson/index.ts';
import { USUAL_CAUTIONS, USUAL_LADDER } from '../practice/index.ts';
import { knowledgeFrom, NOTHING_KNOWN, readTune } from '../reading/index.ts';
import { PLAIN_SPEECH, substituteLine, type SubstituteLine } from '../words/index.ts';
import { USUAL_BREATHING, type HandoutClass, type HandoutStep } from './request.ts';

const TUNES: readonly {
  readonly belt: string;
  readonly newNotes: readonly string[];
  readonly rise: number;
  readonly lessons: number;
  readonly abc: string;
}[] = [
  {
    belt: 'straw',
    newNotes: ['B4', 'A4'],
    rise: 2.1,
    lessons: 2,
    abc: 'X:1\nT:Two Windows\nM:4/4\nL:1/4\nQ:1/4=76\nK:G\nB B A2|B B A2|A A B B|A4|]\n',
  },
  {
    belt: 'moss',
    newNotes: ['G4'],
    rise: 2.6,
    lessons: 3,
    abc: 'X:1\nT:Down the Lane\nM:4/4\nL:1/4\nQ:1/4=80\nK:G\nB A G2|B A G2|G A B A|B A G2|]\n',
  },
  {
    belt: 'slate',
    newNotes: ['E4'],
    rise: 3,
    lessons: 3,
    abc: 'X:1\nT:Rain at Noon\nM:3/4\nL:1/4\nQ:1/4=84\nK:G\nG A B|A2 G|E2 G|A3|G A B|A2 G|E2 E|G3|]\n',
  },
  {
    belt: 'heather',
    newNotes: ['D4'],
    rise: 3.4,
    lessons: 4,
    abc: 'X:1\nT:The Long Stair\nM:4/4\nL:1/4\nQ:1/4=88\nK:G\nD E G2|A B A2|G E D2|E G A2|\nD E G2|A B A2|B A G E|G4|]\n',
  },
];

function tuneOf(abc: string): Tune {
  const read = readAbc(abc);
  if (!read.ok) throw new Error(read.error[0]!.message);
  return read.value.tune;
}

const NAMES = ['Abena', 'Bruno', 'Cleo', 'Darja', 'Emil', 'Fenna', 'Goran', 'Hana'];

const CLASS_STEP = 1;
const MINUTES = 40;

/** What a lesson on a step holds for a class that has the one before. */
function lessonOf({ title, tune }: HandoutStep, before: HandoutStep): readonly SubstituteLine[] {
  const on = instrument('soprano-recorder-baroque');
  const known = knowledgeFrom(readTune(before.tune!, on, NOTHING_KNOWN));
  const own = { position: CLASS_STEP + 1, title, rungs: [...USUAL_LADDER], rungsDone: [], easier: null, extra: null };
  const plan = planLesson({
    minutes: MINUTES,
    seed: 1,
    part: 'middle',
    usual: null,
    hearingMinutes: 10,
    queue: [],
    ahead: [],
    behind: [],
    weak: [],
    open: [],
    noteTaught: false,
    playedThrough: true,
    hearsAfterPlaying: true,
    toClean: 0,
    beltsToHand: 0,
    step: lessonStep(tune!, on, known, { ...own, challenge: false }),
  });
  return plan.blocks.map((block) => substituteLine(block, { ...PLAIN_SPEECH, tune: title }));
}

/** A small class of made-up people, to try class papers with. */
export function madeUpClass(): HandoutClass {
  const steps = TUNES.map(({ abc, ...step }): HandoutStep => {
    const tune = tuneOf(abc);
    return { ...step, title: tune.title, tempo: tune.tempo!.perMinute, tune, breathing: USUAL_BREATHING };
  });
  return {
    name: '3 Heron',
    school: 'Osier Bridge School',
    teacher: 'Mara Tillen',
    steps,
    classStep: CLASS_STEP,
    pupils: NAMES.map((name, index) => ({
      name,
      passed: steps.slice(0, index % 4).map((_, step) => step),
      instrumentNumber: index + 1,
      beltsDue: index % 4 === 0 ? [] : [TUNES[(index % 4) - 1]!.belt],
    })),
    lesson: lessonOf(steps[CLASS_STEP]!, steps[0]!),
    cautions: USUAL_CAUTIONS.filter(({ places }) => places.includes('lesson')).map(({ text }) => text),
  };
}
