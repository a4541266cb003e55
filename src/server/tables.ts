/** Tables: one row per boat holding the design as it stands, every edit ever made to it, and designs as they stood once. */
import { desc } from 'drizzle-orm';
import { blob, index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

export const boats = sqliteTable(
  'boats',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    revision: integer('revision').notNull(),
    /** The design as JSON, at this revision. */
    design: text('design').notNull(),
    createdAt: integer('created_at').notNull(),
    updatedAt: integer('updated_at').notNull(),
    deletedAt: integer('deleted_at'),
    // Of the design, kept beside it by triggers (migration 0002); null where it is no JSON or lacks them.
    systemV: real('system_v'),
    lengthM: real('length_m'),
    loads: integer('loads'),
    circuits: integer('circuits'),
    /** SHA-256 of the design; null: written before there were any. */
    sum: text('sum'),
    /** What is wrong with what is on file, where that was found. */
    problem: text('problem'),
  },
  // The list of boats is answered from this alone: no design is read for it.
  (t) => [
    index('boats_listed').on(
      t.deletedAt,
      desc(t.updatedAt),
      t.id,
      t.name,
      t.revision,
      t.systemV,
      t.lengthM,
      t.loads,
      t.circuits,
      t.problem,
    ),
  ],
);

/** What the firm keeps for every boat: equipment cards, sets of house rules, scratch lines. The body is JSON through the kind's own schema. */
export const shelf = sqliteTable(
  'shelf',
  {
    kind: text('kind', { enum: ['card', 'house', 'line', 'reel', 'article'] }).notNull(),
    id: text('id').notNull(),
    name: text('name').notNull(),
    revision: integer('revision').notNull(),
    body: text('body').notNull(),
    updatedAt: integer('updated_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.kind, t.id] })],
);

/** Pictures of a boat; the bytes stand in the folder beside the database under the same id. */
export const photos = sqliteTable('photos', {
  id: text('id').primaryKey(),
  boatId: text('boat_id')
    .notNull()
    .references(() => boats.id),
  widthPx: integer('width_px').notNull(),
  heightPx: integer('height_px').notNull(),
  bytes: integer('bytes').notNull(),
  createdAt: integer('created_at').notNull(),
  /** SHA-256 of the file; null: kept before there were any. */
  sum: text('sum'),
});

/** The passphrase by which people come in from other machines: its scrypt hash. One row, or none. */
export const passphrases = sqliteTable('passphrases', {
  id: integer('id').primaryKey(),
  salt: text('salt').notNull(),
  hash: text('hash').notNull(),
  at: integer('at').notNull(),
});

/** What lets in: sessions of people, keys of programs, links that show one boat. Of what is held only the SHA-256 is here. */
export const grants = sqliteTable(
  'grants',
  {
    id: text('id').primaryKey(),
    kind: text('kind', { enum: ['session', 'key', 'link'] }).notNull(),
    name: text('name').notNull(),
    sum: text('sum').notNull(),
    boatId: text('boat_id').references(() => boats.id),
    createdAt: integer('created_at').notNull(),
    seenAt: integer('seen_at'),
    expiresAt: integer('expires_at'),
  },
  (t) => [uniqueIndex('grants_sum').on(t.sum)],
);

/** Which boats have loads that came from which equipment card. */
export const boatCards = sqliteTable(
  'boat_cards',
  {
    cardId: text('card_id').notNull(),
    boatId: text('boat_id')
      .notNull()
      .references(() => boats.id),
  },
  (t) => [primaryKey({ columns: [t.cardId, t.boatId] }), index('boat_cards_boat').on(t.boatId)],
);

/** A boat's design as it stood at a revision: what edits are played upon where the one on file is damaged. */
export const checkpoints = sqliteTable(
  'checkpoints',
  {
    boatId: text('boat_id')
      .notNull()
      .references(() => boats.id),
    revision: integer('revision').notNull(),
    /** stood: it was sound; damaged: what was on file when the last good one was taken instead. */
    what: text('what', { enum: ['stood', 'damaged'] }).notNull(),
    design: text('design').notNull(),
    sum: text('sum').notNull(),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.boatId, t.what, t.revision] })],
);

/** How far each boat is, of the revision it was calculated for: what the list of boats tells beside her name. */
export const boatStates = sqliteTable('boat_states', {
  boatId: text('boat_id')
    .primaryKey()
    .references(() => boats.id),
  revision: integer('revision').notNull(),
  /** Open findings that must be settled, for sorting: stops count a thousand. */
  open: integer('open').notNull(),
  state: text('state').notNull(),
});

export const edits = sqliteTable(
  'edits',
  {
    boatId: text('boat_id')
      .notNull()
      .references(() => boats.id),
    revision: integer('revision').notNull(),
    /** Made by the author's window; a repeated one is answered, not applied again. */
    editId: text('edit_id').notNull(),
    label: text('label').notNull(),
    ops: text('ops').notNull(),
    kind: text('kind', { enum: ['edit', 'undo', 'redo'] }).notNull(),
    /** done: stands; undone: may be redone; gone: a later edit closed the way back; act: an undo or redo itself. */
    state: text('state', { enum: ['done', 'undone', 'gone', 'act'] }).notNull(),
    at: integer('at').notNull(),
    /** Who made it, as the device says; null: nobody said. */
    by: text('by'),
    /** The device it was made on. */
    device: text('device'),
    /** What somebody has called the boat as of this revision; null: nothing. */
    named: text('named'),
  },
  (t) => [
    uniqueIndex('edits_revision').on(t.boatId, t.revision),
    uniqueIndex('edits_edit_id').on(t.boatId, t.editId),
    index('edits_state').on(t.boatId, t.kind, t.state, t.revision),
    // Its own first: the same for one device.
    index('edits_own').on(t.boatId, t.device, t.kind, t.state, t.revision),
  ],
);

/** What was done, read and spent aboard a boat. Only added to; seq is the order they came in. */
export const records = sqliteTable(
  'records',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    boatId: text('boat_id')
      .notNull()
      .references(() => boats.id),
    /** Made where it was written: sent again, it is answered, not kept twice. */
    id: text('id').notNull(),
    kind: text('kind', { enum: ['mark', 'reading', 'time', 'entry'] }).notNull(),
    thing: text('thing').notNull(),
    /** When it was so, by the device's clock, and when it came in. */
    at: integer('at').notNull(),
    cameAt: integer('came_at').notNull(),
    by: text('by'),
    device: text('device'),
    body: text('body').notNull(),
  },
  (t) => [uniqueIndex('records_id').on(t.boatId, t.id), index('records_boat').on(t.boatId, t.seq)],
);

/** Measured days of a bank, as a gzipped CSV of time (s), volts, amps into the bank and charge: whole, or not there. */
export const measured = sqliteTable(
  'measured',
  {
    id: text('id').primaryKey(),
    boatId: text('boat_id')
      .notNull()
      .references(() => boats.id),
    bankId: text('bank_id').notNull(),
    name: text('name').notNull(),
    fromAt: integer('from_at').notNull(),
    toAt: integer('to_at').notNull(),
    rows: integer('rows').notNull(),
    csv: blob('csv', { mode: 'buffer' }).notNull(),
    /** SHA-256 of the file. */
    sum: text('sum').notNull(),
    createdAt: integer('created_at').notNull(),
    /** Put away; it stays on file. */
    awayAt: integer('away_at'),
  },
  (t) => [index('measured_boat').on(t.boatId, t.fromAt)],
);
