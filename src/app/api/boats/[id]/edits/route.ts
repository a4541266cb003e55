import * as v from 'valibot';
import { EditSchema } from '@/core/design';
import { answerEdit } from '@/server/answer';
import { editBoat } from '@/server/boats';
import { database } from '@/server/database';
import { guarded, readBody } from '@/server/request';

const Body = v.object({ edit: EditSchema, force: v.boolean() });

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const { id } = await params;
    const body = await readBody(request, Body);
    return body.ok ? answerEdit(id, editBoat(database(), id, body.value.edit, body.value.force, Date.now())) : body.response;
  });
