const SOONEST_MS = 2000;
const LATEST_MS = 60_000;

/** Tries something again by itself, less and less often, until it goes well. */
export function tryAgain(work: () => void) {
  let wait = SOONEST_MS;
  let timer: ReturnType<typeof setTimeout> | undefined;
  return {
    later: (): void => {
      timer = setTimeout(work, wait);
      wait = Math.min(LATEST_MS, 2 * wait);
    },
    wentWell: (): void => void (wait = SOONEST_MS),
    stop: (): void => clearTimeout(timer),
  };
}
