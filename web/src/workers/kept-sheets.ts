/** Engraved sheets stay on this device by what they were engraved from; leaving takes them away (offline/device.ts). */
const CACHE = 'escalier-sheets';
/** Goes up when the same tune comes to be engraved in another way. */
const ENGRAVING = 6;
const MOST_SHEETS = 300;

async function addressOf(request: object): Promise<string | null> {
  const { subtle } = (globalThis.crypto as Partial<Crypto> | undefined) ?? {};
  if (subtle === undefined || !('caches' in globalThis)) return null;
  const bytes = new TextEncoder().encode(JSON.stringify([ENGRAVING, request]));
  const hash = new Uint8Array(await subtle.digest('SHA-256', bytes));
  return `/sheets/${[...hash].map((byte) => byte.toString(16).padStart(2, '0')).join('')}`;
}

/** The sheet of a request, when it was engraved before; null where the browser keeps none. */
export async function keptSheet(request: object): Promise<string | null> {
  try {
    const address = await addressOf(request);
    const found = address === null ? undefined : await (await caches.open(CACHE)).match(address);
    return found === undefined ? null : await found.text();
  } catch {
    return null;
  }
}

export async function keepSheet(request: object, svg: string): Promise<void> {
  try {
    const address = await addressOf(request);
    if (address === null) return;
    const cache = await caches.open(CACHE);
    await cache.put(address, new Response(svg, { headers: { 'content-type': 'image/svg+xml' } }));
    const addresses = await cache.keys();
    for (const oldest of addresses.slice(0, Math.max(0, addresses.length - MOST_SHEETS))) await cache.delete(oldest);
  } catch {
    // Without room it is engraved again.
  }
}
