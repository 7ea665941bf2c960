/** What only the next sign-in to the same account can read. */
export interface Sealed {
  readonly iv: Uint8Array<ArrayBuffer>;
  readonly data: ArrayBuffer;
}

export interface Sealer {
  seal(value: unknown): Promise<Sealed>;
  /** Null when it was sealed with another key, or is broken. */
  open(sealed: Sealed): Promise<unknown>;
}

/**
 * AES-GCM with the account's key, which the school gives to who is signed in and this device keeps no longer than that.
 * Null where the browser has no cryptography, as on plain http.
 * @param key as this device keeps it, or 256 bits in base64url.
 */
export async function sealerOf(key: CryptoKey | string): Promise<Sealer | null> {
  const secret = typeof key === 'string' ? await importKey(key) : key;
  if (secret === null) return null;
  const { subtle } = crypto;
  return {
    async seal(value) {
      const iv = crypto.getRandomValues(new Uint8Array(12));
      const plain = new TextEncoder().encode(JSON.stringify(value));
      return { iv, data: await subtle.encrypt({ name: 'AES-GCM', iv }, secret, plain) };
    },
    async open({ iv, data }) {
      try {
        const plain = await subtle.decrypt({ name: 'AES-GCM', iv }, secret, data);
        return JSON.parse(new TextDecoder().decode(plain)) as unknown;
      } catch {
        return null;
      }
    },
  };
}

/** As something that can be used and not be read; null for what is no key, and where the browser has no cryptography. */
export async function importKey(key: string): Promise<CryptoKey | null> {
  const subtle = (globalThis.crypto as Partial<Crypto> | undefined)?.subtle;
  const bytes = bytesOf(key);
  if (subtle === undefined || bytes.length !== 32) return null;
  return subtle.importKey('raw', bytes, 'AES-GCM', false, ['encrypt', 'decrypt']);
}

function bytesOf(key: string): Uint8Array<ArrayBuffer> {
  const text = atob(key.replaceAll('-', '+').replaceAll('_', '/'));
  return Uint8Array.from(text, (letter) => letter.charCodeAt(0));
}
