import { english, setEnglish, USUAL_ENGLISH, type English } from '@escalier/messages';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

const AMERICAN: English = { locale: 'en-US', pupils: 'student' };

beforeEach(() => {
  vi.resetModules();
  localStorage.clear();
});
afterEach(() => setEnglish(USUAL_ENGLISH));

/** The page as it starts: the module sets the English when it is first loaded. */
async function startPage() {
  const page = await import('./english.ts');
  const { english: spoken } = await import('@escalier/messages');
  return { ...page, spoken };
}

describe('the school’s English on a device', () => {
  it('is British before a school has said otherwise, and with what cannot be read', async () => {
    expect((await startPage()).spoken()).toEqual(USUAL_ENGLISH);
    localStorage.setItem('escalier-english', 'xx yy');
    vi.resetModules();
    expect((await startPage()).spoken()).toEqual(USUAL_ENGLISH);
  });

  it('is kept for the next start, and asks for one where this page speaks otherwise', async () => {
    const first = await startPage();
    expect(first.keepEnglish(USUAL_ENGLISH)).toBe(false);
    expect(first.keepEnglish(AMERICAN)).toBe(true);
    vi.resetModules();
    const next = await startPage();
    expect(next.spoken()).toEqual(AMERICAN);
    expect(next.keepEnglish(AMERICAN)).toBe(false);
  });

  it('goes to a worker in its address', async () => {
    const { keepEnglish, inEnglishOfPage } = await startPage();
    expect(inEnglishOfPage('/w.js')).toBe('/w.js#en-GB%20pupil');
    keepEnglish(AMERICAN);
    vi.resetModules();
    expect((await startPage()).inEnglishOfPage('/w.js')).toBe('/w.js#en-US%20student');
    expect(english()).toEqual(USUAL_ENGLISH);
  });
});
