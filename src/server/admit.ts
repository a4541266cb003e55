/** Whether what knocks may come in: by the host it asks for, where it comes from, and what it brings (docs/security.md). */
import { networkInterfaces } from 'node:os';
import { ownHosts, refusal } from './door';
import { currentGate, isBeforeDoor, isGuarded, type May } from './gate';

export interface Knock {
  readonly method: string;
  readonly path: string;
  readonly header: (name: string) => string | null;
}

export type Admission =
  | { readonly in: true; readonly may: Exclude<May, { may: 'nothing' }> }
  | { readonly in: false; readonly status: 401 | 403; readonly why: string };

/** Addresses of this machine: a name that was made to point here is none of them. */
const addresses = (): readonly string[] =>
  Object.values(networkInterfaces()).flatMap((all) => (all ?? []).map((a) => (a.family === 'IPv6' ? `[${a.address}]` : a.address)));

/** Cookies of a header, by name. */
export const cookiesOf = (header: string | null): ReadonlyMap<string, string> =>
  new Map(
    (header ?? '').split(';').flatMap((pair) => {
      const at = pair.indexOf('=');
      return at > 0 ? [[pair.slice(0, at).trim(), pair.slice(at + 1).trim()] as const] : [];
    }),
  );

export function admission({ method, path, header }: Knock): Admission {
  const guarded = isGuarded(process.env);
  const why = refusal(
    {
      method,
      path,
      host: header('host'),
      origin: header('origin'),
      site: header('sec-fetch-site'),
      mode: header('sec-fetch-mode'),
    },
    ownHosts([process.env.SOLENIX_HOSTS ?? '', ...(guarded ? addresses() : [])].join(',')),
  );
  if (why !== null) return { in: false, status: 403, why };
  if (!guarded || isBeforeDoor(path)) return { in: true, may: { may: 'all' } };
  const may = currentGate()?.({ method, path, cookies: cookiesOf(header('cookie')), authorization: header('authorization') });
  return may === undefined || may.may === 'nothing' ? { in: false, status: 401, why: 'sign in first, or send a key' } : { in: true, may };
}
