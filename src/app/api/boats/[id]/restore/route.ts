import { setDeleted } from '@/server/boats';
import { database } from '@/server/database';
import { guarded, readText, refuse } from '@/server/request';

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const body = await readText(request, 1000);
    if (!body.ok) return body.response;
    return setDeleted(database(), (await params).id, null) ? Response.json({ ok: true }) : refuse(404, 'there is no such boat');
  });
