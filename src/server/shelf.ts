/** The firm's shelf: equipment cards, sets of house rules and the store of cable, kept once for every boat. A stale change is answered, never merged silently. */
import { and, asc, eq } from 'drizzle-orm';
import * as v from 'valibot';
import {
  type Article,
  ArticleSchema,
  type Card,
  cardOps,
  CardSchema,
  type HouseSet,
  HouseSetSchema,
  loadsBehind,
  type StoreLength,
  StoreLengthSchema,
} from '@/core/design';
import { type Line, LineSchema } from '@/core/scratch';
import { boatsWithCard, openBoat } from './boats';
import { editBoat, type EditResult } from './history';
import type { Db } from './database';
import { shelf } from './tables';

export const SHELF = {
  card: CardSchema,
  house: HouseSetSchema,
  line: LineSchema,
  reel: StoreLengthSchema,
  article: ArticleSchema,
} as const;
export type ShelfKind = keyof typeof SHELF;
interface Bodies {
  readonly card: Card;
  readonly house: HouseSet;
  readonly line: Line;
  readonly reel: StoreLength;
  readonly article: Article;
}

export interface OnShelf<K extends ShelfKind> {
  readonly revision: number;
  readonly item: Bodies[K];
}

export const isShelfKind = (kind: string): kind is ShelfKind => Object.hasOwn(SHELF, kind);

const where = (kind: ShelfKind, id: string) => and(eq(shelf.kind, kind), eq(shelf.id, id));

/** A stored body through its schema, which fills in what an older one did not have. */
const read = <K extends ShelfKind>(kind: K, body: string): Bodies[K] =>
  v.parse(SHELF[kind] as unknown as v.GenericSchema<unknown, Bodies[K]>, JSON.parse(body));

export const listShelf = <K extends ShelfKind>(db: Db, kind: K): OnShelf<K>[] =>
  db
    .select()
    .from(shelf)
    .where(eq(shelf.kind, kind))
    .orderBy(asc(shelf.name))
    .all()
    .map((row) => ({ revision: row.revision, item: read(kind, row.body) }));

export function fromShelf<K extends ShelfKind>(db: Db, kind: K, id: string): OnShelf<K> | null {
  const row = db.select().from(shelf).where(where(kind, id)).get();
  return row ? { revision: row.revision, item: read(kind, row.body) } : null;
}

export type ShelfResult<K extends ShelfKind> =
  { readonly ok: true; readonly revision: number } | { readonly ok: false; readonly theirs: OnShelf<K> | null };

/** Puts an item on the shelf. @param seen revision the author had before them; null for a new one. */
export function putOnShelf<K extends ShelfKind>(db: Db, kind: K, item: Bodies[K], seen: number | null, now: number): ShelfResult<K> {
  return db.transaction(
    (tx) => {
      const inner = tx as unknown as Db;
      const there = fromShelf(inner, kind, item.id);
      if ((there?.revision ?? null) !== seen) return { ok: false, theirs: there };
      const revision = (seen ?? 0) + 1;
      const row = { kind, id: item.id, name: item.name, revision, body: JSON.stringify(item), updatedAt: now };
      inner
        .insert(shelf)
        .values(row)
        .onConflictDoUpdate({ target: [shelf.kind, shelf.id], set: row })
        .run();
      return { ok: true, revision };
    },
    { behavior: 'immediate' },
  );
}

/** Takes an item off; what it was is returned, so that it can be put back. */
export function takeOffShelf<K extends ShelfKind>(db: Db, kind: K, id: string): OnShelf<K> | null {
  const there = fromShelf(db, kind, id);
  if (there) db.delete(shelf).where(where(kind, id)).run();
  return there;
}

export interface Put {
  readonly added: number;
  readonly replaced: number;
}

/** Items of a file: new ones are added, known ones replaced. In a transaction already open. */
function putItems<K extends ShelfKind>(db: Db, kind: K, items: readonly Bodies[K][], now: number): Put {
  let added = 0;
  for (const item of items) {
    const there = fromShelf(db, kind, item.id);
    if (!there) added++;
    putOnShelf(db, kind, item, there?.revision ?? null, now);
  }
  return { added, replaced: items.length - added };
}

/** Cards of a file, all or none. @returns how many are new, and how many were replaced. */
export const putCards = (db: Db, cards: readonly Card[], now: number): Put =>
  db.transaction((tx) => putItems(tx as unknown as Db, 'card', cards, now), { behavior: 'immediate' });

const SHELF_FORMAT = 'solenix-shelf';
const most = <S extends v.GenericSchema>(items: S) => v.pipe(v.array(items), v.maxLength(5000, 'at most 5000 of a kind are taken'));
/** All a firm keeps for every boat, as one file. */
export const ShelfFileSchema = v.object({
  format: v.literal(SHELF_FORMAT, `the file does not say it is a ${SHELF_FORMAT} file`),
  version: v.literal(1, 'this program reads version 1 of a shelf file'),
  card: most(CardSchema),
  house: most(HouseSetSchema),
  line: most(LineSchema),
  // Files of before the store have none.
  reel: v.optional(most(StoreLengthSchema), []),
  article: v.optional(most(ArticleSchema), []),
});
export type ShelfFile = v.InferOutput<typeof ShelfFileSchema>;

export function shelfFile(db: Db): ShelfFile {
  const of = <K extends ShelfKind>(kind: K): Bodies[K][] => listShelf(db, kind).map((x) => x.item);
  return {
    format: SHELF_FORMAT,
    version: 1,
    card: of('card'),
    house: of('house'),
    line: of('line'),
    reel: of('reel'),
    article: of('article'),
  };
}

/** Takes such a file, all or none. */
export const putShelf = (db: Db, file: ShelfFile, now: number): Put =>
  db.transaction(
    (tx) => {
      const inner = tx as unknown as Db;
      const all = [
        putItems(inner, 'card', file.card, now),
        putItems(inner, 'house', file.house, now),
        putItems(inner, 'line', file.line, now),
        putItems(inner, 'reel', file.reel, now),
        putItems(inner, 'article', file.article, now),
      ];
      return { added: all.reduce((n, p) => n + p.added, 0), replaced: all.reduce((n, p) => n + p.replaced, 0) };
    },
    { behavior: 'immediate' },
  );

export interface Affected {
  readonly boatId: string;
  readonly boat: string;
  readonly loads: readonly string[];
}

/** Boats whose loads came from a card and say something else. */
export const boatsBehind = (db: Db, card: Card): Affected[] =>
  boatsWithCard(db, card.id).flatMap(({ id, name }) => {
    const boat = openBoat(db, id);
    const loads = boat ? loadsBehind(boat.design, card).map((l) => l.name) : [];
    return loads.length > 0 ? [{ boatId: id, boat: name, loads }] : [];
  });

/** Brings the chosen boats' loads to what the card says, each as one edit that can be taken back aboard. */
export function applyCard(
  db: Db,
  card: Card,
  boatIds: readonly string[],
  editId: (boatId: string) => string,
  now: number,
): { readonly boatId: string; readonly result: EditResult }[] {
  return boatIds.flatMap((boatId) => {
    const boat = openBoat(db, boatId);
    const ops = boat ? cardOps(boat.design, card) : [];
    if (ops.length === 0) return [];
    return [{ boatId, result: editBoat(db, boatId, { id: editId(boatId), label: `card ${card.name}`.slice(0, 200), ops }, false, now) }];
  });
}
