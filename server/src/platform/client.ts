import type { IncomingMessage } from 'node:http';
import type { Context } from 'hono';
import proxyAddr from 'proxy-addr';

/** Where requests come from, and by which address browsers know this server. */
export interface Network {
  /** The sender's address; behind trusted proxies what they say it is. Empty where no network lies between, as in a test. */
  readonly addressOf: (c: Context) => string;
  /** Scheme and host as browsers see them. */
  readonly originOf: (c: Context) => string;
}

/** @throws Error when a proxy is no address. */
export function network(publicUrl: string | null, trustedProxies: readonly string[]): Network {
  const trust = proxyAddr.compile([...trustedProxies]);
  return {
    addressOf: (c) => {
      const incoming = (c.env as { readonly incoming?: IncomingMessage } | undefined)?.incoming;
      return incoming === undefined ? '' : proxyAddr(incoming, trust);
    },
    originOf: (c) => publicUrl ?? new URL(c.req.url).origin,
  };
}
