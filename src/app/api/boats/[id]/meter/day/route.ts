import { METER_FAULTS, meterCsv, meterDay, meterDelta } from '@/core/monitoring';
import { openBoat } from '@/server/boats';
import { database } from '@/server/database';
import { guarded, refuse } from '@/server/request';

/** A day of the simulated meter as a file: CSV, or with ?as=deltas one JSON message on a line. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const { id } = await params;
    const boat = openBoat(database(), id);
    if (!boat) return refuse(404, 'there is no such boat');
    const asked = new URL(request.url).searchParams;
    const bank = asked.get('bank') ?? '';
    const faults = (asked.get('faults') ?? '').split(',').flatMap((f) => METER_FAULTS.find((k) => k === f) ?? []);
    const samples = meterDay(boat.design, bank, asked.get('living') ?? '', faults);
    if (!samples) return refuse(404, 'there is no such bank or way of living');
    const from = Date.UTC(new Date().getUTCFullYear(), new Date().getUTCMonth(), new Date().getUTCDate());
    const deltas = asked.get('as') === 'deltas';
    return new Response(deltas ? samples.map((s) => meterDelta(bank, s, from, boat.design.sources)).join('\n') : meterCsv(samples, from), {
      headers: {
        'content-type': deltas ? 'application/x-ndjson; charset=utf-8' : 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename="meter-day.${deltas ? 'jsonl' : 'csv'}"`,
      },
    });
  });
