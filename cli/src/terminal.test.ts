import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, describe, expect, it } from 'vitest';
import { escalier } from './escalier.ts';

const TUNES = fileURLToPath(new URL('../../demo/tunes', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'escalier-terminal-'));
afterAll(() => rmSync(folder, { recursive: true }));

const json = async (...words: string[]) =>
  JSON.parse((await escalier([...words, '--json'])).out) as Record<string, unknown>;

describe('several things in one call', () => {
  it('reads several files, each as it reads one', async () => {
    const [one, two] = [join(TUNES, 'goose-walk.abc'), join(TUNES, 'one-boot.abc')];
    const { tunes } = (await json('read', one, two)) as { tunes: { file: string; title: string }[] };
    expect(tunes.map(({ file }) => file)).toEqual([one, two]);
    expect(tunes[0]).toEqual({ file: one, ...(await json('read', one)) });
  });

  it('converts a folder', async () => {
    const { tunes, failed } = (await json('convert', TUNES, join(folder, 'midi'), '--to', 'mid')) as {
      tunes: unknown[];
      failed: unknown[];
    };
    expect(failed).toEqual([]);
    expect(readdirSync(join(folder, 'midi'))).toHaveLength(tunes.length);
    expect((await escalier(['convert', TUNES, folder])).code).toBe(1);
  });

  it('makes several sheets in a folder, and says which the notes do not allow', async () => {
    const made = (await json('handout', 'fingering-chart,tune-sheet', '--notes', 'B4,A4,G4', '--out', folder)) as {
      handouts: { file: string }[];
      left: { kind: string; reason: string }[];
    };
    expect(made.handouts.map(({ file }) => file)).toEqual([join(folder, 'fingering-chart.pdf')]);
    expect(made.left).toMatchObject([{ kind: 'tune-sheet' }]);
  });
});

describe('help', () => {
  it('tells of one command with an example, and of all', async () => {
    const { code, out } = await escalier(['read', '--help']);
    expect(code).toBe(0);
    expect(out).toContain('Example: npm run -s escalier -- read demo/tunes/goose-walk.abc');
    expect((await escalier(['help'])).out).toContain('Exit codes: 0 done, 1 bad input');
  });

  it('completes commands and options in bash', async () => {
    const { out } = await escalier(['completion']);
    expect(out).toContain('read) options="--tune --instrument --knows --tempo --breath --json --help"');
    expect(out).toMatch(/complete -F _escalier escalier$/);
  });

  it('knows no command that only an object has', async () => {
    expect((await escalier(['constructor'])).err).toContain('There is no command "constructor"');
  });
});

describe('the English of the terminal', () => {
  const goose = join(TUNES, 'goose-walk.abc');

  it('is British, and American with --locale, wherever it stands', async () => {
    expect((await escalier(['read', goose])).out).toContain('Learn 5 bars of 8');
    expect((await escalier(['read', goose, '--locale', 'en-US'])).out).toContain('Learn 5 measures of 8');
    expect((await escalier(['--locale', 'en-US', 'read', goose])).out).toContain('Breathe after measure 2');
    // The next call speaks as usual.
    expect((await escalier(['read', goose])).out).toContain('Breathe after bar 2');
  });

  it('is one that Escalier speaks', async () => {
    expect(await escalier(['read', goose, '--locale', 'xx'])).toEqual({
      code: 1,
      out: '',
      err: '"xx" is not a locale. Known: en-GB, en-US.',
    });
    expect((await json('read', goose, '--locale')).error).toEqual({
      message: '"" is not a locale. Known: en-GB, en-US.',
    });
  });
});
