import { BELTS } from '../staircase/index.ts';
import { LOCAL_RULES } from '../practice/index.ts';
import { pitchName } from '../music/index.ts';
import { listWords, sayNote } from '../words/index.ts';
import { filledIn } from './fields.ts';
import { NoHandout, type HandoutClass, type HandoutPupil, type HandoutRequest } from './request.ts';
import { handout, PLAIN_TILE, section, text, tiles, type Block, type Handout, type Tile } from './sheet.ts';

const MOST_COPIES = 60;

function pupilsOf({ schoolClass }: HandoutRequest): readonly HandoutPupil[] {
  if (schoolClass.pupils.length === 0) throw new NoHandout('The class has no pupils yet.');
  if (schoolClass.pupils.length > MOST_COPIES) throw new NoHandout(`At most ${MOST_COPIES} pupils at once.`);
  return schoolClass.pupils;
}

export const beltName = (id: string): string => BELTS.find((belt) => belt.id === id)?.name ?? id;
const stepsOf = (schoolClass: HandoutClass, pupil: HandoutPupil): number =>
  Math.min(pupil.passedSteps, schoolClass.steps.length);

export const CERTIFICATE_WORDS = '{pupil} has passed {steps} of {class}.';
export const LETTER_WORDS = [
  'Dear family,',
  '',
  'In {class} we are learning “{tune}”. New notes: {notes}. Five minutes a day is enough: the hard bar slowly, then the whole tune.',
  '',
  'Please send the instrument on lesson days, clean and with its bag.',
  '',
  '{teacher}',
].join('\n');

/** One for each pupil who has passed something. */
export function certificates(request: HandoutRequest): Handout {
  const { schoolClass } = request;
  const able = pupilsOf(request).filter((pupil) => pupil.passedSteps > 0);
  if (able.length === 0) throw new NoHandout('Nobody in this class has passed a step yet.');
  const sections = able.map((pupil) => {
    const passed = stepsOf(schoolClass, pupil);
    const last = schoolClass.steps[passed - 1]!;
    const words = filledIn(request.words ?? CERTIFICATE_WORDS, {
      pupil: pupil.name,
      steps: passed === 1 ? '1 step' : `${passed} steps`,
      class: schoolClass.name,
      belt: beltName(last.belt),
      tune: last.title,
      school: schoolClass.school,
      teacher: schoolClass.teacher,
    });
    return section(
      pupil.name,
      [
        { kind: 'space', points: 30 },
        text(schoolClass.school, 'centred'),
        text('Certificate', 'banner'),
        text(words, 'centred'),
        text(`Belt: ${beltName(last.belt)}. Tune: “${last.title}”.`, 'centred'),
        { kind: 'staircase', steps: drawnSteps(schoolClass).slice(0, passed), share: 0.34 },
        { kind: 'space', points: 30 },
        text('Date ____________________      Signed ______________________________', 'centred'),
      ],
      { bare: true },
    );
  });
  return { ...handout('certificate', 'Certificates', sections), wide: true };
}

export function drawnSteps(schoolClass: HandoutClass) {
  return schoolClass.steps.map((step) => ({
    ...{ title: step.title, belt: step.belt, rise: Math.max(0.5, step.rise), lessons: Math.max(1, step.lessons) },
    about: step.newNotes.length === 0 ? '' : `new: ${step.newNotes.map(sayNote).join(', ')}`,
  }));
}

/** A slip for each belt that is to be handed out; where none is, for the last one that each has passed. */
export function beltSlips(request: HandoutRequest): Handout {
  const { schoolClass } = request;
  const due = pupilsOf(request).flatMap((pupil) => {
    const passed = stepsOf(schoolClass, pupil);
    const latest = passed === 0 ? [] : [schoolClass.steps[passed - 1]!.belt];
    return (pupil.beltsDue.length > 0 ? pupil.beltsDue : latest).map((belt) => ({ pupil, belt }));
  });
  if (due.length === 0) throw new NoHandout('No belt is to be handed out yet.');
  const slips = due.map(({ pupil, belt }): Tile => {
    const step = schoolClass.steps.find((each) => each.belt === belt);
    return {
      ...PLAIN_TILE,
      label: pupil.name,
      caption: `${beltName(belt)} belt${step === undefined ? '' : `: “${step.title}”`}`,
    };
  });
  return handout('belt-slips', 'Belt slips', [
    section('Belt slips', [tiles(3, slips, { cut: true, height: 84 })], { bare: true }),
  ]);
}

/** Names with boxes to tick, lesson by lesson. */
export function classList(request: HandoutRequest): Handout {
  const { schoolClass } = request;
  const LESSONS = 10;
  const columns = [
    { label: '', share: 0.5 },
    { label: schoolClass.name, share: 4 },
    { label: 'No.', share: 1 },
    { label: 'Steps', share: 1 },
    ...Array.from({ length: LESSONS }, () => ({ label: ' ', share: 0.8 })),
  ];
  const rows = pupilsOf(request).map((pupil, index) => [
    ...[String(index + 1), pupil.name, pupil.instrumentNumber === null ? '' : String(pupil.instrumentNumber)],
    ...[`${stepsOf(schoolClass, pupil)}/${schoolClass.steps.length}`, ...Array.from({ length: LESSONS }, () => '')],
  ]);
  return handout('class-list', `Class list: ${schoolClass.name}`, [
    section(`Class list: ${schoolClass.name}`, [{ kind: 'table', columns, rows, rowHeight: 21 }], { nameLine: false }),
  ]);
}

/** Pupils against steps: passed ones are ticked, the others wait for a pencil. */
export function board(request: HandoutRequest): Handout {
  const { schoolClass } = request;
  const columns = [
    { label: schoolClass.name, share: 3.4 },
    ...schoolClass.steps.map((_, index) => ({ label: String(index + 1), share: 1 })),
  ];
  const rows = pupilsOf(request).map((pupil) => [
    pupil.name,
    ...schoolClass.steps.map((_, index) => (index < pupil.passedSteps ? '✓' : '')),
  ]);
  const legend = schoolClass.steps.map((step, index) => `${index + 1} ${step.title}`).join('; ');
  return {
    ...handout('board', `Board: ${schoolClass.name}`, [
      section(`Board: ${schoolClass.name}`, [{ kind: 'table', columns, rows, rowHeight: 16 }, text(legend, 'small')], {
        nameLine: false,
      }),
    ]),
    wide: true,
  };
}

/** To each family, in the teacher's words; nothing of other children. */
export function familyLetter(request: HandoutRequest): Handout {
  const { schoolClass } = request;
  const step = schoolClass.steps[Math.min(schoolClass.classStep, schoolClass.steps.length - 1)];
  const title = request.tune?.title ?? step?.title ?? '';
  const notes = step?.newNotes ?? request.notes.map(pitchName);
  const sections = pupilsOf(request).map((pupil) => {
    const words = filledIn(request.words ?? LETTER_WORDS, {
      ...{ pupil: pupil.name, class: schoolClass.name, school: schoolClass.school, teacher: schoolClass.teacher },
      ...{ tune: title, notes: notes.length === 0 ? 'none this time' : listWords(notes.map(sayNote)) },
      steps: `${stepsOf(schoolClass, pupil)} of ${schoolClass.steps.length} steps`,
      belt: beltName(step?.belt ?? ''),
    });
    return section(
      `To the family of ${pupil.name}`,
      words.split('\n').map((line) => (line === '' ? { kind: 'space' as const, points: 8 } : text(line, 'lead'))),
      {
        nameLine: false,
      },
    );
  });
  return handout('family-letter', 'Letters to families', sections);
}

/** What somebody else needs to take the lesson. */
export function substitutePlan(request: HandoutRequest): Handout {
  const { schoolClass } = request;
  pupilsOf(request);
  const step = schoolClass.steps[Math.min(schoolClass.classStep, schoolClass.steps.length - 1)];
  const title = `Lesson plan for ${schoolClass.name}`;
  const parts: readonly (readonly [string, string, string])[] = [
    ['5', 'Hand out', 'Each child has a numbered instrument. Nobody plays one that another has used.'],
    ['5', 'Echo', 'You clap or play a bar, the class answers. Start with one note.'],
    [
      '10',
      'The tune',
      step === undefined
        ? 'A tune that the class knows.'
        : `“${step.title}”: name the notes, finger them silently, then play slowly.`,
    ],
    ['8', 'The hard spot', 'Only the bar where they stop: four times slowly, twice at the tempo.'],
    ['7', 'Together', 'The whole tune, then one that they love.'],
    ['5', 'Collect', 'Wipe, count, put away. Note what was done below.'],
  ];
  return handout('substitute-plan', title, [
    section(
      title,
      [
        text(
          `${schoolClass.pupils.length} pupils. They are on step ${schoolClass.classStep + 1} of ${schoolClass.steps.length}.`,
          'lead',
        ),
        {
          kind: 'table',
          columns: [
            { label: 'Min.', share: 0.6 },
            { label: 'What', share: 1.2 },
            { label: 'How', share: 4 },
          ],
          rows: parts,
          rowHeight: 24,
        },
        ...cautionBlocks(schoolClass),
        text('What was done', 'head'),
        { kind: 'lines', count: 4 },
        text('Pupils', 'head'),
        text(schoolClass.pupils.map((pupil) => pupil.name).join(', ')),
      ],
      { nameLine: false },
    ),
  ]);
}

export function cautionBlocks({ cautions }: HandoutClass): readonly Block[] {
  return cautions.length === 0
    ? []
    : [text('Take care', 'head'), ...[...cautions, LOCAL_RULES].map((line) => text(line, 'caution'))];
}

/** The staircase for the wall. */
export function wallPoster({ schoolClass }: HandoutRequest): Handout {
  if (schoolClass.steps.length === 0) throw new NoHandout('The class has no staircase yet.');
  return {
    ...handout('wall-poster', `The staircase of ${schoolClass.name}`, [
      section(
        `The staircase of ${schoolClass.name}`,
        [{ kind: 'staircase', steps: drawnSteps(schoolClass), share: 0.84 }],
        {
          nameLine: false,
        },
      ),
    ]),
    wide: true,
  };
}

/** For instruments and bags. */
export function labels(request: HandoutRequest): Handout {
  const { schoolClass } = request;
  const made = pupilsOf(request).map((pupil, index): Tile => ({
    ...PLAIN_TILE,
    label: pupil.name,
    caption: `${schoolClass.name} · No. ${pupil.instrumentNumber ?? index + 1}`,
  }));
  return handout('labels', 'Labels', [section('Labels', [tiles(3, made, { cut: true, height: 62 })], { bare: true })]);
}
