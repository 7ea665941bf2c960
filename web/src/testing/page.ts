import { enableAutoUnmount } from '@vue/test-utils';

let unmountAll = (): void => undefined;
enableAutoUnmount((unmount) => (unmountAll = unmount));

/** Takes away what the tests of this file have mounted, and what that left on the page: `afterEach(clearPage)`. */
export function clearPage(): void {
  unmountAll();
  document.body.innerHTML = '';
}
