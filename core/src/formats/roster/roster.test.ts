import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import {
  checkRoster,
  guessMapping,
  nameKey,
  readOneRoster,
  readOneRosterZip,
  readRoster,
  writeRoster,
  type RosterTable,
} from '../index.ts';

const context = { there: ['Aino'], steps: 6, today: '2026-03-03' };

function table(text: string, head?: boolean): RosterTable {
  const read = readRoster(text, head);
  if (!read.ok) throw new Error(read.error);
  return read.value;
}

function names(text: string): readonly string[] {
  const read = table(text);
  return checkRoster(read, guessMapping(read), context).map((row) => row.pupil.name);
}

describe('a list of pupils', () => {
  it('comes with commas, semicolons, tabs, or one name a line', () => {
    expect(names('Name,Step\nBo,2\nChidi,1')).toEqual(['Bo', 'Chidi']);
    expect(names('Vorname;Nachname\nBo;Tell\nIda;Ohm')).toEqual(['Bo', 'Ida']);
    expect(names('1\tBo\n2\tIda')).toEqual(['Bo', 'Ida']);
    expect(names('Bo\n\nIda\n')).toEqual(['Bo', 'Ida']);
    expect(names('\uFEFFPupil name\n"Tell, Bo"')).toEqual(['Tell, Bo']);
  });

  it('adds a letter of the last name where first names are alike', () => {
    expect(names('First name,Last name\nBo,Tell\nBo,Tamm\nIda,Ohm\nBo,Ruud')).toEqual([
      'Bo Te.',
      'Bo Ta.',
      'Ida',
      'Bo R.',
    ]);
  });

  it('is a dry run with a sentence for each row that cannot be taken', () => {
    const read = table('Name,Step,Joined\nAino,1,\n,2,\nBo,9,\nIda,1,31.1.2026\nida,1,2026-02-30\nOle,3,2026-02-28');
    const rows = checkRoster(read, guessMapping(read), context);
    expect(rows.map((row) => row.problems)).toEqual([
      ['Aino is in the class already: add a letter to tell them apart.'],
      ['The name is missing.'],
      ['“9” is not a step: steps go from 1 to 6.'],
      ['“31.1.2026” is not a date. Write it like 2026-01-31.'],
      [
        'ida is in line 4 too: add a letter to tell them apart.',
        '“2026-02-30” is not a date. Write it like 2026-01-31.',
      ],
      [],
    ]);
    expect(rows.at(-1)!.pupil).toEqual({ name: 'Ole', startStep: 3, joinedOn: '2026-02-28' });
  });

  it('follows the mapping that the teacher chooses', () => {
    const read = table('Code,Who\nBo,17\nIda,18', true);
    expect(checkRoster(read, ['name', 'ignore'], context).map((row) => row.pupil.name)).toEqual(['Bo', 'Ida']);
    expect(checkRoster(read, ['ignore', 'ignore'], context)[0]!.problems).toEqual(['The name is missing.']);
  });

  it('refuses nothing and too much in a sentence, and never throws', () => {
    expect(readRoster('  \n')).toMatchObject({ ok: false });
    expect(readRoster('x\n'.repeat(600))).toMatchObject({ ok: false });
    expect(readRoster('x'.repeat(1_000_001))).toMatchObject({ ok: false });
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        const read = readRoster(text);
        if (read.ok)
          expect(checkRoster(read.value, guessMapping(read.value), context)).toHaveLength(read.value.rows.length);
      }),
    );
  });

  it('comes back from what was written', () => {
    const written = writeRoster([{ name: 'Tell, Bo', startStep: 2, joinedOn: '2026-03-01', leftOn: null, steps: 1 }]);
    const read = table(written);
    expect(checkRoster(read, guessMapping(read), { ...context, there: [] })[0]!.pupil).toEqual({
      name: 'Tell, Bo',
      startStep: 2,
      joinedOn: '2026-03-01',
    });
    expect(writeRoster([{ name: '=1+1', startStep: 1, joinedOn: '', leftOn: null, steps: 0 }])).toContain("'=1+1");
  });
});

describe('the OneRoster set', () => {
  const files = new Map([
    [
      'users.csv',
      'sourcedId,status,role,givenName,familyName\nu1,active,student,Bo,Tell\nu2,active,student,Ida,Ohm\nu3,tobedeleted,student,Old,One\nt1,active,teacher,Mara,Tillen\n',
    ],
    ['classes.csv', 'sourcedId,status,title\nc1,active,4 Plover\nc2,active,Empty\n'],
    [
      'enrollments.csv',
      'sourcedId,status,classSourcedId,userSourcedId,role\ne1,active,c1,u1,student\ne2,active,c1,u2,student\ne3,active,c1,u3,student\ne4,active,c1,t1,teacher\n',
    ],
  ]);

  it('gives the pupils of each class by their names only', () => {
    expect(readOneRoster(files)).toEqual({
      ok: true,
      value: [
        {
          title: '4 Plover',
          table: {
            columns: ['First name', 'Last name'],
            rows: [
              ['Bo', 'Tell'],
              ['Ida', 'Ohm'],
            ],
          },
        },
      ],
    });
  });

  it('is the same as one ZIP file, whichever folder it has the files in', () => {
    const zipped = Object.fromEntries([...files].map(([name, text]) => [`export/${name}`, strToU8(text)]));
    expect(readOneRosterZip(zipSync(zipped))).toEqual(readOneRoster(files));
    expect(readOneRosterZip(zipSync({ 'other.csv': strToU8('x') }))).toMatchObject({ ok: false });
  });

  it('says what is missing', () => {
    expect(readOneRoster(new Map([['users.csv', '']]))).toEqual({
      ok: false,
      error: 'The OneRoster set is incomplete: classes.csv and enrollments.csv are missing.',
    });
    expect(readOneRoster(new Map([...files, ['classes.csv', 'sourcedId,title\n']]))).toMatchObject({ ok: false });
  });
});

describe('two names', () => {
  it.each([
    ['Aino', ' AINO '],
    ['Zoë', 'Zoe\u0308'],
    ['Anna  Lena', 'anna lena'],
    ['İpek', 'İpek'],
  ])('%s and %s are the same', (one, other) => expect(nameKey(one)).toBe(nameKey(other)));

  it.each([
    ['Zoë', 'Zoe'],
    ['Anna Lena', 'Annalena'],
  ])('%s and %s are two', (one, other) => expect(nameKey(one)).not.toBe(nameKey(other)));
});
