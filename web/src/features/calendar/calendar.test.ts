import type { ClassCalendar } from '@escalier/contract/terms';
import { NO_ROTATION, type Meeting, type Term } from '@escalier/core/calendar';
import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { mountInApp, press } from '../../testing/mount.ts';
import GroupsCard from './GroupsCard.vue';
import MeetingEditor from './MeetingEditor.vue';
import TermPicture from './TermPicture.vue';
import { patternOf, withPattern } from './words.ts';

const tuesday: Meeting = { on: { kind: 'weekly', weekday: 2 }, at: '09:40', minutes: 40, mode: 'room' };
const term: Term = {
  startsOn: '2026-03-02',
  endsOn: '2026-03-20',
  daysOff: [{ from: '2026-03-10', to: '2026-03-11', reason: 'Boiler repair' }],
  rotation: NO_ROTATION,
};

describe('MeetingEditor', () => {
  it('keeps the weekday when the pattern changes, and says what is wrong beside its meeting', async () => {
    const { wrapper: editor } = mountInApp(MeetingEditor, {
      modelValue: [tuesday],
      fields: { 'meetings.0.at': 'A time such as 09:40.', 'style.ladder': 'Elsewhere.' },
    });
    await editor.get('[aria-label="Pattern of lesson time 1"]').setValue('B');
    expect(editor.emitted('update:modelValue')![0]).toEqual([
      [{ ...tuesday, on: { kind: 'alternating', week: 'B', weekday: 2 } }],
    ]);
    expect(editor.findAll('[role="alert"]').map((element) => element.text())).toEqual(['A time such as 09:40.']);
  });

  it('adds a meeting like the last one, and takes one away', async () => {
    const { wrapper: editor } = mountInApp(MeetingEditor, { modelValue: [tuesday], fields: {} });
    await press('Add a lesson time');
    await editor.get('[aria-label="Remove lesson time 1"]').trigger('click');
    expect(editor.emitted('update:modelValue')).toEqual([[[tuesday, tuesday]], [[tuesday]]]);
  });

  it('goes to the cycle and back', () => {
    const cycle = withPattern(tuesday.on, 'cycle');
    expect(cycle).toEqual({ kind: 'cycle', day: 1 });
    expect(patternOf(cycle)).toBe('cycle');
    expect(withPattern(cycle, 'A')).toEqual({ kind: 'alternating', week: 'A', weekday: 1 });
  });
});

describe('TermPicture', () => {
  it('hatches days off, fills lessons, and counts both', () => {
    const picture = mount(TermPicture, { props: { term, meetings: [tuesday], today: '2026-03-03' } });
    expect(picture.findAll('td .day.off')).toHaveLength(2);
    expect(picture.findAll('td .day.lesson').map((element) => element.text())).toEqual([
      'Tuesday 3 March: lesson',
      'Tuesday 17 March: lesson',
    ]);
    expect(picture.get('td .day.today').text()).toContain('3 March');
    expect(picture.get('figcaption').text()).toContain('3 weeks, 13 school days, 2 lessons');
  });

  it('shows the days of a cycle', () => {
    const cycle = { ...term, rotation: { ...NO_ROTATION, cycleDays: 6 } };
    const picture = mount(TermPicture, { props: { term: cycle } });
    const shown = picture.findAll('td .day [aria-hidden]').map((element) => element.text());
    expect(shown.slice(0, 10)).toEqual(['1', '2', '3', '4', '5', '6', '', '', '1', '2']);
  });
});

describe('GroupsCard', () => {
  it('says who falls behind and what days off have cost', () => {
    const group = {
      staircaseId: 's',
      dates: [],
      total: 8,
      leftAtHome: 0,
      behind: 0,
      behindAtEnd: 0,
      behindSince: null,
    };
    const calendar: ClassCalendar = {
      term: { id: 't', name: 'Spring', version: 1, ...term },
      lessons: [],
      lost: [{ date: '2026-03-10', at: '09:40', reason: 'Boiler repair' }],
      lostHere: [],
      groups: [
        { id: 'a', name: '4 Plover', had: 5, left: 3, ...group },
        { id: 'b', name: '4 Otter', had: 4, left: 3, ...group, behind: 1, behindAtEnd: 1, behindSince: '2026-03-10' },
      ],
      token: null,
    };
    const { wrapper: card } = mountInApp(GroupsCard, { calendar, today: '2026-03-12' });
    expect(card.text()).toContain('4 Otter is 1 lesson behind, since 10 Mar; has 1 fewer by the end of the term.');
    expect(card.text()).toContain('Days off cost this class 1 lesson: 10 Mar (Boiler repair).');
  });
});
