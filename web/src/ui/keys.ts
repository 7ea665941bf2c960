import { onKeyStroke } from '@vueuse/core';

const KEYLESS_INPUTS = new Set(['checkbox', 'radio', 'button', 'submit', 'range']);

/** Whether a key belongs to a text field or to a shortcut of the browser, so that the page's own keys stay silent. */
export function isTyping(event: KeyboardEvent): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) return true;
  const target = event.target;
  if (target instanceof HTMLInputElement) return !KEYLESS_INPUTS.has(target.type);
  return target instanceof HTMLElement && (target.isContentEditable || /^(textarea|select)$/i.test(target.tagName));
}

/** Space plays and stops, unless it presses the control that has the focus. Call it in `setup`. */
export function onPlayKey(toggle: () => void): void {
  onKeyStroke(' ', (event) => {
    const { target } = event;
    if (isTyping(event) || target instanceof HTMLButtonElement || target instanceof HTMLInputElement) return;
    event.preventDefault();
    toggle();
  });
}
