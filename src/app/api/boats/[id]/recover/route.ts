import { recoverBoat } from '@/server/checkpoints';
import { database } from '@/server/database';
import { tell } from '@/server/live';
import { patiently } from '@/server/patience';
import { guarded, readText, refuse } from '@/server/request';

/** Puts the last good design in the place of one that cannot be read; what stood there is kept. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const body = await readText(request, 1000);
    if (!body.ok) return body.response;
    const { id } = await params;
    const revision = await patiently(() => recoverBoat(database(), id, Date.now()));
    if (revision === null) return refuse(409, 'nothing that is kept of this boat can be read: restore a backup (docs/operations.md)');
    tell(id);
    return Response.json({ revision });
  });
