import {
  hearings,
  takenBack,
  WRONG_CLOCK_SECONDS,
  type HeardEvent,
  type RecordEvent,
  type TakenBack,
} from '@escalier/core/records';
import { t } from './messages.ts';

/** The hearings of a pupil that count, in order. */
export function hearingsOf(events: readonly RecordEvent[], pupilId: string): readonly HeardEvent[] {
  return hearings(events.filter((event) => event.pupilId === pupilId));
}

/** The results of a pupil that were taken back, the last first. @param stepId of one step alone. */
export function takenBackOf(events: readonly RecordEvent[], pupilId: string, stepId?: string): readonly TakenBack[] {
  return takenBack(events.filter((event) => event.pupilId === pupilId))
    .filter(({ heard }) => stepId === undefined || heard.stepId === stepId)
    .toReversed();
}

/** What is to be said of the clock of the device that heard; null when it went right. */
export function clockWords({ receipt }: HeardEvent): string | null {
  const ahead = receipt?.deviceAhead ?? 0;
  if (Math.abs(ahead) < WRONG_CLOCK_SECONDS) return null;
  const [size, unit] =
    Math.abs(ahead) >= 172_800 ? [86_400, 'days'] : Math.abs(ahead) >= 7200 ? [3600, 'hours'] : [60, 'minutes'];
  return t('history.the-devices-clock-was-number-unit', {
    number: Math.round(Math.abs(ahead) / size),
    unit,
    direction: ahead > 0 ? 'ahead' : 'behind',
  });
}
