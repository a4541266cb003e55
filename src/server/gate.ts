/** What the door asks of whoever comes in from other machines. Set once the database is open; the door itself knows no database. */

/** What comes in. */
export interface Coming {
  readonly method: string;
  readonly path: string;
  readonly cookies: ReadonlyMap<string, string>;
  readonly authorization: string | null;
}

export type May =
  | { readonly may: 'all' }
  /** One boat, to be looked at. */
  | { readonly may: 'look'; readonly boatId: string }
  | { readonly may: 'nothing' };

export type Gate = (coming: Coming) => May;

export const SESSION_COOKIE = 'solenix-session';
export const LINK_COOKIE = 'solenix-link';

/** Told to pages of a boat that somebody only looks at. */
export const LOOK_HEADER = 'x-solenix-look';

const shared = globalThis as { solenixGate?: Gate };

export const setGate = (gate: Gate): void => void (shared.solenixGate = gate);
export const currentGate = (): Gate | undefined => shared.solenixGate;

/** Whether a host is this machine alone. */
export const isLoopback = (host: string | undefined): boolean =>
  host === undefined || host === '' || host === 'localhost' || host === '::1' || /^127\.\d+\.\d+\.\d+$/.test(host);

/** Whether the server is reached from other machines: HOST says so, or what stands before it does. */
export const isGuarded = (env: Readonly<Record<string, string | undefined>>): boolean =>
  env.SOLENIX_GUARDED === '1' || !isLoopback(env.HOST);

/** Pages that stand before the door. */
export const isBeforeDoor = (path: string): boolean =>
  path === '/enter' ||
  path === '/api/session' ||
  /^\/view\/[A-Za-z0-9_-]+$/.test(path) ||
  path.startsWith('/_next/static/') ||
  path === '/sw.js' ||
  path === '/manifest.webmanifest' ||
  /^\/(icon|favicon)[^/]*$/.test(path);

/** A path of ours to go on to, after the door; what is none is the list of boats. */
export const goingTo = (path: string | null | undefined): string =>
  path && /^\/(?![/\\])/.test(path) && !path.includes('\\') ? path : '/';
