import { onKeyStroke, useLocalStorage } from '@vueuse/core';
import { computed } from 'vue';
import { isForPage } from './keys.ts';
import { t } from './messages.ts';

/** What a key, a foot switch or a presenter can do: the same wherever something is played. */
export const KEY_ACTIONS = [
  { id: 'play', label: t('action-keys.play-and-stop'), keys: [' '] },
  { id: 'next', label: t('action-keys.next'), keys: ['ArrowRight', 'PageDown', 'Enter'] },
  { id: 'back', label: t('action-keys.back'), keys: ['ArrowLeft', 'PageUp'] },
  { id: 'faster', label: t('action-keys.faster'), keys: ['ArrowUp', '+'] },
  { id: 'slower', label: t('action-keys.slower'), keys: ['ArrowDown', '-'] },
  { id: 'tap', label: t('action-keys.tap-a-tempo'), keys: ['t'] },
  { id: 'item', label: t('action-keys.the-next-pattern-card-or-version'), keys: ['.'] },
  { id: 'item-back', label: t('action-keys.previous'), keys: [','] },
  { id: 'loop', label: t('action-keys.loop'), keys: ['l'] },
  { id: 'melody', label: t('action-keys.melody'), keys: ['m'] },
  { id: 'backing', label: t('action-keys.backing'), keys: ['b'] },
  { id: 'click', label: t('action-keys.click'), keys: ['c'] },
  { id: 'names', label: t('action-keys.names-shown'), keys: ['n'] },
  { id: 'again', label: t('action-keys.again'), keys: ['r'] },
  { id: 'skip', label: t('action-keys.skip'), keys: ['s'] },
  { id: 'row', label: t('action-keys.the-next-row'), keys: ['w'] },
  { id: 'lot', label: t('action-keys.pick-one-at-random'), keys: ['o'] },
  { id: 'quiet', label: t('action-keys.quiet-please'), keys: ['q'] },
  { id: 'silence', label: t('action-keys.sound-off-and-on'), keys: ['x'] },
  { id: 'dark', label: t('action-keys.the-picture-on-a-dark-wall'), keys: ['d'] },
  { id: 'large', label: t('action-keys.the-picture-large-the-strip-small'), keys: ['g'] },
  { id: 'full', label: t('action-keys.full-screen'), keys: ['f'] },
] as const;
export type KeyAction = (typeof KEY_ACTIONS)[number]['id'];

/** Keys by action, as this device has them: a foot switch is of one device. */
const own = useLocalStorage<Partial<Record<KeyAction, readonly string[]>>>('escalier.lesson-keys', {});

export function useActionKeys() {
  const keys = computed(
    () => new Map(KEY_ACTIONS.map(({ id, keys: usual }) => [id, own.value[id] ?? (usual as readonly string[])])),
  );
  /** A key does one thing: what it did before it does no longer. */
  function set(action: KeyAction, key: string): void {
    const others = KEY_ACTIONS.filter(({ id }) => id !== action).flatMap(({ id }) => {
      const left = keys.value.get(id)!.filter((each) => each !== key);
      return left.length === keys.value.get(id)!.length ? [] : [[id, left] as const];
    });
    own.value = { ...own.value, ...Object.fromEntries(others), [action]: [key] };
  }
  const reset = (): void => void (own.value = {});
  return { keys, set, reset, isChanged: computed(() => Object.keys(own.value).length > 0) };
}

const SHOWN: Readonly<Record<string, string>> = {
  ' ': 'Space',
  ArrowRight: '→',
  ArrowLeft: '←',
  ArrowUp: '↑',
  ArrowDown: '↓',
};

export function keyWords(keys: readonly string[]): string {
  return keys.length === 0
    ? 'none'
    : keys.map((key) => SHOWN[key] ?? (key.length === 1 ? key.toUpperCase() : key)).join(', ');
}

/**
 * Calls what a key stands for, as far as the page does it; numbers are for rungs. Call it in `setup`.
 * @param isOn whether the page has the keys just now: a dialog may have them.
 */
export function onActionKey(
  does: Partial<Record<KeyAction, () => unknown>>,
  rung: (number: number) => void = () => undefined,
  isOn: () => boolean = () => true,
): void {
  const { keys } = useActionKeys();
  onKeyStroke(true, (event) => {
    if (!isForPage(event) || !isOn()) return;
    const pressed = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const action = KEY_ACTIONS.find(({ id }) => keys.value.get(id)!.includes(pressed))?.id;
    if (action !== undefined && does[action] !== undefined) {
      event.preventDefault();
      if (!event.repeat || action === 'faster' || action === 'slower') does[action]();
    } else if (/^[1-9]$/.test(event.key)) rung(Number(event.key));
  });
  // A button is pressed when the key comes up.
  onKeyStroke(' ', (event) => isForPage(event) && event.preventDefault(), { eventName: 'keyup' });
}

const LONGEST_GAP_MS = 2500;

/** Beats a minute from taps; null until there are two. */
export function useTaps() {
  let taps: number[] = [];
  return (now: number): number | null => {
    if (now - (taps.at(-1) ?? 0) > LONGEST_GAP_MS) taps = [];
    taps = [...taps, now].slice(-6);
    if (taps.length < 2) return null;
    return Math.round((60_000 * (taps.length - 1)) / (taps.at(-1)! - taps[0]!));
  };
}
