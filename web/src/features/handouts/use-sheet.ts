import { watchDebounced } from '@vueuse/core';
import { onScopeDispose, ref, shallowRef, type Ref } from 'vue';
import type { LayOutSettings } from '@escalier/paper';
import { saveFile } from '../../ui/save-file.ts';
import { handoutsWorker, type HandoutOrder, type HandoutView } from '../../workers/handouts.ts';
import { WorkerEnded } from '../../workers/index.ts';

const DEBOUNCE_MS = 150;

/** The sheet that is ordered, set in a worker and again whenever the order changes; and its files. Call it in `setup`. */
export function useSheet(order: Ref<HandoutOrder | null>, settings: Ref<LayOutSettings>) {
  const press = handoutsWorker();
  const view = shallowRef<HandoutView | null>(null);
  /** Why there is no sheet. */
  const problem = ref<string | null>(null);
  /** Of the work under way, 0 to 1; null when there is none. */
  const share = ref<number | null>(null);
  let latest = 0;

  async function set(): Promise<void> {
    const mine = (latest += 1);
    if (order.value === null) return;
    if (share.value !== null) press.cancel();
    share.value = 0;
    try {
      const made = await press.ask('preview', plain(order.value), plain(settings.value), (done) => {
        if (mine === latest) share.value = done;
      });
      if (mine !== latest) return;
      problem.value = typeof made === 'string' ? made : null;
      view.value = typeof made === 'string' ? null : made;
    } catch (error) {
      if (!(error instanceof WorkerEnded)) throw error;
      if (mine === latest) problem.value = error.message;
    } finally {
      if (mine === latest) share.value = null;
    }
  }
  watchDebounced([order, settings], set, { debounce: DEBOUNCE_MS, immediate: true, deep: true });
  onScopeDispose(() => {
    latest += 1;
    press.cancel();
  });

  async function save(of: 'sheet' | 'key', name: string): Promise<void> {
    if (order.value === null) return;
    const mine = (latest += 1);
    share.value = 0;
    try {
      const pdf = await press.ask('pdf', plain(order.value), plain(settings.value), of, (done) => {
        if (mine === latest) share.value = done;
      });
      saveFile(`${name}.pdf`, 'application/pdf', new Uint8Array(pdf));
    } catch (error) {
      if (!(error instanceof WorkerEnded)) throw error;
      problem.value = error.message;
    } finally {
      if (mine === latest) share.value = null;
    }
  }

  /** Ends the work under way; what was seen before stays. */
  function stop(): void {
    latest += 1;
    share.value = null;
    press.cancel();
  }

  return { view, problem, share, save, stop };
}

/** Without what makes it reactive: a worker takes copies. */
function plain<Thing>(thing: Thing): Thing {
  return JSON.parse(JSON.stringify(thing)) as Thing;
}
