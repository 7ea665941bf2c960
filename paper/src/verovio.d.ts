/** The part of Verovio that is used; the package ships no types. */
declare module 'verovio/wasm' {
  interface VerovioModule {
    readonly asm?: unknown;
  }
  export default function createVerovioModule(): Promise<VerovioModule>;
}

declare module 'verovio/esm' {
  export class VerovioToolkit {
    constructor(module: unknown);
    setOptions(options: Readonly<Record<string, string | number | boolean>>): void;
    loadData(data: string): boolean;
    renderToSVG(page: number): string;
  }
}
