const LATEST_MS = 1500;

/** When the browser has nothing to do for whoever is pressing and reading; at the latest after a second and a half. */
export function whenIdle(): Promise<void> {
  return new Promise((resolve) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(resolve, 0);
    else requestIdleCallback(() => resolve(), { timeout: LATEST_MS });
  });
}
