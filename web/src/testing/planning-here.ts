import { forecastClass, type ForecastRequest } from '@escalier/core/records';

/** The worker's forecasts made on the spot, for components that are mounted without one. */
export function planningWorker() {
  return {
    cancel: (): void => undefined,
    ask: (_: 'forecasts', requests: readonly (ForecastRequest | null)[]) =>
      Promise.resolve(requests.map((request) => request && forecastClass({ ...request, runs: 400 }))),
  };
}
