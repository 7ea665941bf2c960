import { expect, it } from 'vitest';
import { agreementOf } from './agreement.ts';
import { heard } from './testing.ts';

it('counts how often a proposal was what the teacher decided, by remark', () => {
  const listened = (outcome: 'passed' | 'nearly' | null, ...remarks: string[]) => ({ listened: { outcome, remarks } });
  const events = [
    heard('ann', 'one', 'passed', 3, listened('passed')),
    heard('ben', 'one', 'nearly', 3, { remarks: ['note', 'beat'], ...listened('nearly', 'note') }),
    heard('cy', 'one', 'passed', 3, listened('nearly', 'note', 'tongue')),
    // Nobody listened, or nothing could be judged.
    heard('dee', 'one', 'passed', 3),
    heard('eli', 'one', 'not-yet', 3, { remarks: ['leak'], ...listened(null) }),
  ];
  expect(agreementOf(events)).toEqual({
    proposed: 3,
    kept: 2,
    remarks: [
      { id: 'note', proposed: 2, kept: 1, added: 0 },
      { id: 'beat', proposed: 0, kept: 0, added: 1 },
      { id: 'tongue', proposed: 1, kept: 0, added: 0 },
    ],
  });
  expect(agreementOf([])).toEqual({ proposed: 0, kept: 0, remarks: [] });
});
