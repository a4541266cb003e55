import * as v from 'valibot';
import { answerEdit } from '@/server/answer';
import { stepBoat } from '@/server/boats';
import { database } from '@/server/database';
import { guarded, readBody } from '@/server/request';

const Body = v.object({ step: v.picklist(['undo', 'redo']), id: v.pipe(v.string(), v.minLength(8), v.maxLength(60)) });

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const { id } = await params;
    const body = await readBody(request, Body, 1000);
    return body.ok ? answerEdit(id, stepBoat(database(), id, body.value.step, body.value.id, Date.now())) : body.response;
  });
