import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { escalier } from './escalier.ts';

let folder = '';
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'escalier-handout-'));
});
afterAll(() => rm(folder, { recursive: true }));

const GOOSE = new URL('../../demo/tunes/goose-walk.abc', import.meta.url).pathname;
const handout = (...words: readonly string[]) => escalier(['handout', ...words]);

describe('handout', () => {
  it('lists its kinds with what each needs', async () => {
    const { kinds } = JSON.parse((await handout('list', '--json')).out) as {
      kinds: { kind: string; about: string; needs: string[] }[];
    };
    expect(kinds.map(({ kind }) => kind)).toContain('booklet');
    expect(kinds.find(({ kind }) => kind === 'step-packet')).toMatchObject({ needs: ['tune', 'notes'] });
    expect((await handout('list')).out).toContain('note-hunt: Circle every E');
  });

  it('writes a sheet and its answers', async () => {
    const [out, key] = [join(folder, 'hunt.pdf'), join(folder, 'hunt.json')];
    const ended = await handout('note-hunt', '--notes', 'B4,A4,G4', '--seed', '7', '--out', out, '--key', key);
    expect(ended.out).toBe(`Note hunt: 1 page in ${out}.`);
    expect((await readFile(out)).subarray(0, 5).toString()).toBe('%PDF-');
    const { answers, seed } = JSON.parse(await readFile(key, 'utf8')) as {
      answers: { answer: string }[];
      seed: number;
    };
    expect(seed).toBe(7);
    expect(answers).toHaveLength(3);
  });

  it('makes a tune sheet with what is named, and class papers for a made-up class', async () => {
    const out = join(folder, 'sheet.pdf');
    const sheet = [
      'tune-sheet',
      '--tune',
      GOOSE,
      '--names',
      'full',
      '--show',
      'fingerings,breaths',
      '--size',
      'big',
      '--out',
      out,
    ];
    expect(JSON.parse((await handout(...sheet, '--paper', 'letter', '--json')).out)).toMatchObject({
      pages: 1,
      warnings: [],
    });
    expect(JSON.parse((await handout('certificate', '--out', out, '--json')).out)).toMatchObject({ pages: 6 });
  });

  it.each([
    [['note-hnt', '--out', 'x.pdf'], /^There is no handout "note-hnt"\. Known: tune-sheet,/],
    [['note-hunt', '--notes', 'B4,A4'], 'Name the file to write: --out FILE.pdf.'],
    [['note-hunt', '--out', 'x.pdf', '--notes', 'B4'], 'This sheet needs at least 2 different notes.'],
    [['tune-sheet', '--out', 'x.pdf'], 'Choose a tune for this sheet.'],
    [['tune-sheet', '--out', 'x.pdf', '--tune', GOOSE, '--paper', 'a5'], /^"a5" is no paper/],
    [['tune-sheet', '--out', 'x.pdf', '--tune', GOOSE, '--show', 'stars'], /^"stars" cannot be shown/],
    [['family-letter', '--out', 'x.pdf', '--words', 'Dear {who}'], /^There is no field \{who\}/],
    [['labels', '--out', '/nowhere/x.pdf'], 'The file /nowhere/x.pdf cannot be written.'],
  ] as const)('refuses %j', async (words, sentence) => {
    const { code, err } = await handout(...words);
    expect(code).toBe(1);
    expect(err).toMatch(sentence);
  });
});
