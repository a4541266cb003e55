import { isThere } from '@/server/boats';
import { database } from '@/server/database';
import { keepMeasured, MEASURED_BYTES, MEASURED_HEADS, measuredSets } from '@/server/measured';
import { guarded, readBytes, refuse } from '@/server/request';

type Context = { params: Promise<{ id: string }> };

/** Measured days kept with a boat, without their rows. */
export const GET = (_: Request, { params }: Context) =>
  guarded(async () => {
    const { id } = await params;
    if (!isThere(database(), id)) return refuse(404, 'there is no such boat');
    return Response.json({ sets: measuredSets(database(), id) });
  });

/** Keeps a gzipped CSV under ?set=, of ?bank=, called ?name=; whole or not at all. */
export const POST = (request: Request, { params }: Context) =>
  guarded(async () => {
    const { id } = await params;
    const asked = new URL(request.url).searchParams;
    const [set, bank, name] = [asked.get('set') ?? '', asked.get('bank') ?? '', (asked.get('name') ?? '').slice(0, 200)];
    if (!/^[A-Za-z0-9-]{8,60}$/.test(set) || !/^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/.test(bank))
      return refuse(400, 'set and bank: an id is needed');
    const bytes = await readBytes(request, MEASURED_BYTES);
    if (!bytes.ok) return bytes.response;
    const kept = await keepMeasured(database(), id, { id: set, bankId: bank, name }, bytes.value, Date.now());
    if (kept.ok) return Response.json(kept.set, { status: 201 });
    if (kept.reason === 'missing') return refuse(404, 'there is no such boat');
    return kept.reason === 'full'
      ? refuse(409, 'this boat has as many measured sets as are kept')
      : refuse(422, `this is no gzipped CSV of ${MEASURED_HEADS}`);
  });
