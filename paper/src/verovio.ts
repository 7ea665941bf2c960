/** The part of Verovio that is used. */
export interface Toolkit {
  setOptions(options: Readonly<Record<string, string | number | boolean>>): void;
  /** @returns false for music that it does not read; the one before is kept then. */
  loadData(data: string): boolean;
  renderToSVG(page: number): string;
}

interface Package {
  readonly default: () => Promise<unknown>;
}
interface Binding {
  readonly VerovioToolkit: new (module: unknown) => Toolkit;
}

/** Loaded when it is first needed, as files of their own: every worker shares them, and they can be replaced. */
export async function createToolkit(): Promise<Toolkit> {
  const [wasm, binding] = await Promise.all([
    // @ts-expect-error the package ships no types
    import('verovio/wasm') as Promise<Package>,
    // @ts-expect-error the package ships no types
    import('verovio/esm') as Promise<Binding>,
  ]);
  return new binding.VerovioToolkit(await wasm.default());
}
