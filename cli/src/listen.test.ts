import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { tuneScore, writeWav } from '@escalier/core/listening';
import { recordingOf, type RecordingRecipe } from '@escalier/core/testing';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { escalier } from './escalier.ts';

const TUNE = fileURLToPath(new URL('../../demo/tunes/goose-walk.abc', import.meta.url));
let folder = '';
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'escalier-listen-'));
});
afterAll(() => rm(folder, { recursive: true }));

async function scoreOf() {
  const read = readAbc(await readFile(TUNE, 'utf8'));
  if (!read.ok) throw new Error('the tune does not read');
  return tuneScore(read.value.tune, instrument('soprano-recorder-baroque'));
}

async function recorded(name: string, recipe: Partial<RecordingRecipe> = {}) {
  const { notes, tempo } = await scoreOf();
  const made = recordingOf(notes, {
    seed: 3,
    rate: 22_050,
    voice: 'recorder',
    tempo,
    tuning: 0,
    surroundings: 'quiet',
    ...recipe,
  });
  const file = join(folder, `${name}.wav`);
  await writeFile(file, writeWav(made.samples, made.rate));
  return { ...made, file };
}

async function listen(...words: readonly string[]) {
  const { out, code } = await escalier(['listen', ...words, '--json']);
  return { code, ...JSON.parse(out) };
}

describe('listen', () => {
  it('holds a recording against its tune, and proposes a result', async () => {
    const { file, verdicts } = await recorded('ann', { wrong: 1 });
    const heard = await listen(file, '--tune', TUNE);
    expect(heard).toMatchObject({ code: 0, proposal: 'nearly', remarks: ['note'], moved: 0, deadSide: false });
    expect(heard.text).toMatch(/played as .* in bar \d; the rest is right, \d+ beats a minute\./);
    expect(heard.verdicts.map(({ kind }: { kind: string }) => kind)).toEqual(verdicts);
    expect(heard.practise).toBe(heard.verdicts.find(({ kind }: { kind: string }) => kind === 'wrong').bar);
    const plain = await escalier(['listen', file, '--tune', TUNE]);
    expect(plain.out).toBe(`nearly: ${heard.text}`);
  });

  it('says when it is too slow', async () => {
    const { file } = await recorded('slow', { tempo: 50 });
    expect(await listen(file, '--tune', TUNE, '--tempo', '100')).toMatchObject({
      proposal: 'nearly',
      remarks: ['slow'],
    });
  });

  it('hears a whole folder', async () => {
    const { file, played } = await recorded('01');
    const { notes, tempo } = await scoreOf();
    const score = {
      timeSignature: '4/4',
      tempoBpm: tempo,
      pickupBeats: 0,
      notes: notes.map(({ onset, duration, midi }) => ({ onsetBeat: onset, durBeats: duration, midi })),
    };
    await writeFile(file.replace('wav', 'json'), JSON.stringify({ score }));
    expect(await listen('--set', folder, '--out', join(folder, 'out'))).toMatchObject({ code: 0, heard: 1 });
    const told = async (part: string) => JSON.parse(await readFile(join(folder, 'out', part, '01.json'), 'utf8'));
    expect((await told('notes')).notes).toHaveLength(played.length);
    const assessed = await told('assess');
    expect(assessed.verdicts[0]).toEqual({ i: 0, verdict: 'correct' });
    expect(assessed).toMatchObject({ extras: [], proposal: 'passed' });
    expect(Math.abs(assessed.tempoBpm / tempo - 1)).toBeLessThan(0.02);
  });

  it('says what is missing or cannot be read', async () => {
    const said = async (...words: readonly string[]) => (await listen(...words)).error.message;
    expect(await said()).toBe('Name one WAV file, and the tune with --tune FILE.');
    expect(await said('--set', folder)).toBe('Name the folder to write into: --out DIR.');
    expect(await said('--set', join(folder, 'no'), '--out', folder)).toContain('cannot be read');
    const { file } = await recorded('bad');
    expect(await said(join(folder, 'none.wav'), '--tune', TUNE)).toContain('cannot be read');
    await writeFile(file, '');
    expect(await said(file, '--tune', TUNE)).toContain('The file is empty.');
    await writeFile(file, 'a letter that is no sound');
    expect(await said(file, '--tune', TUNE)).toContain('This isn’t a WAV file.');
    await writeFile(file.replace('wav', 'json'), '{"score": {"timeSignature": "4/4"}}');
    expect(await said('--set', folder, '--out', join(folder, 'out'))).toContain('score.tempoBpm');
    await rm(file.replace('wav', 'json'));
    await recorded('01');
    // A file stands where the folder should be.
    expect(await said('--set', folder, '--out', join(folder, '01.wav'))).toContain('cannot be written');
  });
});
