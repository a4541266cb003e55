import { type CardFile, CardFileSchema, CARDS_FORMAT } from '@/core/design';
import { database } from '@/server/database';
import { guarded, readBody } from '@/server/request';
import { listShelf, putCards } from '@/server/shelf';

export const GET = () =>
  guarded(() => {
    const file: CardFile = { format: CARDS_FORMAT, version: 1, cards: listShelf(database(), 'card').map((c) => c.item) };
    return new Response(JSON.stringify(file, null, 1), {
      headers: { 'content-type': 'application/json; charset=utf-8', 'content-disposition': 'attachment; filename="equipment-cards.json"' },
    });
  });

/** Takes the cards of a file, all or none: known ones are replaced. */
export const POST = (request: Request) =>
  guarded(async () => {
    const body = await readBody(request, CardFileSchema, 4_000_000);
    return body.ok ? Response.json(putCards(database(), body.value.cards, Date.now())) : body.response;
  });
