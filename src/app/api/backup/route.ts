import { createReadStream, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { backupName, makeBackup } from '@/server/backup';
import { database, dataFolder } from '@/server/database';
import { guarded } from '@/server/request';

export const dynamic = 'force-dynamic';

/** Everything in one archive, made now. */
export const GET = () =>
  guarded(async () => {
    const now = Date.now();
    const folder = mkdtempSync(join(tmpdir(), 'solenix-backup-'));
    const gone = () => rmSync(folder, { recursive: true, force: true });
    try {
      const { file, bytes } = await makeBackup(database(), dataFolder(), join(folder, backupName(now)), now);
      const stream = createReadStream(file);
      stream.once('close', gone);
      return new Response(Readable.toWeb(stream) as ReadableStream, {
        headers: {
          'content-type': 'application/zip',
          'content-length': String(bytes),
          'content-disposition': `attachment; filename="${backupName(now)}"`,
          'cache-control': 'no-store',
        },
      });
    } catch (error) {
      gone();
      throw error;
    }
  });
