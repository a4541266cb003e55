import { isThere } from '@/server/boats';
import { database } from '@/server/database';
import { feed, meterAddresses } from '@/server/meter/feed';
import { refuse } from '@/server/request';

export const dynamic = 'force-dynamic';

/** Meters that may be listened to; with ?meter= a stream of its readings of ?bank=, of the simulated one in ?living=, with ?faults=, from ?minute=, at ?speed= minutes a second. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  if (!isThere(database(), id)) return refuse(404, 'there is no such boat');
  const asked = new URL(request.url).searchParams;
  const name = asked.get('meter');
  if (name === null) return Response.json({ meters: meterAddresses() });
  const bank = asked.get('bank') ?? '';
  if (!/^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/.test(bank)) return refuse(400, 'bank: an id is needed');
  asked.set('boat', id);
  const stream = feed(name, bank, asked, request.signal);
  return stream
    ? new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } })
    : refuse(404, 'no meter of that name is listed');
}
