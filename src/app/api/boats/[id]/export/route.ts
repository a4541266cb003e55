import { openBoat } from '@/server/boats';
import { database } from '@/server/database';
import { guarded, refuse } from '@/server/request';

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const boat = openBoat(database(), (await params).id);
    if (!boat) return refuse(404, 'there is no such boat');
    const name =
      boat.design.boat.name
        .replace(/[^A-Za-z0-9-]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .toLowerCase() || 'boat';
    return new Response(JSON.stringify(boat.design, null, 1), {
      headers: { 'content-type': 'application/json; charset=utf-8', 'content-disposition': `attachment; filename="${name}.solenix.json"` },
    });
  });
