import * as v from 'valibot';
import { database } from '@/server/database';
import { guarded, readBody, refuse } from '@/server/request';
import { isShelfKind, listShelf, putOnShelf, SHELF } from '@/server/shelf';

type Context = { params: Promise<{ kind: string }> };
const seen = v.nullable(v.pipe(v.number(), v.integer()));
const Bodies = {
  card: v.object({ item: SHELF.card, seen }),
  house: v.object({ item: SHELF.house, seen }),
  line: v.object({ item: SHELF.line, seen }),
  reel: v.object({ item: SHELF.reel, seen }),
  article: v.object({ item: SHELF.article, seen }),
};

export const GET = (_: Request, { params }: Context) =>
  guarded(async () => {
    const { kind } = await params;
    return isShelfKind(kind) ? Response.json(listShelf(database(), kind)) : refuse(404, 'there is no such shelf');
  });

/** Puts a new item on the shelf, or a changed one over the revision its author saw. */
export const POST = (request: Request, { params }: Context) =>
  guarded(async () => {
    const { kind } = await params;
    if (!isShelfKind(kind)) return refuse(404, 'there is no such shelf');
    const body = await readBody<v.GenericSchema<unknown, { item: Parameters<typeof putOnShelf>[2]; seen: number | null }>>(
      request,
      Bodies[kind],
      100_000,
    );
    if (!body.ok) return body.response;
    const result = putOnShelf(database(), kind, body.value.item, body.value.seen, Date.now());
    if (result.ok) return Response.json({ revision: result.revision });
    return Response.json({ error: 'changed in another window', theirs: result.theirs }, { status: 409 });
  });
