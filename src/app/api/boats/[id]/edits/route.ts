import * as v from 'valibot';
import { EditSchema } from '@/core/design';
import { answerEdit } from '@/server/answer';
import { database } from '@/server/database';
import { editBoat } from '@/server/history';
import { patiently } from '@/server/patience';
import { guarded, readBody } from '@/server/request';
import { by } from '@/server/who';

const Body = v.object({ edit: EditSchema, force: v.boolean(), by });

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const { id } = await params;
    const body = await readBody(request, Body);
    if (!body.ok) return body.response;
    const { edit, force, by: who } = body.value;
    return answerEdit(id, await patiently(() => editBoat(database(), id, edit, force, Date.now(), who)));
  });
