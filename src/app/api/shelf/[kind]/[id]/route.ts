import { database } from '@/server/database';
import { guarded, refuse } from '@/server/request';
import { isShelfKind, takeOffShelf } from '@/server/shelf';

/** Takes an item off the shelf and answers what it was. */
export const DELETE = (request: Request, { params }: { params: Promise<{ kind: string; id: string }> }) =>
  guarded(async () => {
    const { kind, id } = await params;
    const gone = isShelfKind(kind) ? takeOffShelf(database(), kind, id) : null;
    return gone ? Response.json(gone) : refuse(404, 'it is not on the shelf');
  });
