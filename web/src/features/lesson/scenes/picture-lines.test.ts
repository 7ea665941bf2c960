// @vitest-environment node
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { linesFrom, pagesOf } from './picture-lines.ts';

const lines = Array.from({ length: 5 }, (_, index) => ({ top: index * 100, bottom: index * 100 + 90 }));

describe('the lines of a sheet on a picture', () => {
  it('are all there where they fit', () => {
    expect(linesFrom(lines, 3, 490)).toEqual({ first: 0, last: 4 });
    expect(pagesOf(lines, 490)).toEqual([0]);
  });

  it('are whole, and the last page is as full as the others', () => {
    expect(linesFrom(lines, 0, 250)).toEqual({ first: 0, last: 1 });
    expect(linesFrom(lines, 4, 250)).toEqual({ first: 3, last: 4 });
    expect(pagesOf(lines, 250)).toEqual([0, 2, 3]);
  });

  it('are one at least, however small the picture', () => {
    expect(pagesOf(lines, 10)).toEqual([0, 1, 2, 3, 4]);
    expect(pagesOf([], 10)).toEqual([]);
  });

  it('come all on some page, and the wanted one is always there', () => {
    const sheet = fc.array(fc.integer({ min: 20, max: 200 }), { minLength: 1, maxLength: 12 }).map((heights) =>
      heights.map((height, index) => {
        const top = heights.slice(0, index).reduce((sum, height) => sum + height + 10, 0);
        return { top, bottom: top + height };
      }),
    );
    fc.assert(
      fc.property(sheet, fc.integer({ min: 10, max: 900 }), (own, height) => {
        const seen = new Set(
          pagesOf(own, height).flatMap((page) => {
            const { first, last } = linesFrom(own, page, height);
            return Array.from({ length: last - first + 1 }, (_, index) => first + index);
          }),
        );
        expect(seen.size).toBe(own.length);
        for (const [index] of own.entries()) {
          const { first, last } = linesFrom(own, index, height);
          expect(first <= index && index <= last).toBe(true);
        }
      }),
    );
  });
});
