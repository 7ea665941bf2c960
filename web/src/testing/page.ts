import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils';

let unmountAll = (): void => undefined;
// Files share a worker: whichever comes next takes over.
disableAutoUnmount();
enableAutoUnmount((unmount) => (unmountAll = unmount));

/** Takes away what the tests of this file have mounted, and what that left on the page: `afterEach(clearPage)`. */
export function clearPage(): void {
  unmountAll();
  document.body.innerHTML = '';
}
