import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseMidi } from 'midi-file';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { escalier } from './escalier.ts';

const TUNES = fileURLToPath(new URL('../../demo/tunes', import.meta.url));
let folder = '';
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'escalier-lesson-'));
});
afterAll(() => rm(folder, { recursive: true }));

const pupils = ['Ann', 'Ben', 'Cy', 'Dee', 'Eli'].map((name, index) => ({
  name,
  passed: index < 4 ? 1 : 0,
  heard: index > 1,
  waited: index,
}));
const staircase = (): readonly string[] =>
  ['one-boot', 'left-foot-right-foot', 'lamp-lighter'].map((name) => relative(folder, join(TUNES, `${name}.abc`)));

async function run(content: unknown, ...more: readonly string[]) {
  const file = join(folder, 'class.json');
  await writeFile(file, typeof content === 'string' ? content : JSON.stringify(content));
  const { out, code } = await escalier(['plan', file, '--json', ...more]);
  return { code, ...JSON.parse(out) };
}

describe('plan', () => {
  it('plans a lesson to the minute, and says why the class stays', async () => {
    const made = await run({ minutes: 35, part: 'first', staircase: staircase(), pupils });
    expect(made.step).toEqual({ position: 2, title: 'Left Foot, Right Foot' });
    expect(made.goOn).toMatchObject({
      goOn: false,
      why: 'Stay on this step: 0 of 5 passed. Your rule is 70%; 4 more to go.',
    });
    expect(made.goOn.behind).toContain('Eli has not passed yet');
    const minutes = made.blocks.map((block: { minutes: number }) => block.minutes);
    expect(minutes.reduce((sum: number, each: number) => sum + each, 0)).toBe(35);
    expect(made.blocks.find(({ kind }: { kind: string }) => kind === 'hearing').slots[0].name).toBe('Eli');
    expect(made.substitute).toHaveLength(made.blocks.length);
  });

  it('brings a new note until it was taught, hears nobody before the tune was played, and says how else', async () => {
    const begins = Array.from({ length: 27 }, (_, index) => ({ name: `P${index}`, passed: 0 }));
    const kinds = ({ blocks }: { blocks: readonly { kind: string }[] }) => blocks.map(({ kind }) => kind);
    const first = await run({ minutes: 35, staircase: staircase(), pupils: begins });
    expect(kinds(first).slice(0, 3)).toEqual(['settle', 'new-note', 'warm-up']);
    expect(kinds(first)).not.toContain('hearing');
    expect(first.hearing).toBeNull();
    const played = await run({ minutes: 35, staircase: staircase(), pupils: begins, done: ['say', 'whole'] });
    expect(kinds(played)).not.toContain('new-note');
    expect(played.hearing).toMatchObject({ waiting: 27, words: expect.stringContaining('of 27 fit in') });
    expect(played.hearing.ways.map(({ way }: { way: string }) => way)).toEqual([
      'rows',
      'recordings',
      'hearing-lesson',
    ]);
    const early = { minutes: 35, staircase: staircase(), pupils: begins, style: { hearsAfterPlaying: false } };
    expect(kinds(await run(early))).toContain('hearing');
    expect(kinds(await run({ ...early, noteTaught: true }))).not.toContain('new-note');
  });

  it('says what is wrong with the file', async () => {
    expect(await run('{')).toMatchObject({ code: 1, error: { message: expect.stringContaining('not JSON') } });
    expect(await run({ minutes: 2, staircase: staircase() })).toMatchObject({
      error: { message: expect.stringContaining('minutes') },
    });
    expect((await run({ minutes: 30, staircase: ['none.abc'] })).error.message).toContain('cannot be read');
    expect((await run({ minutes: 30, staircase: staircase(), pupil: [] })).code).toBe(1);
  });
});

describe('backing', () => {
  it('names the chords, and writes them as MIDI beside the melody', async () => {
    const file = join(folder, 'goose.mid');
    const { out } = await escalier([
      'backing',
      join(TUNES, 'goose-walk.abc'),
      '--feel',
      'waltz',
      '--out',
      file,
      '--json',
    ]);
    const made = JSON.parse(out);
    expect(made).toMatchObject({ feel: 'waltz', source: 'symbols', explained: 1 });
    expect(made.chords[0]).toEqual({ bar: 1, beat: 1, symbol: 'G', notes: ['G', 'B', 'D'] });
    const { tracks } = parseMidi(await readFile(file));
    const names = tracks.map((track) => track.flatMap((event) => (event.type === 'trackName' ? [event.text] : []))[0]);
    expect(names).toEqual(expect.arrayContaining(['Bass', 'Chords', 'Percussion']));
  });

  it('says which feels there are', async () => {
    const { out } = await escalier(['backing', join(TUNES, 'goose-walk.abc'), '--feel', 'polka', '--json']);
    expect(JSON.parse(out).error.message).toContain('march, waltz, jig');
    expect((await escalier(['backing', '--json'])).code).toBe(1);
  });
});
