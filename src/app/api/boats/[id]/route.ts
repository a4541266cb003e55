import { openBoat, setDeleted } from '@/server/boats';
import { database } from '@/server/database';
import { patiently } from '@/server/patience';
import { guarded, readText, refuse } from '@/server/request';

type Context = { params: Promise<{ id: string }> };

export const GET = (_: Request, { params }: Context) =>
  guarded(async () => {
    const boat = openBoat(database(), (await params).id);
    return boat ? Response.json(boat) : refuse(404, 'there is no such boat');
  });

export const DELETE = (request: Request, { params }: Context) =>
  guarded(async () => {
    const body = await readText(request, 1000);
    if (!body.ok) return body.response;
    const { id } = await params;
    return (await patiently(() => setDeleted(database(), id, Date.now())))
      ? Response.json({ ok: true })
      : refuse(404, 'there is no such boat');
  });
