/** A boat with her pictures and her history, read from an archive into a new row: whole or nothing, stopped at any point. */
import { randomUUID } from 'node:crypto';
import { BOUNDS, type Design, type ReadProblem } from '@/core/design';
import { createBoat, openBoat } from './boats';
import type { Db } from './database';
import type { Unpacked } from './archive';
import { putHistory } from './historyFile';
import { putMeasured, type SoundSet, soundSets } from './measured';
import { putRecords } from './records';
import { patiently } from './patience';
import { copyFileOf, dropFiles, type KeptFile, keepFile, ownFile } from './photos';
import { work } from './work/pool';

export type ImportResult =
  { readonly ok: true; readonly id: string; readonly unread: number } | { readonly ok: false; readonly problems: readonly ReadProblem[] };

/** A design as a new boat, its pictures first: until she stands in the database with all of them, they are nobody's and swept away in time. */
async function landed(
  db: Db,
  design: Design,
  {
    history,
    records,
    measured,
  }: Pick<Unpacked & { readonly ok: true }, 'history' | 'records'> & { readonly measured: readonly SoundSet[] },
  pictureOf: (photo: Design['photos'][number]) => Promise<KeptFile | null>,
  now: number,
): Promise<{ readonly id: string; readonly unread: number }> {
  const id = randomUUID();
  const kept: KeptFile[] = [];
  const renamed = new Map<string, string>();
  try {
    const photos: Design['photos'][number][] = [];
    for (const photo of design.photos) {
      const file = await pictureOf(photo);
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
          putRecords(inner, id, records, renamed, now);
          putMeasured(inner, id, measured, now);
        },
        history[history.length - 1]?.revision ?? 0,
      ),
    );
    return { id, unread: design.photos.length - photos.length };
  } catch (error) {
    dropFiles(kept);
    throw error;
  }
}

/** @returns the new boat's id, and how many of her pictures could not be read. */
export async function importArchive(db: Db, zip: Uint8Array, now: number): Promise<ImportResult> {
  const unpacked = await work().run('unpack', zip);
  if (!unpacked.ok) return unpacked;
  const pictureOf = async (photo: Design['photos'][number]) => {
    const bytes = unpacked.photos.get(photo.id);
    return bytes ? keepFile(bytes) : null;
  };
  const measured = await soundSets(unpacked.measured, unpacked.days);
  return { ok: true, ...(await landed(db, unpacked.design, { ...unpacked, measured }, pictureOf, now)) };
}

/** A second boat like one on file, under a name of her own; her history begins here. null: there is no such boat. */
export async function duplicateBoat(db: Db, of: string, now: number): Promise<{ readonly id: string; readonly unread: number } | null> {
  const boat = openBoat(db, of);
  if (!boat) return null;
  const { design } = boat;
  const name = `${design.boat.name.slice(0, BOUNDS.nameLength - 6)}, copy`;
  return landed(
    db,
    { ...design, boat: { ...design.boat, name } },
    { history: [], records: [], measured: [] },
    (photo) => Promise.resolve(copyFileOf(db, of, photo.id)),
    now,
  );
}
