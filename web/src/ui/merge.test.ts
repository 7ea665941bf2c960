// @vitest-environment node
import { describe, expect, it, vi } from 'vitest';
import { ApiError } from '../refusals/index.ts';
import { mergeChanges, saveMerged } from './merge.ts';

const before = {
  name: 'Nils',
  note: '',
  consent: true,
  style: { goOn: 70, counting: null as string | null },
  version: 3,
};

describe('two people who change one thing', () => {
  it('both have their way where they differ in their fields, also within a group of fields', () => {
    const mine = { ...before, note: 'left-handed', style: { ...before.style, goOn: 80 } };
    const theirs = { ...before, consent: false, style: { ...before.style, counting: 'ta' }, version: 4 };
    expect(mergeChanges(before, mine, theirs)).toEqual({
      merged: { name: 'Nils', note: 'left-handed', consent: false, style: { goOn: 80, counting: 'ta' }, version: 4 },
      clashes: [],
    });
  });

  it('clash where both have changed the same, unless to the same', () => {
    const theirs = { ...before, note: 'tired', name: 'Niels', version: 4 };
    expect(mergeChanges(before, { ...before, note: 'left-handed', name: 'Niels' }, theirs)).toMatchObject({
      clashes: ['note'],
      merged: { note: 'left-handed', name: 'Niels' },
    });
  });
});

const CONSENT = { code: 'pupil-changed', name: 'Nils', fields: ['mayRecord'], consent: null } as const;

describe('saving over a change of somebody else', () => {
  const stale = (): ApiError =>
    new ApiError({
      error: {
        code: 'changed',
        message: 'Ivo has changed this since you opened it.',
        changed: { by: 'Ivo', at: '2026-03-03T10:00:00Z', what: CONSENT },
      },
    });
  /** A school that refuses what was read before its own version. */
  const school = (now: typeof before) =>
    vi.fn((row: typeof before) => (row.version === now.version ? Promise.resolve(row) : Promise.reject(stale())));

  it('sends what is merged, in the version of the other', async () => {
    const theirs = { ...before, consent: false, version: 4 };
    const put = school(theirs);
    const mine = { ...before, note: 'left-handed' };
    const kept = await saveMerged({ before, mine, put, again: () => Promise.resolve(theirs) });
    expect(kept).toMatchObject({ note: 'left-handed', consent: false, version: 4 });
    expect(put).toHaveBeenCalledTimes(2);
  });

  it('saves nothing over the same field, and says whose it is and what can be done', async () => {
    const theirs = { ...before, note: 'tired', version: 4 };
    const mine = { ...before, note: 'left-handed' };
    const saving = saveMerged({ before, mine, put: school(theirs), again: () => Promise.resolve(theirs) });
    await expect(saving).rejects.toThrow(/Ivo has changed this.*consent to recordings.*Press the button again/);
  });
});
