import { openBoat } from '@/server/boats';
import { database } from '@/server/database';
import { patiently } from '@/server/patience';
import { guarded, refuse } from '@/server/request';
import { stateNow } from '@/server/states';
import { work } from '@/server/work/pool';

/** How far a boat is: findings open, loads wired, lengths taped; calculated where it is not known of her revision. */
export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const { id } = await params;
    const boat = openBoat(database(), id);
    if (!boat) return refuse(404, 'there is no such boat');
    const state = await stateNow(database(), boat, (design) => work().run('state', design), patiently);
    return Response.json({ revision: boat.revision, state });
  });
