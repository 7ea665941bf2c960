// @vitest-environment node
import type { QueuePlace } from '@escalier/core/records';
import { describe, expect, it } from 'vitest';
import { queueWords, stuckWords } from './words.ts';

const why = (reason: QueuePlace['reason'], lessons: number) => queueWords({ pupilId: 'ann', reason, lessons });

describe('the words of a class', () => {
  it('say why somebody is where they are in the queue', () => {
    expect(why('due', 6)).toBe('not heard for 6 lessons: overdue');
    expect(why('ready', 0)).toBe('nearly passed last time');
    expect(why('never', 0)).toBe('not heard yet');
    expect(why('never', 1)).toBe('not heard yet, for 1 lesson');
    expect(why('waited', 0)).toBe('heard in the last lesson');
    expect(why('waited', 2)).toBe('not heard for 2 lessons');
    expect(why('today', 0)).toBe('heard today');
  });

  it('say why somebody is stuck', () => {
    const stuck = { pupilId: 'ann', stepIndex: 0, remarks: [] };
    expect(stuckWords({ ...stuck, why: { kind: 'tries', tries: 3 } })).toBe('3 tries without a pass');
    expect(stuckWords({ ...stuck, why: { kind: 'left', lessons: 2 } })).toBe(
      'no try for 2 lessons while the class moved on',
    );
  });
});
