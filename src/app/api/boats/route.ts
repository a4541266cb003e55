import { randomUUID } from 'node:crypto';
import * as v from 'valibot';
import { blankDesign, BOUNDS, readDesignText } from '@/core/design';
import { createBoat, listBoats } from '@/server/boats';
import { database } from '@/server/database';
import { guarded, readBody, readText, refuse } from '@/server/request';

const NewBoat = v.object({
  name: v.pipe(v.string(), v.trim(), v.minLength(1, 'a name is needed'), v.maxLength(BOUNDS.nameLength)),
  ruleSet: v.picklist(['awg', 'metric']),
  lengthM: v.pipe(v.number(), v.minValue(3, 'at least 3 m is needed'), v.maxValue(60, 'at most 60 m is taken')),
  beamM: v.pipe(v.number(), v.minValue(1, 'at least 1 m is needed'), v.maxValue(20, 'at most 20 m is taken')),
  systemV: v.picklist([12, 24, 48] as const),
});

export const GET = () => guarded(() => Response.json(listBoats(database())));

/** A new boat from a few figures (application/json), or from a design file (?from=file). */
export const POST = (request: Request) =>
  guarded(async () => {
    const id = randomUUID();
    if (new URL(request.url).searchParams.get('from') === 'file') {
      const text = await readText(request, BOUNDS.fileBytes);
      if (!text.ok) return text.response;
      const read = readDesignText(text.value);
      if (!read.ok) return refuse(422, 'the file was not taken; nothing was changed', read.problems);
      createBoat(database(), id, read.design, Date.now());
      return Response.json({ id }, { status: 201 });
    }
    const body = await readBody(request, NewBoat, 10_000);
    if (!body.ok) return body.response;
    const { name, ruleSet, lengthM, beamM, systemV } = body.value;
    createBoat(database(), id, blankDesign(name, ruleSet, lengthM, beamM, systemV), Date.now());
    return Response.json({ id }, { status: 201 });
  });
