import { randomUUID } from 'node:crypto';
import * as v from 'valibot';
import { database } from '@/server/database';
import { tell } from '@/server/live';
import { patiently } from '@/server/patience';
import { guarded, readBody, refuse } from '@/server/request';
import { applyCard, boatsBehind, fromShelf } from '@/server/shelf';

type Context = { params: Promise<{ id: string }> };
const Body = v.object({ boatIds: v.pipe(v.array(v.pipe(v.string(), v.maxLength(60))), v.maxLength(500)) });

/** Boats whose loads came from the card and say something else now. */
export const GET = (_: Request, { params }: Context) =>
  guarded(async () => {
    const card = fromShelf(database(), 'card', (await params).id);
    return card ? Response.json(boatsBehind(database(), card.item)) : refuse(404, 'there is no such card');
  });

/** Brings the chosen boats to the card. */
export const POST = (request: Request, { params }: Context) =>
  guarded(async () => {
    const card = fromShelf(database(), 'card', (await params).id);
    if (!card) return refuse(404, 'there is no such card');
    const body = await readBody(request, Body, 50_000);
    if (!body.ok) return body.response;
    const done = await patiently(() => applyCard(database(), card.item, body.value.boatIds, () => randomUUID(), Date.now()));
    for (const { boatId, result } of done) if (result.ok) tell(boatId);
    return Response.json({ changed: done.filter((d) => d.result.ok).map((d) => d.boatId) });
  });
