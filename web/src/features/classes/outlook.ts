import type { HearingWay, LocalDate } from '@escalier/core/calendar';
import { forecastRequest } from '@escalier/core/classes';
import type { ClassForecast, ForecastRequest, RecordEvent } from '@escalier/core/records';
import type { ClassView } from './project.ts';
import { heardInLesson } from '@escalier/core/classes';
import { t } from './messages.ts';

/** What a teacher may try: the hearing as it is, a little longer, in rows, or from recordings besides. */
export const WHAT_IFS = [
  { value: 'now', text: t('outlook.no-change') },
  { value: 'minutes', text: t('outlook.two-more-minutes-of-hearing-each') },
  { value: 'rows', text: t('outlook.hearing-in-rows-of-three') },
  { value: 'recordings', text: t('outlook.twenty-minutes-of-recordings-after-each') },
] as const;
export type WhatIf = (typeof WHAT_IFS)[number]['value'];

export interface Outlook {
  /** Counted from 1. */
  readonly step: number;
  readonly of: number;
  readonly likely: number;
  readonly least: number;
  readonly most: number;
  readonly by: LocalDate;
}

const MORE_MINUTES = 2;
const ROW = 3;
const RECORDING_MINUTES = 20;

/** How many times as many pupils can be heard as now. */
export function timesAsMany(page: ClassView, what: WhatIf): number {
  const { minutes } = page.style.hearing;
  const heard = (way: HearingWay, given: number): number => heardInLesson(page, way, given);
  const now = Math.max(1, heard({ kind: 'alone' }, minutes));
  switch (what) {
    case 'now':
      return 1;
    case 'minutes':
      return heard({ kind: 'alone' }, minutes + MORE_MINUTES) / now;
    case 'rows':
      return heard({ kind: 'group', size: ROW }, minutes) / now;
    case 'recordings':
      return (now + heard({ kind: 'recording' }, RECORDING_MINUTES)) / now;
  }
}

/** What is to be forecast for `outlookOf`: as it goes now, and what is tried. */
export function outlookRequests(
  page: ClassView,
  events: readonly RecordEvent[],
  what: WhatIf,
): readonly (ForecastRequest | null)[] {
  return [...new Set<WhatIf>(['now', what])].map((tried) =>
    forecastRequest(page, events, { perLesson: page.pace.perLesson, turns: timesAsMany(page, tried) }),
  );
}

/**
 * The highest step that enough of the class will likely have passed by the last lesson if all goes as now, by the class's
 * own rule, the first one when there is none; and how many will have passed it. Null when there is nobody, or no lesson left.
 */
export function outlookOf(page: ClassView, [now, tried = now]: readonly (ClassForecast | null)[]): Outlook | null {
  const last = page.lessons.all.at(-1);
  const endOf = (forecast: ClassForecast | null | undefined) =>
    forecast?.steps.filter((band) => band.lesson === page.lessons.total) ?? [];
  const ends = endOf(now);
  const of = page.pupils.filter((pupil) => pupil.standing !== null).length;
  const { step } = ends.filter((band) => 100 * band.p50 >= page.style.goOnShare * of).at(-1) ?? ends[0] ?? { step: 0 };
  const band = endOf(tried).find((each) => each.step === step);
  if (band === undefined || last === undefined) return null;
  return { step, of, likely: band.p50, least: band.p10, most: band.p90, by: last.date };
}
