import { database } from '@/server/database';
import { firmAnswer } from '@/server/firmSum';
import { guarded } from '@/server/request';

export const dynamic = 'force-dynamic';

/** Over the boats that changed last: what is due, hours, what equipment really draws, and the store. */
export const GET = () => guarded(async () => Response.json(await firmAnswer(database(), Date.now())));
