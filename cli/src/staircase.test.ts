import { cp, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { escalier } from './escalier.ts';

const SHIPPED = fileURLToPath(new URL('../../demo/tunes', import.meta.url));
const NAMES = [
  'one-boot',
  'doorbell',
  'paper-planes',
  'three-lanterns',
  'goose-walk',
  'seven-swans',
  'boat-in-harbour',
];

interface Answer {
  readonly objective: { readonly total: number; readonly parts: Readonly<Record<string, number>> };
  readonly exact: boolean;
  readonly steps: readonly {
    readonly tune: string;
    readonly new: Readonly<Record<'notes' | 'elements' | 'signs' | 'moves', readonly string[]>>;
    readonly rise: number;
    readonly why: string;
    readonly alternatives: readonly { readonly tune: string; readonly total: number }[];
  }[];
  readonly findings: readonly {
    readonly step: number | null;
    readonly kind: string;
    readonly text: string;
    readonly remedy: string;
  }[];
  readonly left: readonly { readonly tune: string; readonly why: string }[];
}

let folder: string;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'escalier-stairs-'));
  for (const name of NAMES) await cp(join(SHIPPED, `${name}.abc`), join(folder, `${name}.abc`));
  await writeFile(join(folder, 'no-tune.abc'), 'nothing');
  await writeFile(join(folder, 'deep.abc'), 'X:1\nT:Deep\nM:4/4\nL:1/4\nK:C\nC, C, C,2|C,4|]\n');
});

afterAll(() => rm(folder, { recursive: true }));

const run = async (...argv: string[]): Promise<Answer> => {
  const { out } = await escalier(['staircase', ...argv, '--tunes', folder, '--order', 'B4,A4,G4,E4,D4', '--json']);
  return JSON.parse(out) as Answer;
};
const refused = async (...argv: string[]): Promise<string> => (await escalier(['staircase', ...argv])).err;

describe('escalier staircase', () => {
  it('builds the best staircase and says why', async () => {
    const built = await run('build', '--steps', '4');
    expect(built.exact).toBe(true);
    expect(built.steps[0]!.new.notes).toEqual(['B4']);
    expect(built.steps.every((step) => step.why.startsWith('Brings ') && step.alternatives.length === 2)).toBe(true);
    expect(built.left.map(({ tune }) => tune)).toEqual(['no-tune', 'deep']);
    expect(Object.values(built.objective.parts).reduce((sum, part) => sum + part, 0)).toBeCloseTo(
      built.objective.total,
    );
  });

  it('scores a list as it scores its own, and lists of a file', async () => {
    const built = await run('build', '--steps', '4');
    const list = built.steps.map((step) => step.tune);
    expect((await run('score', '--list', list.join(','))).objective).toEqual(built.objective);
    const other = list.with(0, built.steps[0]!.alternatives[0]!.tune);
    const file = join(folder, 'lists.json');
    await writeFile(file, JSON.stringify([list, other]));
    const both = (await run('score', '--lists', file)) as unknown as readonly Answer[];
    expect(both.map((answer) => answer.objective.total)).toEqual([
      built.objective.total,
      built.steps[0]!.alternatives[0]!.total,
    ]);
  });

  it('keeps to wishes, and names those that cannot be met', async () => {
    const built = await run(
      'build',
      '--steps',
      '4',
      '--pin',
      '2=goose-walk,doorbell<one-boot',
      '--never',
      'paper-planes',
    );
    const list = built.steps.map((step) => step.tune);
    expect(list[1]).toBe('goose-walk');
    expect(list.indexOf('doorbell')).toBeLessThan(list.indexOf('one-boot'));
    expect(list).not.toContain('paper-planes');
    expect(built.steps[1]!.why).toContain('You asked for it here.');
    const against = await run('build', '--steps', '4', '--pin', '2=goose-walk,3=goose-walk');
    expect(against.findings[0]).toMatchObject({ kind: 'contradiction', step: null });
    expect(against.findings[0]!.text).toContain('“goose-walk” at step 2');
  });

  it('shows the best there is when there are too few tunes', async () => {
    const built = await run('build', '--steps', '12');
    expect(built.steps).toHaveLength(NAMES.length);
    expect(built.findings[0]).toMatchObject({ kind: 'too-few-tunes' });
    expect(built.findings.every(({ text, remedy }) => text.endsWith('.') && remedy.endsWith('.'))).toBe(true);
  });

  it('says what it needs', async () => {
    const tunes = ['--tunes', folder];
    expect(await refused('plan')).toContain('"staircase build"');
    expect(await refused('build', '--steps', '3')).toContain('--tunes DIR');
    expect(await refused('build', ...tunes)).toContain('--steps');
    expect(await refused('build', '--steps', '3', '--tunes', '/nowhere')).toContain('cannot be read');
    expect(await refused('build', '--steps', '3', ...tunes, '--order', 'H4')).toContain('is not a note');
    expect(await refused('build', '--steps', '3', ...tunes, '--pin', 'goose')).toContain('is no wish');
    expect(await refused('score', ...tunes)).toContain('--list');
    expect(await refused('score', ...tunes, '--list', 'nobody')).toContain('no tune "nobody"');
    expect(await refused('score', ...tunes, '--list', 'doorbell,doorbell')).toContain('twice');
    expect(await refused('score', ...tunes, '--lists', join(folder, 'deep.abc'))).toContain('not a JSON array');
  });
});

describe('escalier forecast', () => {
  const results = (...steps: number[]) => steps.map((step, index) => ({ lesson: index + 1, step, outcome: 'passed' }));
  const file = {
    steps: 4,
    lessonsPast: 3,
    lessonsLeft: 5,
    heardPerLesson: 2,
    pupils: [
      { id: 'a', results: results(1, 2) },
      { id: 'b', results: [{ lesson: 3, step: 1, outcome: 'nearly' }] },
    ],
  };
  const forecast = async (content: unknown, ...more: string[]) => {
    const path = join(folder, 'class.json');
    await writeFile(path, typeof content === 'string' ? content : JSON.stringify(content));
    return escalier(['forecast', path, '--runs', '200', ...more]);
  };

  it('says where pupils will stand', async () => {
    const answer = JSON.parse((await forecast(file, '--json')).out) as {
      mean: { lesson: number }[];
      steps: unknown[];
      pupils: { id: string; reach: { step: number; chance: number }[] }[];
    };
    expect(answer.mean.map(({ lesson }) => lesson)).toEqual([4, 5, 6, 7, 8]);
    expect(answer.steps).toHaveLength(20);
    expect(answer.pupils[0]!.reach.slice(0, 2)).toEqual([
      { step: 1, chance: 1 },
      { step: 2, chance: 1 },
    ]);
    const several = JSON.parse((await forecast([file, file], '--json')).out) as unknown[];
    expect(several).toEqual([answer, answer]);
    expect((await forecast(file)).out).toContain('By lesson 8:');
  });

  it('refuses what is no class', async () => {
    expect((await forecast('{')).err).toContain('not JSON');
    expect((await forecast({ ...file, steps: 1 })).err).toContain('steps are too few');
    expect((await forecast({ ...file, lessonsPast: 1 })).err).toContain('lessons past are too few');
    expect((await forecast([file, { ...file, pupils: [{ id: '' }] }])).err).toContain('at 1.pupils.0.id');
    expect((await escalier(['forecast', '/nowhere'])).err).toContain('cannot be read');
    expect((await escalier(['forecast'])).err).toContain('one file');
  });

  it.each([
    ['B4,A4,G4', 5],
    ['B4,A4,G4,E4,D4,F#4,C5,D5,C4,F4', 9],
    ['C4,D4,E4,F4,G4', 5],
  ])('leads up through the whole library: %s in %i steps', async (order, steps) => {
    const argv = ['staircase', 'build', '--tunes', SHIPPED, '--order', order, '--steps', String(steps), '--json'];
    const built = JSON.parse((await escalier(argv)).out) as Answer;
    const { parts } = built.objective;
    expect(parts).toMatchObject({ missing: 0, outside: 0, order: 0, leaves: 0, twoNotesLater: 0, refused: 0 });
    expect(parts.stepsDown).toBeLessThan(1);
  });
});
