import { database } from '@/server/database';
import { duplicateBoat } from '@/server/importBoat';
import { guarded, readText, refuse } from '@/server/request';

/** A second boat like this one, with her pictures, under a name of her own; her history begins with her. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const body = await readText(request, 1000);
    if (!body.ok) return body.response;
    const made = await duplicateBoat(database(), (await params).id, Date.now());
    return made ? Response.json(made, { status: 201 }) : refuse(404, 'there is no such boat');
  });
