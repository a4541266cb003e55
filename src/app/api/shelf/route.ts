import { database } from '@/server/database';
import { patiently } from '@/server/patience';
import { guarded, readBody } from '@/server/request';
import { putShelf, shelfFile, ShelfFileSchema } from '@/server/shelf';

/** Cards, sets of house rules and scratch lines as one file. */
export const GET = () =>
  guarded(
    () =>
      new Response(JSON.stringify(shelfFile(database()), null, 1), {
        headers: { 'content-type': 'application/json; charset=utf-8', 'content-disposition': 'attachment; filename="shelf.json"' },
      }),
  );

/** Takes such a file, all or none: known ones are replaced. */
export const POST = (request: Request) =>
  guarded(async () => {
    const body = await readBody(request, ShelfFileSchema, 20_000_000);
    return body.ok ? Response.json(await patiently(() => putShelf(database(), body.value, Date.now()))) : body.response;
  });
