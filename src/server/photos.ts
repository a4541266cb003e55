/** Pictures of a boat: re-encoded on the way in, kept as files beside the database, never served as anything but JPEG. */
import { and, count, eq } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { BOUNDS } from '@/core/design';
import { dataFolder, type Db } from './database';
import { photos } from './tables';

export const PHOTO_BYTES = 15_000_000;
const MOST_PIXELS = 60_000_000;
const LONGEST_PX = 2000;

export interface Picture {
  readonly id: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

const fileOf = (id: string): string => join(dataFolder(), 'photos', `${id}.jpg`);

/** Decodes a picture and writes it anew: right way up, 2000 px at most, nothing else of the file kept. null: it is no picture. */
export async function reencode(bytes: Uint8Array): Promise<{ data: Buffer; widthPx: number; heightPx: number } | null> {
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', animated: false });
    const { format } = await image.metadata();
    if (!['jpeg', 'png', 'webp', 'tiff', 'gif', 'heif'].includes(format)) return null;
    const { data, info } = await image
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#fff' })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
    return { data, widthPx: info.width, heightPx: info.height };
  } catch {
    return null;
  }
}

/** On disk before it is answered: written aside, flushed, then moved into place. */
function writeDurably(path: string, data: Uint8Array): void {
  mkdirSync(join(dataFolder(), 'photos'), { recursive: true });
  const aside = `${path}.part`;
  const file = openSync(aside, 'w');
  // Every byte: a disk may take a part at a time.
  writeFileSync(file, data);
  fsyncSync(file);
  closeSync(file);
  renameSync(aside, path);
}

export type PhotoResult =
  { readonly ok: true; readonly picture: Picture } | { readonly ok: false; readonly reason: 'not a picture' | 'full' };

/** Keeps a picture of a boat under a fresh id. */
export async function keepPhoto(db: Db, boatId: string, bytes: Uint8Array, now: number): Promise<PhotoResult> {
  const had = db.select({ n: count() }).from(photos).where(eq(photos.boatId, boatId)).get()?.n ?? 0;
  if (had >= 2 * BOUNDS.photos) return { ok: false, reason: 'full' };
  const made = await reencode(bytes);
  if (!made) return { ok: false, reason: 'not a picture' };
  const id = `P${randomUUID().slice(0, 18)}`;
  writeDurably(fileOf(id), made.data);
  db.insert(photos)
    .values({ id, boatId, widthPx: made.widthPx, heightPx: made.heightPx, bytes: made.data.byteLength, createdAt: now })
    .run();
  return { ok: true, picture: { id, widthPx: made.widthPx, heightPx: made.heightPx } };
}

/** The bytes of a boat's picture; null when she has no such one. */
export function photoBytes(db: Db, boatId: string, id: string): Buffer | null {
  const row = db
    .select({ id: photos.id })
    .from(photos)
    .where(and(eq(photos.boatId, boatId), eq(photos.id, id)))
    .get();
  const path = row && fileOf(row.id);
  return path && existsSync(/* turbopackIgnore: true */ path) ? readFileSync(/* turbopackIgnore: true */ path) : null;
}
