import { packBoat } from '@/server/archive';
import { openBoat } from '@/server/boats';
import { database } from '@/server/database';
import { photoBytes } from '@/server/photos';
import { guarded, refuse } from '@/server/request';

/** The design file; with ?as=zip the design and its pictures. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const { id } = await params;
    const boat = openBoat(database(), id);
    if (!boat) return refuse(404, 'there is no such boat');
    const name =
      boat.design.boat.name
        .replace(/[^A-Za-z0-9-]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .toLowerCase() || 'boat';
    const attached = (type: string, ending: string) => ({
      headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}.solenix.${ending}"` },
    });
    if (new URL(request.url).searchParams.get('as') === 'zip')
      return new Response(
        packBoat(boat.design, (photoId) => photoBytes(database(), id, photoId)) as Uint8Array<ArrayBuffer>,
        attached('application/zip', 'zip'),
      );
    return new Response(JSON.stringify(boat.design, null, 1), attached('application/json; charset=utf-8', 'json'));
  });
