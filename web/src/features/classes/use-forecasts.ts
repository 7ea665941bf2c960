import type { ClassForecast, ForecastRequest } from '@escalier/core/records';
import { onScopeDispose, shallowRef, watch } from 'vue';
import type { LoadProblem } from '../../ui/use-load.ts';
import { WorkerEnded } from '../../workers/index.ts';
import { planningWorker } from '../../workers/planning.ts';

type Forecasts = readonly (ClassForecast | null)[];

/**
 * What a page wants to know of the lessons to come, computed in a worker and again whenever the wish changes. The former
 * answer stays until the new one is there; null before the first.
 */
export function useForecasts(wished: () => readonly (ForecastRequest | null)[]) {
  const worker = planningWorker();
  const forecasts = shallowRef<Forecasts | null>(null);
  const error = shallowRef<LoadProblem | null>(null);
  let running = 0;
  let latest = 0;

  // As text: the same wish is not computed twice, and a copy goes to the worker.
  async function forecast(wish: string): Promise<void> {
    if (running > 0) worker.cancel();
    running += 1;
    const mine = (latest += 1);
    try {
      const answer = await worker.ask('forecasts', JSON.parse(wish) as (ForecastRequest | null)[]);
      if (mine !== latest) return;
      forecasts.value = answer;
      error.value = null;
    } catch (problem) {
      if (!(problem instanceof WorkerEnded)) throw problem;
      if (mine === latest) error.value = { kind: 'failed', message: problem.message };
    } finally {
      running -= 1;
    }
  }

  watch(() => JSON.stringify(wished()), forecast, { immediate: true });
  onScopeDispose(() => {
    latest += 1;
    worker.cancel();
  });
  return { forecasts, error };
}
