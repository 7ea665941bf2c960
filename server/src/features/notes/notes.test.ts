import type { ClassSummary } from '@escalier/contract/class-pages';
import type { ClassNotes } from '@escalier/contract/notes';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, type TestApp } from '../../testing/index.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

async function notesOf(name: string): Promise<ClassNotes> {
  const classes = (await (await test.send('GET', '/api/classes')).json()) as (ClassSummary & { name: string })[];
  const id = classes.find((each) => each.name === name)!.id;
  return (await (await test.send('GET', `/api/notes/${id}`)).json()) as ClassNotes;
}

describe('the notes of a class', () => {
  it('stand in the order of teaching, each with what the class has before it', async () => {
    const { notes } = await notesOf('4 Plover');
    expect(notes.slice(0, 4).map(({ note, position }) => `${note} ${position}`)).toEqual([
      'B4 1',
      'A4 1',
      'G4 1',
      'E4 3',
    ]);
    expect(notes[0]!.knownNotes).toEqual([]);
    expect(notes[3]!.knownNotes.toSorted()).toEqual(['A4', 'B4', 'G4']);
    expect(notes[3]!.knownElements).toContain('note quarter');
  });

  it('say which comes next by the class’s own rule: none of a step to which it may not go on', async () => {
    const { next, notes, classStep } = await notesOf('4 Plover');
    expect(classStep).toBe(2);
    expect(next).toBe('E4');
    expect(notes.find((note) => note.note === next)!.position).toBe(3);
  });

  it('carry the teacher’s own words and the page of the class’s book', async () => {
    const { schoolClass } = await notesOf('4 Plover');
    const put = (version: number, hint = 'The low one: six steps down the stairs.') =>
      test.send('PUT', `/api/notes/${schoolClass.id}/E4`, { hint, bookPage: 'p. 14', version });
    expect(await (await put(0)).json()).toMatchObject({ version: 1 });
    expect((await put(0)).status).toBe(409);
    expect((await put(1, 'Warm and slow.')).status).toBe(200);
    const { notes } = await notesOf('4 Plover');
    expect(notes.find((note) => note.note === 'E4')!.own).toEqual({
      hint: 'Warm and slow.',
      bookPage: 'p. 14',
      version: 2,
    });
    expect(
      (await test.send('PUT', `/api/notes/${schoolClass.id}/H9`, { hint: '', bookPage: '', version: 0 })).status,
    ).toBe(404);
  });

  it('come with the usual cautions, until the school has its own', async () => {
    const { cautions } = await notesOf('Whistle Club');
    expect(cautions.map((caution) => caution.id)).toContain('light-headed');
    const own = [
      { ...cautions[0]!, shown: false },
      { id: 'own-1', text: ' Windows open. ', places: ['lesson'], shown: true },
    ];
    expect((await test.send('PUT', '/api/school/cautions', { cautions: own, version: 1 })).status).toBe(200);
    expect((await notesOf('Whistle Club')).cautions.map((caution) => [caution.text, caution.shown])).toEqual([
      [cautions[0]!.text, false],
      ['Windows open.', true],
    ]);
  });

  it('take no caution without words, and none twice', async () => {
    const good = { id: 'a', text: 'Wait.', places: ['lesson'], shown: true };
    for (const bad of [
      [{ ...good, text: ' ' }],
      [good, good],
      [{ ...good, places: [] }],
      [{ ...good, places: ['moon'] }],
    ]) {
      const answer = await test.send('PUT', '/api/school/cautions', { cautions: bad, version: 2 });
      expect(answer.status).toBe(400);
    }
  });
});
