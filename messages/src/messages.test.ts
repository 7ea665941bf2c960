import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterEach, describe, expect, test } from 'vitest';
import { messageIn, wordsIn } from './englishes.ts';
import { build } from './build.ts';
import { sayBuilt } from './built.ts';
import { catalogue, inEnglish, LOCALES, PUPIL_WORDS, setEnglish, USUAL_ENGLISH, type English } from './index.ts';
import { say } from './say.ts';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const NAMES = readdirSync(join(ROOT, 'messages/src/en')).map((file) => file.replace('.ts', ''));

type Messages = Readonly<Record<string, string>>;
const CATALOGUES: ReadonlyMap<string, Messages> = new Map(
  await Promise.all(
    NAMES.map(async (name) => [name, ((await import(`./en/${name}.ts`)) as { default: Messages }).default] as const),
  ),
);
const ALL = [...CATALOGUES.values()].flatMap((messages) => Object.entries(messages));

/** Made-up values for a message's braces. */
function valuesFor(message: string, n: number): Record<string, string | number> {
  const names = [...message.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!);
  const values = Object.fromEntries(names.map((name) => [name, name === 'n' ? n : `<${name}>`]));
  return message.includes(' | ') ? { ...values, n } : values;
}

const AMERICAN: English = { locale: 'en-US', pupils: 'pupil' };

afterEach(() => setEnglish(USUAL_ENGLISH));

describe('a message', () => {
  test('has named values, and one and many', () => {
    const t = catalogue({ left: '{n} lesson left | {n} lessons left', of: '{done} of {total}', at: "a{'@'}b" });
    expect(t('left', { n: 1 })).toBe('1 lesson left');
    expect(t('left', { n: 0 })).toBe('0 lessons left');
    expect(t('left', { n: 1.5 })).toBe('1.5 lessons left');
    expect(t('of', { done: 3, total: 4 })).toBe('3 of 4');
    expect(t('at')).toBe('a@b');
  });

  test('of any catalogue is said alike from its text and as the build leaves it, in each English', () => {
    for (const english of LOCALES.flatMap((locale) => PUPIL_WORDS.map((pupils) => ({ locale, pupils })))) {
      setEnglish(english);
      for (const [key, message] of ALL)
        for (const n of [0, 1, 2]) {
          const values = valuesFor(message, n);
          expect(sayBuilt(build(message), values), key).toBe(say(message, values));
        }
    }
  });

  test('with a brace that does not close is refused while building', () => {
    expect(() => build('{n of four')).toThrow(SyntaxError);
  });
});

/** Whatever is written by hand and may say a message. */
function* sources(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules') continue;
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* sources(path);
    else if (/\.(ts|vue)$/.test(entry.name) && !entry.name.endsWith('.test.ts')) yield readFileSync(path, 'utf8');
  }
}

test('every message is said somewhere', () => {
  const said = new Set<string>();
  for (const part of ['core', 'paper', 'server', 'web', 'cli'])
    for (const source of sources(join(ROOT, part, 'src')))
      for (const [, key] of source.matchAll(/\b(?:t|counted)\(\s*'([\w.-]+)'/g)) said.add(key!);
  expect(ALL.map(([key]) => key).filter((key) => !said.has(key))).toEqual([]);
});

describe('American English', () => {
  test.each([
    ['Bars 3 to 4', 'Measures 3 to 4'],
    ['a bar line', 'a bar line'],
    ['three crotchets and a quaver rest', 'three quarter notes and an eighth rest'],
    ['Practise in another colour', 'Practice in another color'],
    ['4 centimetres', '4 centimeters'],
    ['the metre', 'the time signature'],
  ])('%s', (british, said) => {
    expect(wordsIn(AMERICAN, british)).toBe(said);
  });

  test('calls pupils students where the school does', () => {
    const t = catalogue({ left: 'Pupils: {n} pupil’s bar | Pupils: {n} pupils’ bars' });
    const say = (english: English) => inEnglish(english, () => t('left', { n: 2 }));
    expect(say({ locale: 'en-GB', pupils: 'student' })).toBe('Students: 2 students’ bars');
    expect(say({ locale: 'en-US', pupils: 'student' })).toBe('Students: 2 students’ measures');
  });

  test('leaves the words of a value as they are', () => {
    const t = catalogue({ away: 'Bar 3: {name} is away' });
    expect(inEnglish(AMERICAN, () => t('away', { name: 'Bar Colour' }))).toBe('Measure 3: Bar Colour is away');
    expect(t('away', { name: 'Bar Colour' })).toBe('Bar 3: Bar Colour is away');
  });

  test('is all that is said in it', () => {
    const british =
      /\b(crotchet|quaver|minim|semibreve|colour|metre|practis|programme|licence|favourite|centre|grey|organis|recognis)/i;
    expect(
      ALL.map(([, message]) => messageIn(AMERICAN, message)).filter((message) =>
        british.test(message.replace(/\{\w+\}/g, '')),
      ),
    ).toEqual([]);
  });
});
