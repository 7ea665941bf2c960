import { shallowRef } from 'vue';
import { ApiError } from '../refusals/index.ts';
import { t } from './messages.ts';

const last = shallowRef<string | null>(null);

/** What went wrong without anybody having seen to it: said once, at the edge of the screen, rather than a dead click. */
export function useMishaps() {
  function report(error: unknown): void {
    if (isHarmless(error)) return;
    last.value = wordsOf(error);
  }
  return { last, report };
}

function wordsOf(error: unknown): string {
  if (error instanceof ApiError) return error.message;
  if (error instanceof Error && /dynamically imported module|Failed to fetch/i.test(error.message))
    return t('mishaps.this-page-couldnt-be-loaded-check');
  return t('mishaps.something-went-wrong-on-this-page');
}

/** Browsers report this when a layout takes two rounds; nothing is wrong. */
function isHarmless(error: unknown): boolean {
  return (
    error === null || error === undefined || (error instanceof Error && error.message.startsWith('ResizeObserver'))
  );
}
