/** The part of Verovio that is used. */
export interface Toolkit {
  setOptions(options: Readonly<Record<string, string | number | boolean>>): void;
  /** @returns false for music that it does not read; the one before is kept then. */
  loadData(data: string): boolean;
  renderToSVG(page: number): string;
}

/** The package’s module "verovio/wasm". */
export interface WasmModule {
  readonly default: () => Promise<unknown>;
}
interface Binding {
  readonly VerovioToolkit: new (module: unknown) => Toolkit;
}

/** @param load loads "verovio/wasm": from the disk, or from an address that all workers share. */
export async function createToolkit(load: () => Promise<WasmModule>): Promise<Toolkit> {
  const [wasm, binding] = await Promise.all([
    load(),
    // @ts-expect-error the package ships no types
    import('verovio/esm') as Promise<Binding>,
  ]);
  return new binding.VerovioToolkit(await wasm.default());
}
