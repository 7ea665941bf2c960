import { describe, expect, it } from 'vitest';
import { cleaningCalls, type ClassLesson } from './cleaning.ts';
import type { LocalDate } from './term.ts';

const lesson = (classId: string, date: LocalDate, at: string): ClassLesson => ({ classId, date, at, minutes: 40 });
const week = [
  lesson('plover', '2026-03-03', '09:40'),
  lesson('otter', '2026-03-03', '10:20'),
  lesson('plover', '2026-03-05', '09:40'),
  lesson('plover', '2026-03-06', '09:40'),
];
const shared = { id: '7', classIds: ['plover', 'otter'], cleanedAt: null };

describe('what has to be cleaned between classes', () => {
  it('is what another class played last', () => {
    expect(cleaningCalls([shared], week, '2026-03-03T08:00', '2026-03-06')).toEqual([
      { classId: 'otter', date: '2026-03-03', at: '10:20', playedBy: 'plover', instrumentIds: ['7'] },
      { classId: 'plover', date: '2026-03-05', at: '09:40', playedBy: 'otter', instrumentIds: ['7'] },
    ]);
  });

  it('is nothing more once it was cleaned after the last playing', () => {
    const cleaned = { ...shared, cleanedAt: '2026-03-03T10:20' };
    expect(cleaningCalls([cleaned], week, '2026-03-03T10:19', '2026-03-03')).toEqual([]);
    const tooSoon = { ...shared, cleanedAt: '2026-03-03T10:19' };
    expect(cleaningCalls([tooSoon], week, '2026-03-03T10:19', '2026-03-03')).toHaveLength(1);
  });

  it('leaves out who has an instrument alone, and lessons after the last day', () => {
    expect(cleaningCalls([{ ...shared, classIds: ['plover'] }], week, '2026-03-03T08:00', '2026-03-06')).toEqual([]);
    expect(cleaningCalls([shared], week, '2026-03-03T10:30', '2026-03-04')).toEqual([]);
  });
});
