import * as v from 'valibot';
import { answerEdit } from '@/server/answer';
import { isThere } from '@/server/boats';
import { designAt } from '@/server/checkpoints';
import { database } from '@/server/database';
import { backTo, changesSince, nameRevision } from '@/server/history';
import { patiently } from '@/server/patience';
import { guarded, readBody, refuse } from '@/server/request';
import { by } from '@/server/who';

type Context = { params: Promise<{ id: string; revision: string }> };

/** Differences told at once; how many there are in all stands beside them. */
const MOST_TOLD = 300;

const GONE = 'the boat as of that revision cannot be made from what is kept any more';

const Body = v.variant('do', [
  v.object({ do: v.literal('name'), name: v.nullable(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(120))), by }),
  v.object({ do: v.literal('back'), id: v.pipe(v.string(), v.minLength(8), v.maxLength(60)), by }),
]);

const revisionOf = (text: string): number | null => (/^\d{1,9}$/.test(text) ? Number(text) : null);

/** What has changed since a revision; ?as=design: the design as it was then. */
export const GET = (request: Request, { params }: Context) =>
  guarded(async () => {
    const { id, revision: text } = await params;
    const revision = revisionOf(text);
    if (revision === null || !isThere(database(), id)) return refuse(404, 'there is no such boat');
    if (new URL(request.url).searchParams.get('as') === 'design') {
      const design = designAt(database(), id, revision);
      return design ? Response.json({ design }) : refuse(409, GONE);
    }
    const ops = changesSince(database(), id, revision);
    if (ops === null) return refuse(409, GONE);
    return Response.json({ changes: ops.length, ops: ops.slice(0, MOST_TOLD) });
  });

/** Names a revision, or brings the boat back to it. */
export const POST = (request: Request, { params }: Context) =>
  guarded(async () => {
    const { id, revision: text } = await params;
    const revision = revisionOf(text);
    if (revision === null) return refuse(404, 'there is no such revision');
    const body = await readBody(request, Body, 2000);
    if (!body.ok) return body.response;
    const asked = body.value;
    if (asked.do === 'name')
      return (await patiently(() => nameRevision(database(), id, revision, asked.name)))
        ? Response.json({ ok: true })
        : refuse(404, 'there is no such revision');
    return answerEdit(id, await patiently(() => backTo(database(), id, revision, asked.id, Date.now(), asked.by)));
  });
