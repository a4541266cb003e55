import { randomUUID } from 'node:crypto';
import * as v from 'valibot';
import { BOAT_KIND_IDS, BOUNDS, designOfKind, readDesignText } from '@/core/design';
import { createBoat, findBoats, listBoats } from '@/server/boats';
import { database } from '@/server/database';
import { ARCHIVE_BYTES } from '@/server/archive';
import { importArchive } from '@/server/importBoat';
import { patiently } from '@/server/patience';
import { guarded, readBody, readBytes, refuse } from '@/server/request';

const NewBoat = v.object({
  name: v.pipe(v.string(), v.trim(), v.minLength(1, 'a name is needed'), v.maxLength(BOUNDS.nameLength)),
  ruleSet: v.picklist(['awg', 'metric']),
  lengthM: v.pipe(v.number(), v.minValue(3, 'at least 3 m is needed'), v.maxValue(60, 'at most 60 m is taken')),
  beamM: v.pipe(v.number(), v.minValue(1, 'at least 1 m is needed'), v.maxValue(20, 'at most 20 m is taken')),
  systemV: v.picklist([12, 24, 48] as const),
  /** What she begins with; without one, her places only. */
  kind: v.optional(v.nullable(v.picklist(BOAT_KIND_IDS)), null),
});

/** All boats; with ?q= or ?from= those whose name holds what is sought, two hundred from one on, and how many there are. */
export const GET = (request: Request) =>
  guarded(() => {
    const asked = new URL(request.url).searchParams;
    if (!asked.has('q') && !asked.has('from')) return Response.json(listBoats(database()));
    const from = Number(asked.get('from') ?? 0);
    if (!Number.isSafeInteger(from) || from < 0) return refuse(400, 'from: a whole number is needed');
    return Response.json(findBoats(database(), (asked.get('q') ?? '').slice(0, 120), from, 200));
  });

/** A new boat from a few figures (application/json), or from a design file or an archive (?from=file). */
export const POST = (request: Request) =>
  guarded(async () => {
    const id = randomUUID();
    if (new URL(request.url).searchParams.get('from') === 'file') {
      const bytes = await readBytes(request, ARCHIVE_BYTES);
      if (!bytes.ok) return bytes.response;
      if (bytes.value[0] === 0x50 && bytes.value[1] === 0x4b) {
        const made = await importArchive(database(), bytes.value, Date.now());
        return made.ok
          ? Response.json(made, { status: 201 })
          : refuse(422, 'the archive was not taken; nothing was changed', made.problems);
      }
      if (bytes.value.byteLength > BOUNDS.fileBytes)
        return refuse(413, `that is larger than ${BOUNDS.fileBytes / 1e6} MB, the most a design may be`);
      const read = readDesignText(new TextDecoder().decode(bytes.value));
      if (!read.ok) return refuse(422, 'the file was not taken; nothing was changed', read.problems);
      await patiently(() => createBoat(database(), id, read.design, Date.now()));
      return Response.json({ id }, { status: 201 });
    }
    const body = await readBody(request, NewBoat, 10_000);
    if (!body.ok) return body.response;
    const { ruleSet: school, kind, ...boat } = body.value;
    const design = designOfKind(kind, { ...boat, school });
    await patiently(() => createBoat(database(), id, design, Date.now()));
    return Response.json({ id }, { status: 201 });
  });
