/** Every request passes here first: who asks, and what the page it gets may run. */
import { randomBytes } from 'node:crypto';
import { type NextRequest, NextResponse } from 'next/server';
import { contentPolicy, ownHosts, refusal } from './server/door';

export function proxy(request: NextRequest): NextResponse {
  const header = (name: string): string | null => request.headers.get(name);
  const why = refusal(
    {
      method: request.method,
      path: request.nextUrl.pathname,
      host: header('host'),
      origin: header('origin'),
      site: header('sec-fetch-site'),
      mode: header('sec-fetch-mode'),
    },
    ownHosts(process.env.SOLENIX_HOSTS),
  );
  if (why !== null) return NextResponse.json({ error: why, problems: [] }, { status: 403 });
  const nonce = randomBytes(16).toString('base64');
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set('content-security-policy', policy);
  return answer;
}
