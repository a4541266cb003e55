import { findBoats } from '@/server/boats';
import { database } from '@/server/database';
import { findEntries } from '@/server/reference';
import { guarded } from '@/server/request';

const MOST_BOATS = 6;
const MOST_ENTRIES = 10;

/** Boats by name, and sections of the guide, terms, rules and figures that answer to what is sought (?q=). */
export const GET = (request: Request) =>
  guarded(() => {
    const sought = (new URL(request.url).searchParams.get('q') ?? '').trim().slice(0, 80);
    const boats = sought === '' ? [] : findBoats(database(), sought, 0, MOST_BOATS).boats.map(({ id, name }) => ({ id, name }));
    return Response.json({ boats, entries: findEntries(sought, MOST_ENTRIES) });
  });
