import { LOCAL_RULES } from '../practice/index.ts';
import { NoHandout, type HandoutClass, type HandoutPupil, type HandoutRequest } from './request.ts';
import { handout, PLAIN_TILE, section, text, tiles, type Block, type Handout, type Tile } from './sheet.ts';
import { beltName, drawnSteps, stepOfClass } from './steps.ts';
import { LETTERS } from './letters.ts';
import { CERTIFICATE_WORDS, fieldsOf, filledIn } from './templates.ts';
import { t } from './messages.ts';

const MOST_COPIES = 60;

function pupilsOf({ schoolClass }: HandoutRequest): readonly HandoutPupil[] {
  if (schoolClass.pupils.length === 0) throw new NoHandout(t('class-papers.the-class-has-no-pupils-yet'));
  if (schoolClass.pupils.length > MOST_COPIES)
    throw new NoHandout(t('class-papers.at-most-most-copies-pupils-at', { mostCopies: MOST_COPIES }));
  return schoolClass.pupils;
}

/** One for each pupil who has passed something. */
export function certificates(request: HandoutRequest): Handout {
  const { school, steps } = request.schoolClass;
  const able = pupilsOf(request).filter(({ passed }) => passed.length > 0);
  if (able.length === 0) throw new NoHandout(t('class-papers.nobody-in-this-class-has-passed'));
  const stairs = drawnSteps(request);
  const sections = able.map((pupil) => {
    const last = steps[pupil.passed.at(-1)!]!;
    return section(
      pupil.name,
      [
        { kind: 'space', points: 30 },
        text(school, 'centred'),
        text(t('class-papers.certificate'), 'banner'),
        text(filledIn(request.words ?? CERTIFICATE_WORDS, fieldsOf(request, pupil)), 'centred'),
        text(`Belt: ${beltName(last.belt)}. Tune: “${last.title}”.`, 'centred'),
        { kind: 'staircase', steps: pupil.passed.map((step) => stairs[step]!), share: 0.34 },
        { kind: 'space', points: 30 },
        text(t('class-papers.date-signed'), 'centred'),
      ],
      { bare: true },
    );
  });
  return { ...handout('certificate', t('class-papers.certificates'), sections), wide: true };
}

/** A slip for each belt that is to be handed out; where none is, for the last one that each has passed. */
export function beltSlips(request: HandoutRequest): Handout {
  const { schoolClass } = request;
  const due = pupilsOf(request).flatMap((pupil) => {
    const latest = pupil.passed.slice(-1).map((step) => schoolClass.steps[step]!.belt);
    return (pupil.beltsDue.length > 0 ? pupil.beltsDue : latest).map((belt) => ({ pupil, belt }));
  });
  if (due.length === 0) throw new NoHandout(t('class-papers.no-belts-to-hand-out-yet'));
  const slips = due.map(({ pupil, belt }): Tile => {
    const step = schoolClass.steps.find((step) => step.belt === belt);
    return {
      ...PLAIN_TILE,
      label: pupil.name,
      caption: t('class-papers.belt-name-belt-value', {
        beltName: beltName(belt),
        tune: step === undefined ? '' : `: “${step.title}”`,
      }),
    };
  });
  return handout('belt-slips', t('class-papers.belt-slips'), [
    section(t('class-papers.belt-slips'), [tiles(3, slips, { cut: true, height: 84 })], { bare: true }),
  ]);
}

/** Names with boxes to tick, lesson by lesson. */
export function classList(request: HandoutRequest): Handout {
  const { schoolClass } = request;
  const LESSONS = 10;
  const columns = [
    { label: '', share: 0.5 },
    { label: schoolClass.name, share: 4 },
    { label: t('class-papers.no'), share: 1 },
    { label: t('class-papers.steps'), share: 1 },
    ...Array.from({ length: LESSONS }, () => ({ label: ' ', share: 0.8 })),
  ];
  const rows = pupilsOf(request).map((pupil, index) => [
    ...[String(index + 1), pupil.name, pupil.instrumentNumber === null ? '' : String(pupil.instrumentNumber)],
    ...[`${pupil.passed.length}/${schoolClass.steps.length}`, ...Array.from({ length: LESSONS }, () => '')],
  ]);
  return handout('class-list', t('class-papers.class-list-name', { name: schoolClass.name }), [
    section(
      t('class-papers.class-list-name', { name: schoolClass.name }),
      [{ kind: 'table', columns, rows, rowHeight: 21 }],
      { nameLine: false },
    ),
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
    ...schoolClass.steps.map((_, index) => (pupil.passed.includes(index) ? '✓' : '')),
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
  const { words: usual, id } = LETTERS.find((letter) => letter.id === request.letter)!;
  const pupils = pupilsOf(request).filter(({ passed }) => id !== 'pass' || passed.length > 0);
  if (pupils.length === 0) throw new NoHandout(t('class-papers.nobody-in-this-class-has-passed'));
  const sections = pupils.map((pupil) => {
    const lines = filledIn(request.words ?? usual, fieldsOf(request, pupil)).split('\n');
    const blocks = lines.map((line): Block => (line === '' ? { kind: 'space', points: 8 } : text(line, 'lead')));
    return section(t('class-papers.to-the-family-of-name', { name: pupil.name }), blocks, { nameLine: false });
  });
  return handout('family-letter', t('class-papers.letters-to-families'), sections);
}

/** The next lesson for somebody who does not play: what to press and say, and what the children do. */
export function substitutePlan(request: HandoutRequest): Handout {
  const { name, steps, classStep, lesson } = request.schoolClass;
  const pupils = pupilsOf(request);
  if (lesson.length === 0) throw new NoHandout(t('class-papers.there-is-no-lesson-to-plan'));
  const title = t('class-papers.lesson-plan-for-name', { name });
  const step = stepOfClass(request.schoolClass);
  const where =
    step === undefined
      ? ''
      : t('class-papers.they-are-on-step-class-step', {
          classStep: classStep + 1,
          stepsCount: steps.length,
          title: step.title,
        });
  let from = 0;
  const rows = lesson.map(({ title: part, minutes, press, say, children }) => {
    const when = `${from}–${(from += minutes)}`;
    return [when, part, press, say, children];
  });
  return handout('substitute-plan', title, [
    section(
      title,
      [
        text(t('class-papers.n-pupils-where-you-dont-need', { n: pupils.length, where }), 'lead'),
        {
          kind: 'table',
          columns: [
            { label: t('class-papers.minute'), share: 0.7 },
            { label: t('class-papers.part'), share: 1.3 },
            { label: t('class-papers.you-press'), share: 2 },
            { label: t('class-papers.you-say'), share: 2 },
            { label: t('class-papers.the-children'), share: 2.2 },
          ],
          rows,
          rowHeight: 24,
        },
        ...cautionBlocks(request.schoolClass),
        text(t('class-papers.what-was-done'), 'head'),
        { kind: 'lines', count: 4 },
        text(t('class-papers.pupils'), 'head'),
        text(pupils.map((pupil) => pupil.name).join(', ')),
      ],
      { nameLine: false },
    ),
  ]);
}

export function cautionBlocks({ cautions }: HandoutClass): readonly Block[] {
  return cautions.length === 0
    ? []
    : [text(t('class-papers.take-care'), 'head'), ...[...cautions, LOCAL_RULES].map((line) => text(line, 'caution'))];
}

/** The staircase for the wall. */
export function wallPoster(request: HandoutRequest): Handout {
  const steps = drawnSteps(request);
  if (steps.length === 0) throw new NoHandout(t('class-papers.the-class-has-no-staircase-yet'));
  const title = t('class-papers.the-staircase-of-name', { name: request.schoolClass.name });
  const poster = section(title, [{ kind: 'staircase', steps, share: 0.84 }], { nameLine: false });
  return { ...handout('wall-poster', title, [poster]), wide: true };
}

/** For instruments and bags. */
export function labels(request: HandoutRequest): Handout {
  const made = pupilsOf(request).map(({ name, instrumentNumber }): Tile => ({
    ...PLAIN_TILE,
    label: name,
    caption: [request.schoolClass.name, ...(instrumentNumber === null ? [] : [`No. ${instrumentNumber}`])].join(' · '),
  }));
  return handout('labels', t('class-papers.labels'), [
    section(t('class-papers.labels'), [tiles(3, made, { cut: true, height: 62 })], { bare: true }),
  ]);
}
