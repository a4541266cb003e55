import * as v from 'valibot';
import { answerEdit } from '@/server/answer';
import { isThere } from '@/server/boats';
import { database } from '@/server/database';
import { historyPage, stepBoat } from '@/server/history';
import { patiently } from '@/server/patience';
import { guarded, readBody, refuse } from '@/server/request';
import { by } from '@/server/who';

type Context = { params: Promise<{ id: string }> };

const Body = v.object({
  step: v.picklist(['undo', 'redo']),
  id: v.pipe(v.string(), v.minLength(8), v.maxLength(60)),
  force: v.optional(v.boolean(), false),
  by,
});

/** The history, newest first, fifty at a time; ?before= a revision for older ones. */
export const GET = (request: Request, { params }: Context) =>
  guarded(async () => {
    const { id } = await params;
    const text = new URL(request.url).searchParams.get('before');
    const before = text === null ? null : Number(text);
    if (before !== null && (!Number.isSafeInteger(before) || before < 0)) return refuse(400, 'before: a whole number is needed');
    return isThere(database(), id) ? Response.json(historyPage(database(), id, before)) : refuse(404, 'there is no such boat');
  });

export const POST = (request: Request, { params }: Context) =>
  guarded(async () => {
    const { id } = await params;
    const body = await readBody(request, Body, 1000);
    if (!body.ok) return body.response;
    const { by: who, ...step } = body.value;
    return answerEdit(id, await patiently(() => stepBoat(database(), id, step, Date.now(), who)));
  });
