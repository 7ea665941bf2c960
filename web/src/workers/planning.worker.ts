import '../english.ts';
import { readAbc } from '@escalier/core/formats';
import { instrument, type InstrumentId } from '@escalier/core/instruments';
import { forecastClass, type ClassForecast, type ForecastRequest } from '@escalier/core/records';
import { planStaircase, profileOf, type BuildRequest, type Plan, type TuneProfile } from '@escalier/core/staircase';
import { expose } from 'comlink';

/** Told how far the work is, 0 to 1. */
export type Progress = (share: number) => void;

const EVERY_MS = 80;

/** What planning needs to know of each tune; one that does not read is left out. */
function profiles(
  tunes: readonly { readonly id: string; readonly abc: string }[],
  instrumentId: InstrumentId,
  progress: Progress,
): readonly TuneProfile[] {
  const on = instrument(instrumentId);
  let last = 0;
  return tunes.flatMap(({ id, abc }, index) => {
    if (performance.now() - last > EVERY_MS) {
      last = performance.now();
      progress(index / tunes.length);
    }
    const read = readAbc(abc);
    return read.ok ? [profileOf(id, read.value.tune, on)] : [];
  });
}

function plan(request: BuildRequest, progress: Progress): Plan {
  const work = planStaircase(request);
  let last = 0;
  for (;;) {
    const next = work.next();
    if (next.done === true) return next.value;
    if (performance.now() - last < EVERY_MS) continue;
    last = performance.now();
    progress(next.value);
  }
}

/** The courses that classes may take, each of its own request. */
function forecasts(requests: readonly (ForecastRequest | null)[]): readonly (ClassForecast | null)[] {
  return requests.map((request) => request && forecastClass(request));
}

const door = { profiles, plan, forecasts };
export type PlanningWorker = typeof door;
expose(door);
