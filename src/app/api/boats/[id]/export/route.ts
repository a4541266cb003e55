import { openBoat, rawDesign } from '@/server/boats';
import { database } from '@/server/database';
import { historyRows, historyText } from '@/server/historyFile';
import { measuredCsv, measuredSets, measuredText } from '@/server/measured';
import { photoBytes } from '@/server/photos';
import { recordRows, recordsText } from '@/server/records';
import { guarded, refuse } from '@/server/request';
import { work } from '@/server/work/pool';

/** The design file; with ?as=zip the design, its pictures, its history, its records and what was measured, with ?as=raw what stands on file as it is, readable or not. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const { id } = await params;
    if (new URL(request.url).searchParams.get('as') === 'raw') {
      const text = rawDesign(database(), id);
      return text === null
        ? refuse(404, 'there is no such boat')
        : new Response(text, {
            headers: { 'content-type': 'text/plain; charset=utf-8', 'content-disposition': `attachment; filename="${id}.txt"` },
          });
    }
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
    if (new URL(request.url).searchParams.get('as') === 'zip') {
      const photos = new Map(
        boat.design.photos.flatMap((photo) => {
          const read = photoBytes(database(), id, photo.id);
          return read.ok ? [[photo.id, read.bytes] as const] : [];
        }),
      );
      const sets = measuredSets(database(), id);
      const days = new Map(
        sets.flatMap((s) => {
          const csv = measuredCsv(database(), id, s.id);
          return csv !== null && csv !== 'damaged' ? [[s.id, csv] as const] : [];
        }),
      );
      const texts = {
        history: historyText(historyRows(database(), id)),
        records: recordsText(recordRows(database(), id)),
        measured: sets.length > 0 ? measuredText(sets) : '',
      };
      const zip = await work().run('pack', boat.design, photos, texts, days);
      return new Response(zip as Uint8Array<ArrayBuffer>, attached('application/zip', 'zip'));
    }
    return new Response(JSON.stringify(boat.design, null, 1), attached('application/json; charset=utf-8', 'json'));
  });
