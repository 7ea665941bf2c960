import { watchDebounced } from '@vueuse/core';
import { onScopeDispose, ref, shallowRef, type Ref } from 'vue';
import type { LayOutSettings } from '@escalier/paper';
import { saveFile } from '../../ui/save-file.ts';
import { handoutsWorker, type PrintRequest, type HandoutView } from '../../workers/handouts.ts';
import { WorkerEnded } from '../../workers/index.ts';

const DEBOUNCE_MS = 150;

/** The sheet that is asked for, set in a worker and again whenever the request changes; and its files. Call it in `setup`. */
export function useSheet(request: Ref<PrintRequest | null>, settings: Ref<LayOutSettings>) {
  const press = handoutsWorker();
  const view = shallowRef<HandoutView | null>(null);
  /** Why there is no sheet. */
  const problem = ref<string | null>(null);
  /** Of the work under way, 0 to 1; null when there is none. */
  const share = ref<number | null>(null);
  let latest = 0;
  let isGone = false;

  async function set(): Promise<void> {
    const mine = (latest += 1);
    if (request.value === null || isGone) return;
    if (share.value !== null) press.cancel();
    share.value = 0;
    try {
      const made = await press.ask('preview', plain(request.value), plain(settings.value), (done) => {
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
  watchDebounced([request, settings], set, { debounce: DEBOUNCE_MS, immediate: true, deep: true });
  onScopeDispose(() => {
    isGone = true;
    latest += 1;
    press.cancel();
  });

  async function save(of: 'sheet' | 'key', name: string): Promise<void> {
    if (request.value === null) return;
    const mine = (latest += 1);
    share.value = 0;
    try {
      const pdf = await press.ask('pdf', plain(request.value), plain(settings.value), of, (done) => {
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

  /** One page for a teacher's own document; letters are drawn, so that it needs no font. @param page counted from 1. */
  async function picture(as: 'svg' | 'png', page: number, name: string): Promise<void> {
    if (request.value === null) return;
    const svg = await press.ask('drawn', plain(request.value), plain(settings.value), page - 1);
    if (as === 'svg') saveFile(`${name}.svg`, 'image/svg+xml', svg);
    else saveFile(`${name}.png`, 'image/png', await pngOf(svg));
  }

  /** Ends the work under way; what was seen before stays. */
  function stop(): void {
    latest += 1;
    share.value = null;
    press.cancel();
  }

  return { view, problem, share, save, picture, stop };
}

/** Dots for a point: sharp in print. */
const DOTS = 3;

async function pngOf(svg: string): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const [, width, height] = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg)!;
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(Number(width) * DOTS);
  canvas.height = Math.round(Number(height) * DOTS);
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve) => canvas.toBlob((blob) => resolve(blob!), 'image/png'));
}

/** Without what makes it reactive: a worker takes copies. */
function plain<Thing>(thing: Thing): Thing {
  return JSON.parse(JSON.stringify(thing)) as Thing;
}
