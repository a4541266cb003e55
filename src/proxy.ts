/** Every request passes here first: who asks, whether they may, and what the page they get may run. */
import { randomBytes } from 'node:crypto';
import { type NextRequest, NextResponse } from 'next/server';
import { admission } from './server/admit';
import { contentPolicy } from './server/door';
import { LOOK_HEADER } from './server/gate';

/** What is larger than a memory passes by and asks for itself: a body is kept here as long as it is read. */
export const config = { matcher: ['/((?!api/restore$).*)'] };

export function proxy(request: NextRequest): NextResponse {
  const { pathname, search } = request.nextUrl;
  const admitted = admission({ method: request.method, path: pathname, header: (name) => request.headers.get(name) });
  if (!admitted.in) {
    const page = admitted.status === 401 && request.method === 'GET' && !pathname.startsWith('/api/');
    if (!page) return NextResponse.json({ error: admitted.why, problems: [] }, { status: admitted.status });
    // People are led to where they say who they are. A way on this host is told without the host: it is not always what this server calls itself.
    const to = request.nextUrl.clone();
    to.pathname = '/enter';
    to.search = new URLSearchParams({ to: `${pathname}${search}` }).toString();
    return NextResponse.redirect(to);
  }
  const nonce = randomBytes(16).toString('base64');
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  headers.delete(LOOK_HEADER);
  if (admitted.may.may === 'look') headers.set(LOOK_HEADER, '1');
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set('content-security-policy', policy);
  return answer;
}
