import { setDeleted } from '@/server/boats';
import { database } from '@/server/database';
import { patiently } from '@/server/patience';
import { guarded, readText, refuse } from '@/server/request';

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const body = await readText(request, 1000);
    if (!body.ok) return body.response;
    const { id } = await params;
    return (await patiently(() => setDeleted(database(), id, null))) ? Response.json({ ok: true }) : refuse(404, 'there is no such boat');
  });
