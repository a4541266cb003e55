/** What is bought for the lists: spares added, in whole packs, by supplier, with the day it must be ordered by (docs/methods.md, "Buying"). */
import type { Article, Design } from '../design';
import { shrinkFor } from '../rules';
import { type CountLine, type CutList, sleeveItem } from './cutList';
import { priceKey } from './quotation';
import { soldAs } from './stock/groups';

export interface BuyLine {
  /** What the firm's article is kept by. */
  readonly key: string;
  readonly group: string;
  readonly item: string;
  readonly unit: '' | 'm';
  readonly needed: number;
  readonly spare: number;
  /** Pieces or metres in a pack, and whether that is only typical of its kind. */
  readonly pack: number;
  readonly typical: boolean;
  readonly packs: number;
  /** Left over once it is made: spares and what a pack has more. */
  readonly left: number;
  /** Of a pack, of cable a metre; null: nobody has typed it. */
  readonly price: number | null;
  readonly sum: number | null;
  readonly supplier: string;
  readonly days: number | null;
  /** As 2026-05-31; '': no day the work begins, or no days of the supplier's, are known. */
  readonly orderBy: string;
}

export interface Buying {
  readonly lines: readonly BuyLine[];
  readonly sum: number;
  /** Lines without a price. */
  readonly open: number;
  /** The longest anyone takes; null: nobody has said. */
  readonly longestDays: number | null;
}

/** Packs small parts are commonly sold in; heavy ones come singly. Typical: the seller's rule. */
const FERRULES = 100;
const SMALL = 25;
const typicalPack = (item: string): number => (/^ferrule/.test(item) ? FERRULES : /^(ring|blade|adhesive butt)/.test(item) ? SMALL : 1);

/** Shrink is sold by the stick, mm. */
const STICK_MM = 1200;
const DAY_MS = 86_400_000;

/** Of what protects a circuit these need none. */
const NO_SPARE = /breaker|resistor|isolator/i;

/** Spares of what is easily spoiled or lost: so many of a hundred, one at the least. */
const spares = (needed: number, pct: number): number => (pct === 0 ? 0 : Math.max(1, Math.ceil((needed * pct) / 100 - 1e-9)));

/** @param articles the firm's, by key. */
export function buyingOf(design: Design, list: CutList, articles: ReadonlyMap<string, Article>): Buying {
  const { sparePct, startOn } = design.work;
  const start = startOn === '' ? NaN : Date.parse(startOn);
  const line = (group: string, item: string, needed: number, unit: BuyLine['unit'], spare: number, usual: number): BuyLine => {
    const key = priceKey(item);
    const own = articles.get(key);
    const pack = own?.pack ?? usual;
    const packs = Math.ceil((needed + spare) / pack - 1e-9);
    const price = own?.price ?? null;
    const days = own?.days ?? null;
    return {
      key,
      group,
      item,
      unit,
      needed,
      spare,
      pack,
      typical: (own?.pack ?? null) === null,
      packs,
      left: packs * pack - needed,
      price,
      sum: price === null ? null : price * packs * (unit === 'm' ? pack : 1),
      supplier: own?.supplier ?? '',
      days,
      orderBy: Number.isFinite(start) && days !== null ? new Date(start - days * DAY_MS).toISOString().slice(0, 10) : '',
    };
  };
  const sleeves = new Map(list.cuts.map((c) => [sleeveItem(c, design.boat), shrinkFor(c.odMm).lengthMm]));
  const small = (group: string, lines: readonly CountLine[], usual: (l: CountLine) => number) =>
    lines.map((l) => line(group, l.item, l.count, '', spares(l.count, sparePct), usual(l)));
  const plain = (group: string, lines: readonly CountLine[]) => lines.map((l) => line(group, l.item, l.count, '', 0, 1));
  const lines = [
    // Waste is in what is to be ordered already.
    ...list.reels.map((r) => line('cable', `${r.size}, ${r.colour}`, r.orderM, 'm', 0, soldAs(design.boat, design.work.reelM).mm / 1000)),
    ...small('terminals', list.terminals, (l) => typicalPack(l.item)),
    ...small('heat shrink', list.shrink, (l) => Math.max(1, Math.floor(STICK_MM / (sleeves.get(l.item) ?? STICK_MM)))),
    // One spare of every fuse aboard, whatever the house says; breakers are switched on again.
    ...list.protection.map((l) => line('fuses and breakers', l.item, l.count, '', NO_SPARE.test(l.item) ? 0 : 1, 1)),
    ...plain('bus bars', list.bars),
    ...plain('makers’ leads', list.makers),
  ];
  const told = lines.flatMap((l) => l.days ?? []);
  return {
    lines,
    sum: lines.reduce((n, l) => n + (l.sum ?? 0), 0),
    open: lines.filter((l) => l.price === null).length,
    longestDays: told.length > 0 ? Math.max(...told) : null,
  };
}
