// @vitest-environment node
import { expect, it } from 'vitest';
import { changeWords } from './change-words.ts';

it('says what somebody changed, with its facts', () => {
  const fields = ['shownName', 'mayRecord', 'note'];
  expect(changeWords({ code: 'pupil-changed', name: 'Nils', fields, consent: 'withdrawn' })).toBe(
    'Nils: name, consent to recordings, note (withdrawn)',
  );
  expect(changeWords({ code: 'instruments-cleaned', count: 1 })).toBe('1 instrument cleaned');
  expect(changeWords({ code: 'pupils-added', name: '4 Plover', count: 27 })).toBe('4 Plover: 27 pupils added');
  expect(changeWords({ code: 'lesson-lost', name: '4 Plover', date: '2026-03-03', reason: '' })).toBe(
    '4 Plover: lesson of 2026-03-03 cancelled',
  );
  expect(changeWords({ code: 'in-words', words: 'As it was said.' })).toBe('As it was said.');
});
