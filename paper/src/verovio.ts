// @ts-expect-error the package ships no types
import createVerovioModule from 'verovio/wasm';
// @ts-expect-error the package ships no types
import { VerovioToolkit } from 'verovio/esm';

/** The part of Verovio that is used. */
export interface Toolkit {
  setOptions(options: Readonly<Record<string, string | number | boolean>>): void;
  /** @returns false for music that it does not read; the one before is kept then. */
  loadData(data: string): boolean;
  renderToSVG(page: number): string;
}

export async function createToolkit(): Promise<Toolkit> {
  const module: unknown = await (createVerovioModule as () => Promise<unknown>)();
  return new (VerovioToolkit as new (module: unknown) => Toolkit)(module);
}
