import * as z from 'zod/mini';
import { deviceAccount, sealerOf, useKeptList } from '../../offline/index.ts';

/** Free words that wait for a network, as only the account's next session reads them. */
const SealedWords = z.object({ id: z.string(), account: z.string(), iv: z.string(), data: z.string() });

/**
 * Keeps what a teacher has said on the disk of this device until the school has it. Where the browser cannot seal, on plain
 * http, nothing is kept: the words may be about a child.
 * @param key of the account's session.
 */
export function useSealedWords(key: () => CryptoKey | string) {
  const kept = useKeptList('escalier-lesson-words', SealedWords);

  async function keep(id: string, value: unknown): Promise<void> {
    const sealer = await sealerOf(key());
    if (sealer === null) return;
    const { iv, data } = await sealer.seal(value);
    const account = deviceAccount.get() ?? '';
    kept.change((now) => [...now, { id, account, iv: textOf(iv), data: textOf(new Uint8Array(data)) }]);
  }

  /** What is kept for who is signed in, as far as it fits the schema; what another key has sealed stays closed. */
  async function read<Value>(schema: z.ZodMiniType<Value>): Promise<readonly Value[]> {
    const sealer = await sealerOf(key());
    if (sealer === null) return [];
    const own = kept.list.value.filter(({ account }) => account === (deviceAccount.get() ?? ''));
    const opened = await Promise.all(
      own.map(({ iv, data }) => sealer.open({ iv: bytesOf(iv), data: bytesOf(data).buffer })),
    );
    return opened.map((each) => z.safeParse(schema, each)).flatMap((result) => (result.success ? [result.data] : []));
  }

  function drop(ids: ReadonlySet<string>): void {
    kept.change((now) => now.filter(({ id }) => !ids.has(id)));
  }

  return { keep, read, drop };
}

function textOf(bytes: Uint8Array): string {
  return btoa(String.fromCharCode(...bytes));
}

function bytesOf(text: string): Uint8Array<ArrayBuffer> {
  return Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));
}
