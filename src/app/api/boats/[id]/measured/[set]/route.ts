import { database } from '@/server/database';
import { measuredCsv, putMeasuredAway } from '@/server/measured';
import { guarded, refuse } from '@/server/request';

type Context = { params: Promise<{ id: string; set: string }> };

/** A set as it was kept: a gzipped CSV. */
export const GET = (_: Request, { params }: Context) =>
  guarded(async () => {
    const { id, set } = await params;
    const csv = measuredCsv(database(), id, set);
    if (csv === null) return refuse(404, 'there is no such set');
    if (csv === 'damaged') return refuse(422, 'what is on file is not what was kept: see a backup');
    return new Response(new Uint8Array(csv), {
      headers: { 'content-type': 'application/gzip', 'content-disposition': `attachment; filename="${set}.csv.gz"` },
    });
  });

/** Puts a set away with ?away=yes, brings it back with ?away=no; nothing is removed. */
export const POST = (request: Request, { params }: Context) =>
  guarded(async () => {
    const { id, set } = await params;
    const away = new URL(request.url).searchParams.get('away');
    if (away !== 'yes' && away !== 'no') return refuse(400, 'away: yes or no is needed');
    return putMeasuredAway(database(), id, set, away === 'yes' ? Date.now() : null)
      ? Response.json({ away })
      : refuse(404, 'there is no such set');
  });
