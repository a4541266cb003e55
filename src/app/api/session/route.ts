import * as v from 'valibot';
import { Patience, revoke, grantOf, SESSION_MS, signIn } from '@/server/access';
import { database } from '@/server/database';
import { SESSION_COOKIE } from '@/server/gate';
import { guarded, readBody, readText, refuse } from '@/server/request';

const Body = v.object({
  passphrase: v.pipe(v.string(), v.minLength(1), v.maxLength(300)),
  name: v.pipe(v.string(), v.trim(), v.minLength(1, 'a name is needed'), v.maxLength(60)),
});

const shared = globalThis as { solenixPatience?: Patience };
const patience = (shared.solenixPatience ??= new Patience());

/** Kept by the browser for this server alone, out of reach of its pages. */
const cookie = (token: string, seconds: number): string =>
  `${SESSION_COOKIE}=${token}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${seconds}${process.env.SOLENIX_TLS === '1' ? '; Secure' : ''}`;

/** Signs in by the passphrase. */
export const POST = (request: Request) =>
  guarded(async () => {
    const body = await readBody(request, Body, 2000);
    if (!body.ok) return body.response;
    const from = request.headers.get('x-forwarded-for')?.split(',')[0]?.trim() ?? 'somewhere';
    const done = signIn(database(), patience, body.value.passphrase, body.value.name, from, Date.now());
    if (!done.ok)
      return Response.json(
        { error: done.why, problems: [] },
        { status: done.waitMs > 0 ? 429 : 403, headers: done.waitMs > 0 ? { 'retry-after': String(Math.ceil(done.waitMs / 1000)) } : {} },
      );
    return Response.json({ ok: true }, { headers: { 'set-cookie': cookie(done.token, SESSION_MS / 1000) } });
  });

/** Signs this device out. */
export const DELETE = (request: Request) =>
  guarded(async () => {
    const body = await readText(request, 1000);
    if (!body.ok) return body.response;
    const token = new RegExp(`(?:^|; )${SESSION_COOKIE}=([^;]+)`).exec(request.headers.get('cookie') ?? '')?.[1];
    const grant = token ? grantOf(database(), 'session', token, Date.now()) : null;
    if (!grant) return refuse(404, 'this device is not signed in');
    revoke(database(), grant.id);
    return Response.json({ ok: true }, { headers: { 'set-cookie': cookie('', 0) } });
  });
