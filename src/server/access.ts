/** Who may do what once the server is reached from other machines: a passphrase, sessions, keys of programs, links that show one boat (docs/security.md). */
import { randomBytes, scryptSync, timingSafeEqual } from 'node:crypto';
import { and, desc, eq, lt } from 'drizzle-orm';
import type { Db } from './database';
import { type Coming, LINK_COOKIE, type May, SESSION_COOKIE } from './gate';
import { codeOf } from './patience';
import { sumOf } from './stored';
import { boats, grants, passphrases } from './tables';

export const LEAST_LETTERS = 10;
const DAY_MS = 24 * 3600_000;
export const SESSION_MS = 30 * DAY_MS;
export const MOST_LINK_DAYS = 366;
/** A session's last use is noted so often. */
const NOTED_MS = 60_000;

export type GrantKind = 'session' | 'key' | 'link';

/** What somebody was given, as it is listed; what they hold is kept as its SHA-256 alone. */
export interface Grant {
  readonly id: string;
  readonly kind: GrantKind;
  readonly name: string;
  readonly boatId: string | null;
  readonly boat: string | null;
  readonly createdAt: number;
  readonly seenAt: number | null;
  readonly expiresAt: number | null;
}

const SCRYPT = { N: 1 << 15, r: 8, p: 1, maxmem: 1 << 26 } as const;
const hashOf = (passphrase: string, salt: string): Buffer => scryptSync(passphrase.normalize('NFC'), salt, 32, SCRYPT);

export const hasPassphrase = (db: Db): boolean => db.select({ id: passphrases.id }).from(passphrases).limit(1).get() !== undefined;

/** Sets the passphrase and signs everybody out. null: done; else why not. */
export function setPassphrase(db: Db, passphrase: string, now: number): string | null {
  if ([...passphrase].length < LEAST_LETTERS) return `a passphrase has ${LEAST_LETTERS} letters or more`;
  const salt = randomBytes(16).toString('hex');
  const hash = hashOf(passphrase, salt).toString('hex');
  db.transaction((tx) => {
    tx.delete(passphrases).run();
    tx.insert(passphrases).values({ id: 1, salt, hash, at: now }).run();
    tx.delete(grants).where(eq(grants.kind, 'session')).run();
  });
  return null;
}

function isPassphrase(db: Db, said: string): boolean {
  const row = db.select().from(passphrases).limit(1).get();
  return row !== undefined && timingSafeEqual(Buffer.from(row.hash, 'hex'), hashOf(said, row.salt));
}

/** Wrong answers from one address that wait for nothing, and from all together: an address is what the asker says it is. */
const FREE = 4;
const FREE_OF_ALL = 30;
const LONGEST_WAIT_MS = 300_000;
const ALL = '';

/** Wrong answers make the next one wait: twice as long each time once the free ones are spent, five minutes at most. */
export class Patience {
  private readonly wrong = new Map<string, { times: number; until: number }>();
  /** ms still to wait. */
  waits(from: string, now: number): number {
    return Math.max(0, ...[from, ALL].map((who) => (this.wrong.get(who)?.until ?? 0) - now));
  }
  failed(from: string, now: number): void {
    for (const [who, free] of [
      [ALL, FREE_OF_ALL],
      [from, FREE],
    ] as const) {
      const times = (this.wrong.get(who)?.times ?? 0) + 1;
      const wait = times <= free ? 0 : Math.min(LONGEST_WAIT_MS, 1000 * 2 ** (times - free - 1));
      this.wrong.set(who, { times, until: wait === 0 ? 0 : now + wait });
    }
    // The oldest make room: a stranger of many addresses fills no memory.
    for (const key of this.wrong.keys()) {
      if (this.wrong.size <= 1000) break;
      if (key !== ALL) this.wrong.delete(key);
    }
  }
  succeeded(from: string): void {
    this.wrong.delete(from);
    this.wrong.delete(ALL);
  }
}

interface Given {
  readonly name: string;
  readonly boatId?: string;
  readonly expiresAt?: number;
}

/** Gives something new; what is to be held is answered once and kept nowhere. */
export function give(
  db: Db,
  kind: GrantKind,
  { name, boatId, expiresAt }: Given,
  now: number,
): { readonly id: string; readonly token: string } {
  const token = randomBytes(24).toString('base64url');
  const id = randomBytes(6).toString('hex');
  db.insert(grants)
    .values({ id, kind, name, sum: sumOf(token), boatId: boatId ?? null, createdAt: now, expiresAt: expiresAt ?? null })
    .run();
  return { id, token };
}

export type SignedIn =
  { readonly ok: true; readonly token: string } | { readonly ok: false; readonly why: string; readonly waitMs: number };

/** @param from where the request comes from, as far as it is known. */
export function signIn(db: Db, patience: Patience, said: string, name: string, from: string, now: number): SignedIn {
  const waitMs = patience.waits(from, now);
  if (waitMs > 0) return { ok: false, waitMs, why: `too many wrong answers: wait ${Math.ceil(waitMs / 1000)} s` };
  if (!isPassphrase(db, said)) {
    patience.failed(from, now);
    return { ok: false, waitMs: patience.waits(from, now), why: 'that is not the passphrase' };
  }
  patience.succeeded(from);
  db.delete(grants).where(lt(grants.expiresAt, now)).run();
  return { ok: true, token: give(db, 'session', { name, expiresAt: now + SESSION_MS }, now).token };
}

/** Nobody is kept out because another program holds the file: the use is noted the next time. */
function noteUse(db: Db, id: string, now: number): void {
  try {
    db.update(grants).set({ seenAt: now }).where(eq(grants.id, id)).run();
  } catch (error) {
    if (!codeOf(error).startsWith('SQLITE_BUSY')) throw error;
  }
}

/** What a token stands for now; null: nothing, or no more. */
export function grantOf(
  db: Db,
  kind: GrantKind,
  token: string,
  now: number,
): { readonly id: string; readonly boatId: string | null } | null {
  const row = db
    .select()
    .from(grants)
    .where(and(eq(grants.kind, kind), eq(grants.sum, sumOf(token))))
    .get();
  if (!row || (row.expiresAt !== null && row.expiresAt <= now)) return null;
  if (row.seenAt === null || now - row.seenAt > NOTED_MS) noteUse(db, row.id, now);
  return { id: row.id, boatId: row.boatId };
}

/** What stands, newest first; of one boat her links. */
export const listGrants = (db: Db, kind: GrantKind, now: number, boatId: string | null = null): Grant[] =>
  db
    .select({
      id: grants.id,
      kind: grants.kind,
      name: grants.name,
      boatId: grants.boatId,
      boat: boats.name,
      createdAt: grants.createdAt,
      seenAt: grants.seenAt,
      expiresAt: grants.expiresAt,
    })
    .from(grants)
    .leftJoin(boats, eq(boats.id, grants.boatId))
    .where(and(eq(grants.kind, kind), boatId === null ? undefined : eq(grants.boatId, boatId)))
    .orderBy(desc(grants.createdAt))
    .all()
    .filter((g) => g.expiresAt === null || g.expiresAt > now);

/** All that stands now, by kind. */
export function grantsNow(db: Db): Readonly<Record<'sessions' | 'keys' | 'links', readonly Grant[]>> {
  const now = Date.now();
  return { sessions: listGrants(db, 'session', now), keys: listGrants(db, 'key', now), links: listGrants(db, 'link', now) };
}

/** Takes back what was given. */
export const revoke = (db: Db, id: string): boolean => db.delete(grants).where(eq(grants.id, id)).run().changes > 0;

/** What a link lets see: pages of its boat, and what they ask for; nothing is written. */
const looksAt = (path: string, boatId: string): boolean =>
  ['/boats/', '/api/boats/'].some((root) => path === `${root}${boatId}` || path.startsWith(`${root}${boatId}/`));

/** What a request may do. */
export function may(db: Db, asked: Coming, now: number): May {
  const session = asked.cookies.get(SESSION_COOKIE);
  if (session && grantOf(db, 'session', session, now)) return { may: 'all' };
  const key = /^Bearer ([A-Za-z0-9_-]{20,60})$/.exec(asked.authorization ?? '')?.[1];
  if (key && grantOf(db, 'key', key, now)) return { may: 'all' };
  const link = asked.cookies.get(LINK_COOKIE);
  const boatId = link ? grantOf(db, 'link', link, now)?.boatId : null;
  if (boatId && (asked.method === 'GET' || asked.method === 'HEAD') && looksAt(asked.path, boatId)) return { may: 'look', boatId };
  return { may: 'nothing' };
}
