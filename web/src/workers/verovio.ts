import { createToolkit, type Toolkit, type WasmModule } from '@escalier/paper/verovio';
import address from 'verovio/wasm?url';

/** Verovio from a file of its own, as its package ships it: all workers share it, and another build may take its place. */
export const loadToolkit = (): Promise<Toolkit> =>
  createToolkit(() => import(/* @vite-ignore */ address) as Promise<WasmModule>);
