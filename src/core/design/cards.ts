/** Equipment cards: what was found out about a piece of equipment, kept once and used on every boat. */
import * as v from 'valibot';
import { type Design, type Load, LoadSchema } from './schema';
import { id, name } from './fields';
import { equal } from './share';
import type { Op } from './edit';

/** What a card says of a load; where it is, how many and how it is used stay the boat's own. */
export const CARD_FIELDS = [
  'group',
  'nominalV',
  'ratingBy',
  'rating',
  'behaviour',
  'surgeA',
  'surgeS',
  'stalledA',
  'kind',
  'ignitionProtected',
  'ip',
  'socket',
  'minV',
  'makerFuseA',
  'makerFuseFamily',
  'makerWire',
  'runsLong',
  'ownTrip',
  'connection',
  'duty',
  'standbyA',
  'shutFirst',
  'maxLeadM',
  'extending',
  'minBankAh',
  'page',
  'questions',
  'research',
  'mark',
] as const;
type CardField = (typeof CARD_FIELDS)[number];

export const CardSchema = v.object({ id, name, ...v.pick(LoadSchema, CARD_FIELDS).entries });
export type Card = v.InferOutput<typeof CardSchema>;

export const CARDS_FORMAT = 'solenix-cards';
export const CardFileSchema = v.object({
  format: v.literal(CARDS_FORMAT, `the file does not say it is a ${CARDS_FORMAT} file`),
  version: v.literal(1, 'this program reads version 1 of a card file'),
  cards: v.pipe(v.array(CardSchema), v.maxLength(2000, 'at most 2000 cards are taken')),
});
export type CardFile = v.InferOutput<typeof CardFileSchema>;

const picked = (from: Pick<Load, CardField> | Card): Pick<Load, CardField> =>
  Object.fromEntries(CARD_FIELDS.map((field) => [field, from[field]])) as unknown as Pick<Load, CardField>;

/** A card with a load's figures. */
export const cardFrom = (load: Load, cardId: string): Card => structuredCloned({ id: cardId, name: load.name, ...picked(load) });

/** Plain JSON copy, for values whose readonly arrays a card holds as its own. */
const structuredCloned = (value: unknown): Card => JSON.parse(JSON.stringify(value)) as Card;

/** A load with a card's figures. */
export const withCard = (load: Load, card: Card): Load => ({ ...load, ...picked(card), cardId: card.id });

/** Fields in which a load that came from a card says something else now. */
export const cardDifferences = (load: Load, card: Card): CardField[] => CARD_FIELDS.filter((field) => !equal(load[field], card[field]));

/** The loads of a boat that came from a card and differ from it. */
export const loadsBehind = (design: Design, card: Card): Load[] =>
  design.loads.filter((l) => l.cardId === card.id && cardDifferences(l, card).length > 0);

/** Ops that bring a boat's loads to what the card says. Empty when they are. */
export const cardOps = (design: Design, card: Card): Op[] =>
  loadsBehind(design, card).flatMap((load) =>
    cardDifferences(load, card).map((field): Op => ({ op: 'set', path: ['loads', load.id, field], from: load[field], to: card[field] })),
  );
