import { openBoat } from '@/server/boats';
import { database } from '@/server/database';
import { guarded, readBody, refuse } from '@/server/request';
import { train, TrainerAsk } from '@/server/trainer';

/** A step of finding a hidden fault: what is wrong stays here until it is found, or given up. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const { id } = await params;
    const body = await readBody(request, TrainerAsk, 2000);
    if (!body.ok) return body.response;
    const boat = openBoat(database(), id);
    if (!boat) return refuse(404, 'there is no such boat');
    const answer = await train(id, boat.design, body.value);
    return typeof answer === 'string' ? refuse(422, answer) : Response.json(answer);
  });
