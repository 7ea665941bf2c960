import { onKeyStroke } from '@vueuse/core';

const KEYLESS_INPUTS = new Set(['checkbox', 'radio', 'button', 'submit', 'range']);

/** Whether the control that has the focus was pressed, and not come to by the keyboard. */
let isPressed = false;
if (typeof window !== 'undefined') {
  window.addEventListener('pointerdown', () => (isPressed = true), { capture: true });
  window.addEventListener('keydown', ({ key }) => (isPressed &&= key !== 'Tab'), { capture: true });
}

/** Whether a key belongs to a text field or to a shortcut of the browser, so that the page's own keys stay silent. */
export function isTyping(event: KeyboardEvent): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) return true;
  const target = event.target;
  if (target instanceof HTMLInputElement) return !KEYLESS_INPUTS.has(target.type);
  return target instanceof HTMLElement && (target.isContentEditable || /^(textarea|select)$/i.test(target.tagName));
}

/**
 * Whether a key is the page's, for a page that is played by keys: also while a button or a choice has the focus that
 * was pressed just now. One that the keyboard came to keeps its own keys.
 */
export function isForPage(event: KeyboardEvent): boolean {
  const { target } = event;
  if (event.ctrlKey || event.metaKey || event.altKey) return false;
  if (isPressed && target instanceof HTMLSelectElement) return true;
  if (isTyping(event)) return false;
  return isPressed || !(target instanceof HTMLButtonElement || target instanceof HTMLInputElement);
}

/** Space plays and stops, whatever was pressed last. Call it in `setup`. */
export function onPlayKey(toggle: () => void): void {
  onKeyStroke(
    ' ',
    (event) => {
      if (!isForPage(event)) return;
      event.preventDefault();
      if (!event.repeat) toggle();
    },
    { target: window, eventName: 'keydown' },
  );
  // A button is pressed when the key comes up.
  onKeyStroke(' ', (event) => isForPage(event) && event.preventDefault(), { target: window, eventName: 'keyup' });
}
