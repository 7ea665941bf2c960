import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { describe, expect, test } from 'vitest';
import { ROOT } from './paths.mjs';

const PAGES = [
  ...['README.md', 'CONTRIBUTING.md', 'CHANGELOG.md'].map((page) => join(ROOT, page)),
  ...readdirSync(join(ROOT, 'docs'), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.md'))
    .map((file) => join(ROOT, 'docs', file)),
];

/** Where a page leads to inside the checkout, without what stands behind "#". */
function linksOf(page) {
  return [...readFileSync(page, 'utf8').matchAll(/\]\(([^)\s]+)\)/g)]
    .map(([, target]) => target.split('#')[0])
    .filter((target) => target !== '' && !/^[a-z]+:/.test(target))
    .map((target) => join(dirname(page), target));
}

describe('the documents', () => {
  test.each(PAGES.map((page) => [relative(ROOT, page), page]))('%s leads nowhere that is not there', (_, page) => {
    expect(
      linksOf(page)
        .filter((target) => !existsSync(target))
        .map((target) => relative(ROOT, target)),
    ).toEqual([]);
  });

  test('are all found from the README', () => {
    const found = new Set([join(ROOT, 'README.md')]);
    for (const page of found)
      for (const target of linksOf(page)) if (target.endsWith('.md') && existsSync(target)) found.add(target);
    expect(PAGES.filter((page) => !found.has(page)).map((page) => relative(ROOT, page))).toEqual([]);
  });
});
