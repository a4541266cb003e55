/** A boat with her pictures and her history, read from an archive into a new row: whole or nothing, stopped at any point. */
import { randomUUID } from 'node:crypto';
import type { Design, ReadProblem } from '@/core/design';
import { createBoat } from './boats';
import type { Db } from './database';
import { putHistory } from './historyFile';
import { patiently } from './patience';
import { dropFiles, type KeptFile, keepFile, ownFile } from './photos';
import { work } from './work/pool';

export type ImportResult =
  { readonly ok: true; readonly id: string; readonly unread: number } | { readonly ok: false; readonly problems: readonly ReadProblem[] };

/** @returns the new boat's id, and how many of her pictures could not be read. */
export async function importArchive(db: Db, zip: Uint8Array, now: number): Promise<ImportResult> {
  const unpacked = await work().run('unpack', zip);
  if (!unpacked.ok) return unpacked;
  const id = randomUUID();
  const { design, history } = unpacked;
  const kept: KeptFile[] = [];
  const renamed = new Map<string, string>();
  try {
    // The files first: until the boat stands in the database with all of them, they are nobody's and swept away in time.
    const photos: Design['photos'][number][] = [];
    for (const photo of design.photos) {
      const bytes = unpacked.photos.get(photo.id);
      const file = bytes ? await keepFile(bytes) : null;
      if (!file) continue;
      kept.push(file);
      renamed.set(photo.id, file.id);
      // Pictures get ids of their own here: the same boat may be imported twice.
      photos.push({ ...photo, id: file.id, widthPx: file.widthPx, heightPx: file.heightPx });
    }
    await patiently(() =>
      createBoat(
        db,
        id,
        { ...design, photos },
        now,
        (inner) => {
          for (const file of kept) ownFile(inner, id, file, now);
          putHistory(inner, id, history, renamed);
        },
        history[history.length - 1]?.revision ?? 0,
      ),
    );
    return { ok: true, id, unread: design.photos.length - photos.length };
  } catch (error) {
    dropFiles(kept);
    throw error;
  }
}
