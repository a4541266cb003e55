import { revoke } from '@/server/access';
import { database } from '@/server/database';
import { guarded, readText, refuse } from '@/server/request';

/** Takes back a session, a key or a link. */
export const DELETE = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const body = await readText(request, 1000);
    if (!body.ok) return body.response;
    return revoke(database(), (await params).id) ? Response.json({ ok: true }) : refuse(404, 'there is no such thing any more');
  });
