import * as v from 'valibot';
import { RECORDS_AT_ONCE, RecordSchema } from '@/core/design';
import { isThere } from '@/server/boats';
import { database } from '@/server/database';
import { tell } from '@/server/live';
import { patiently } from '@/server/patience';
import { addRecords, recordsSince } from '@/server/records';
import { guarded, readBody, refuse } from '@/server/request';
import { by } from '@/server/who';

const PAGE = 5000;

const Body = v.object({
  records: v.pipe(
    v.array(RecordSchema),
    v.minLength(1, 'a record is needed'),
    v.maxLength(RECORDS_AT_ONCE, `at most ${RECORDS_AT_ONCE} are taken at a time`),
  ),
  by,
});

/** Records that came in after ?since=, oldest first; more: there are others after these. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const { id } = await params;
    const since = Number(new URL(request.url).searchParams.get('since') ?? 0);
    if (!Number.isSafeInteger(since) || since < 0) return refuse(400, 'since: a whole number is needed');
    if (!isThere(database(), id)) return refuse(404, 'there is no such boat');
    const rows = recordsSince(database(), id, since, PAGE + 1);
    return Response.json({ records: rows.slice(0, PAGE), more: rows.length > PAGE });
  });

/** Adds records; one that stands already is answered, not kept twice. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const { id } = await params;
    const body = await readBody(request, Body);
    if (!body.ok) return body.response;
    const added = await patiently(() => addRecords(database(), id, body.value.records, Date.now(), body.value.by));
    if (!added.ok)
      return added.reason === 'missing' ? refuse(404, 'there is no such boat') : refuse(409, 'this boat has as many records as are kept');
    tell(id);
    return Response.json({ records: added.records });
  });
