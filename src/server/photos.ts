/** Pictures of a boat: re-encoded on the way in, kept as files beside the database, never served as anything but JPEG. */
import { and, count, eq } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { BOUNDS } from '@/core/design';
import { dataFolder, type Db } from './database';
import { sumOf } from './stored';
import { photos } from './tables';

export const PHOTO_BYTES = 15_000_000;
const MOST_PIXELS = 60_000_000;
const LONGEST_PX = 2000;
/** A file no boat names is kept so long. */
const ORPHAN_MS = 30 * 24 * 3600_000;
/** What was never finished is kept so long. */
const PART_MS = 24 * 3600_000;

export interface Picture {
  readonly id: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** A picture whose file is on the disk, and which no boat has yet. */
export interface KeptFile extends Picture {
  readonly bytes: number;
  readonly sum: string;
}

const folder = (): string => join(dataFolder(), 'photos');
const fileOf = (id: string): string => join(folder(), `${id}.jpg`);

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
  mkdirSync(folder(), { recursive: true });
  const aside = `${path}.part`;
  try {
    const file = openSync(aside, 'w');
    try {
      // Every byte: a disk may take a part at a time.
      writeFileSync(file, data);
      fsyncSync(file);
    } finally {
      closeSync(file);
    }
    renameSync(aside, path);
  } catch (error) {
    rmSync(aside, { force: true });
    throw error;
  }
}

/** Writes a picture's file under a fresh id. null: it is no picture. */
export async function keepFile(bytes: Uint8Array): Promise<KeptFile | null> {
  const made = await reencode(bytes);
  if (!made) return null;
  const id = `P${randomUUID().slice(0, 18)}`;
  writeDurably(fileOf(id), made.data);
  return { id, widthPx: made.widthPx, heightPx: made.heightPx, bytes: made.data.byteLength, sum: sumOf(made.data) };
}

/** The same picture under a fresh id, as it is. null: the boat has none such, or it is missing or damaged. */
export function copyFileOf(db: Db, boatId: string, id: string): KeptFile | null {
  const read = photoBytes(db, boatId, id);
  const row = db.select().from(photos).where(eq(photos.id, id)).get();
  if (!read.ok || !row) return null;
  const copy = `P${randomUUID().slice(0, 18)}`;
  writeDurably(fileOf(copy), read.bytes);
  return { id: copy, widthPx: row.widthPx, heightPx: row.heightPx, bytes: read.bytes.byteLength, sum: sumOf(read.bytes) };
}

/** A boat's own from now on. */
export const ownFile = (db: Db, boatId: string, kept: KeptFile, now: number): void => {
  db.insert(photos)
    .values({ ...kept, boatId, createdAt: now })
    .run();
};

/** Takes files away that no boat was given. */
export const dropFiles = (kept: readonly KeptFile[]): void => {
  for (const { id } of kept) rmSync(fileOf(id), { force: true });
};

export type PhotoResult =
  { readonly ok: true; readonly picture: Picture } | { readonly ok: false; readonly reason: 'not a picture' | 'full' };

/** Keeps a picture of a boat under a fresh id. */
export async function keepPhoto(db: Db, boatId: string, bytes: Uint8Array, now: number): Promise<PhotoResult> {
  const had = db.select({ n: count() }).from(photos).where(eq(photos.boatId, boatId)).get()?.n ?? 0;
  if (had >= 2 * BOUNDS.photos) return { ok: false, reason: 'full' };
  const kept = await keepFile(bytes);
  if (!kept) return { ok: false, reason: 'not a picture' };
  try {
    ownFile(db, boatId, kept, now);
  } catch (error) {
    dropFiles([kept]);
    throw error;
  }
  const { id, widthPx, heightPx } = kept;
  return { ok: true, picture: { id, widthPx, heightPx } };
}

export type PhotoRead =
  | { readonly ok: true; readonly bytes: Buffer }
  /** none: the boat has no such picture; missing: its file is gone; damaged: its file is not what was kept. */
  | { readonly ok: false; readonly why: 'none' | 'missing' | 'damaged' };

/** The bytes of a boat's picture. */
export function photoBytes(db: Db, boatId: string, id: string): PhotoRead {
  const row = db
    .select({ id: photos.id, sum: photos.sum })
    .from(photos)
    .where(and(eq(photos.boatId, boatId), eq(photos.id, id)))
    .get();
  if (!row) return { ok: false, why: 'none' };
  const path = fileOf(row.id);
  if (!existsSync(/* turbopackIgnore: true */ path)) return { ok: false, why: 'missing' };
  const bytes = readFileSync(/* turbopackIgnore: true */ path);
  return row.sum !== null && sumOf(bytes) !== row.sum ? { ok: false, why: 'damaged' } : { ok: true, bytes };
}

/** Takes away files that no boat has named for thirty days, and what was never finished. Answers their names. */
export function sweepOrphans(db: Db, now: number): readonly string[] {
  if (!existsSync(folder())) return [];
  const known = new Set(
    db
      .select({ id: photos.id })
      .from(photos)
      .all()
      .map((p) => `${p.id}.jpg`),
  );
  return readdirSync(folder()).filter((name) => {
    if (known.has(name)) return false;
    const age = now - statSync(join(folder(), name)).mtimeMs;
    if (age < (name.endsWith('.part') ? PART_MS : ORPHAN_MS)) return false;
    rmSync(join(folder(), name), { force: true });
    return true;
  });
}
