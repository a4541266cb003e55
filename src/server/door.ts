/** Who is let in: the host asked for must be one of ours, and what another site's page asks for is refused (docs/security.md). */

/** What is asked of a request; headers that are missing are null. */
export interface Asked {
  readonly method: string;
  readonly path: string;
  readonly host: string | null;
  readonly origin: string | null;
  /** Sec-Fetch-Site and Sec-Fetch-Mode. */
  readonly site: string | null;
  readonly mode: string | null;
}

const LOOPBACK: ReadonlySet<string> = new Set(['localhost', '127.0.0.1', '[::1]']);

/** A host without its port, in lower case; null: it is none. */
export function hostName(host: string | null): string | null {
  if (host === null || !/^(\[[0-9a-f:.]+\]|[a-z0-9.-]+)(:\d{1,5})?$/i.test(host)) return null;
  return host.replace(/:\d{1,5}$/, '').toLowerCase();
}

/** Names of SOLENIX_HOSTS, with commas between, beside those of the machine itself. */
export const ownHosts = (listed: string | undefined): ReadonlySet<string> =>
  new Set([...LOOPBACK, ...(listed ?? '').split(',').flatMap((h) => hostName(h.trim()) ?? [])]);

const hostOf = (origin: string): string | null => {
  try {
    return new URL(origin).host.toLowerCase();
  } catch {
    return null;
  }
};

/** What no browser may bring from elsewhere: a page may be opened by a link, everything else is its own pages' to ask for. */
const opened = ({ method, path, mode }: Asked): boolean => method === 'GET' && mode === 'navigate' && !path.startsWith('/api/');

/** Why a request is refused; null: it may come in. Programs send neither Origin nor fetch metadata. */
export function refusal(asked: Asked, own: ReadonlySet<string>): string | null {
  const name = hostName(asked.host);
  if (name === null || !own.has(name))
    return `this server does not answer as ${name ?? 'no host'}: open it by its own address, or name the host in SOLENIX_HOSTS`;
  if (asked.origin !== null && hostOf(asked.origin) !== asked.host?.toLowerCase()) return 'requests from other sites are refused';
  if (asked.site !== null && asked.site !== 'same-origin' && asked.site !== 'none' && !opened(asked))
    return 'requests from other sites are refused';
  return null;
}

/** What a page may load and run: its own files, inline scripts by the nonce of this answer alone. */
export const contentPolicy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'`,
    // Positions of what is drawn are inline styles.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
