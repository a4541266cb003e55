import * as v from 'valibot';
import { give, grantsNow, listGrants, MOST_LINK_DAYS } from '@/server/access';
import { isThere } from '@/server/boats';
import { database } from '@/server/database';
import { guarded, readBody, refuse } from '@/server/request';

const name = v.pipe(v.string(), v.trim(), v.minLength(1, 'a name is needed'), v.maxLength(60));
const Body = v.variant('kind', [
  v.object({ kind: v.literal('key'), name }),
  v.object({
    kind: v.literal('link'),
    name,
    boatId: v.pipe(v.string(), v.maxLength(60)),
    days: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_LINK_DAYS, `a link lasts ${MOST_LINK_DAYS} days at most`)),
  }),
]);

const DAY_MS = 24 * 3600_000;

/** Sessions, keys and links that stand; ?boat= the links of one. */
export const GET = (request: Request) =>
  guarded(() => {
    const boat = new URL(request.url).searchParams.get('boat');
    return Response.json(boat === null ? grantsNow(database()) : { links: listGrants(database(), 'link', Date.now(), boat) });
  });

/** Gives a key to a program, or a link that shows one boat. What is to be held is answered this once. */
export const POST = (request: Request) =>
  guarded(async () => {
    const body = await readBody(request, Body, 2000);
    if (!body.ok) return body.response;
    const now = Date.now();
    const asked = body.value;
    if (asked.kind === 'key') return Response.json(give(database(), 'key', { name: asked.name }, now), { status: 201 });
    if (!isThere(database(), asked.boatId)) return refuse(404, 'there is no such boat');
    const { id, token } = give(database(), 'link', { name: asked.name, boatId: asked.boatId, expiresAt: now + asked.days * DAY_MS }, now);
    return Response.json({ id, path: `/view/${token}` }, { status: 201 });
  });
