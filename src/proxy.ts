/** Every request passes here first: who asks, whether they may, and what the page they get may run. */
import { randomBytes } from 'node:crypto';
import { networkInterfaces } from 'node:os';
import { type NextRequest, NextResponse } from 'next/server';
import { contentPolicy, ownHosts, refusal } from './server/door';
import { currentGate, isBeforeDoor, isGuarded, LOOK_HEADER, type May } from './server/gate';

/** Addresses of this machine: a name that was made to point here is none of them. */
const addresses = (): readonly string[] =>
  Object.values(networkInterfaces()).flatMap((all) => (all ?? []).map((a) => (a.family === 'IPv6' ? `[${a.address}]` : a.address)));

function mayOf(request: NextRequest): May {
  if (!isGuarded(process.env)) return { may: 'all' };
  const gate = currentGate();
  if (!gate) return { may: 'nothing' };
  return gate({
    method: request.method,
    path: request.nextUrl.pathname,
    cookies: new Map(request.cookies.getAll().map((c) => [c.name, c.value])),
    authorization: request.headers.get('authorization'),
  });
}

/** What somebody who may not is answered: programs the reason, people the page where they say who they are. */
function sentAway(request: NextRequest): NextResponse {
  const { pathname, search } = request.nextUrl;
  if (pathname.startsWith('/api/') || request.method !== 'GET')
    return NextResponse.json({ error: 'sign in first, or send a key', problems: [] }, { status: 401 });
  // A way on this host is told without the host: it is not always what this server calls itself.
  const to = request.nextUrl.clone();
  to.pathname = '/enter';
  to.search = new URLSearchParams({ to: `${pathname}${search}` }).toString();
  return NextResponse.redirect(to);
}

export function proxy(request: NextRequest): NextResponse {
  const header = (name: string): string | null => request.headers.get(name);
  const guarded = isGuarded(process.env);
  const why = refusal(
    {
      method: request.method,
      path: request.nextUrl.pathname,
      host: header('host'),
      origin: header('origin'),
      site: header('sec-fetch-site'),
      mode: header('sec-fetch-mode'),
    },
    ownHosts([process.env.SOLENIX_HOSTS ?? '', ...(guarded ? addresses() : [])].join(',')),
  );
  if (why !== null) return NextResponse.json({ error: why, problems: [] }, { status: 403 });
  const may = isBeforeDoor(request.nextUrl.pathname) ? ({ may: 'all' } as const) : mayOf(request);
  if (may.may === 'nothing') return sentAway(request);
  const nonce = randomBytes(16).toString('base64');
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  headers.delete(LOOK_HEADER);
  if (may.may === 'look') headers.set(LOOK_HEADER, '1');
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set('content-security-policy', policy);
  return answer;
}
