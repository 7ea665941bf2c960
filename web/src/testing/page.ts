import { enableAutoUnmount } from '@vue/test-utils';

const held = globalThis as { unmountAllOfTests?: () => void };
if (held.unmountAllOfTests === undefined) enableAutoUnmount((unmount) => (held.unmountAllOfTests = unmount));

/** Takes away what the tests have mounted, and what that left on the page. All files of a worker share the one hook there is. */
export function clearPage(): void {
  held.unmountAllOfTests?.();
  document.body.innerHTML = '';
}
