/** A boat with her pictures, read from an archive into a new row. */
import { randomUUID } from 'node:crypto';
import type { ReadProblem } from '@/core/design';
import { createBoat, replaceDesign } from './boats';
import type { Db } from './database';
import { keepPhoto } from './photos';
import { work } from './work/pool';

export type ImportResult =
  { readonly ok: true; readonly id: string; readonly unread: number } | { readonly ok: false; readonly problems: readonly ReadProblem[] };

/** @returns the new boat's id, and how many of her pictures could not be read. */
export async function importArchive(db: Db, zip: Uint8Array, now: number): Promise<ImportResult> {
  const unpacked = await work().run('unpack', zip);
  if (!unpacked.ok) return unpacked;
  const id = randomUUID();
  const { design } = unpacked;
  createBoat(db, id, { ...design, photos: [] }, now);
  // Pictures get ids of their own here: the same boat may be imported twice.
  const photos = [];
  for (const photo of design.photos) {
    const bytes = unpacked.photos.get(photo.id);
    const kept = bytes ? await keepPhoto(db, id, bytes, now) : null;
    if (kept?.ok) photos.push({ ...photo, ...kept.picture });
  }
  replaceDesign(db, id, { ...design, photos });
  return { ok: true, id, unread: design.photos.length - photos.length };
}
