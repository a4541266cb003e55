import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream as NodeStream } from 'node:stream/web';
import { admission } from '@/server/admit';
import { restoreBackup } from '@/server/backup';
import { dataFolder } from '@/server/database';
import { guarded, refuse } from '@/server/request';

/** Unpacks a backup into a new folder beside the boats, checked file by file. The boats that are served are not touched. */
export const POST = (request: Request) =>
  guarded(async () => {
    // It passes the door by, so that no memory has to hold it, and asks for itself.
    const admitted = admission({ method: 'POST', path: new URL(request.url).pathname, header: (name) => request.headers.get(name) });
    if (!admitted.in) return refuse(admitted.status, admitted.why);
    if (!request.body) return refuse(400, 'an archive is needed');
    const at = new Date().toISOString().slice(0, 19).replaceAll(':', '');
    const restored = join(dataFolder(), 'restored');
    const archive = join(restored, `${at}.zip.part`);
    await mkdir(restored, { recursive: true });
    try {
      await pipeline(Readable.fromWeb(request.body as NodeStream), createWriteStream(archive));
      const folder = join(restored, at);
      const done = await restoreBackup(archive, folder);
      return done.ok ? Response.json({ ...done, folder }, { status: 201 }) : refuse(422, `not restored: ${done.reason}`);
    } finally {
      await rm(archive, { force: true });
    }
  });
