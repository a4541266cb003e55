/** A quotation: parts by group with prices somebody has typed, hours with rate and margin; what has no price is counted, never guessed. */
import type { Design } from '../design';
import type { CutList } from './cutList';
import type { Hours } from './hours';

export interface QuoteLine {
  /** What its price is kept by. */
  readonly key: string;
  readonly item: string;
  readonly quantity: number;
  readonly unit: 'm' | '';
  /** Of one, or of a metre; null: nobody has typed it. */
  readonly price: number | null;
  readonly sum: number | null;
}

export interface QuoteGroup {
  readonly name: string;
  readonly lines: readonly QuoteLine[];
  readonly sum: number;
  /** Lines without a price. */
  readonly open: number;
  /** Of its copper, kg; null: no mass is known of it. */
  readonly kg: number | null;
}

export interface Quotation {
  readonly groups: readonly QuoteGroup[];
  readonly parts: number;
  readonly open: number;
  /** Hours at the median, by the rate with the margin; null: no rate is typed. */
  readonly work: number | null;
  readonly hours: number;
  readonly total: number;
}

/** An id for a part by its words: letters, figures and a check of what was cut off. */
export function priceKey(item: string): string {
  const slug = item
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  let check = 0;
  for (const c of item) check = (Math.imul(check, 31) + (c.codePointAt(0) ?? 0)) >>> 0;
  return `q-${slug.slice(0, 28)}-${check.toString(36)}`.slice(0, 40);
}

type Counted = { readonly item: string; readonly count: number };

/** @param hours of what is still to be done. */
export function quotationOf(design: Design, list: CutList, hours: Hours): Quotation {
  const { prices } = design.boat;
  const line = (item: string, quantity: number, unit: QuoteLine['unit']): QuoteLine => {
    const key = priceKey(item);
    const price = prices[key] ?? null;
    return { key, item, quantity, unit, price, sum: price === null ? null : price * quantity };
  };
  const group = (name: string, lines: readonly QuoteLine[], kg: number | null = null): readonly QuoteGroup[] =>
    lines.length === 0
      ? []
      : [{ name, lines, sum: lines.reduce((n, l) => n + (l.sum ?? 0), 0), open: lines.filter((l) => l.price === null).length, kg }];
  const counted = (rows: readonly Counted[]) => rows.map((r) => line(r.item, r.count, ''));
  const groups = [
    ...group(
      'cable',
      list.reels.map((r) => line(`${r.size}, ${r.colour}`, Math.ceil(r.orderM * 10) / 10, 'm')),
      list.reels.reduce((n, r) => n + r.massKg, 0),
    ),
    ...group('terminals and shrink', counted([...list.terminals, ...list.shrink])),
    ...group('fuses and breakers', counted(list.protection)),
    ...group('bus bars', counted(list.bars)),
    ...group('makers’ leads', counted(list.makers)),
    ...group('labels', counted(list.labels.length > 0 ? [{ item: 'label', count: list.labels.reduce((n, l) => n + l.count, 0) }] : [])),
  ];
  const { hourRate, marginPct } = design.work;
  const parts = groups.reduce((n, g) => n + g.sum, 0) * (1 + marginPct / 100);
  const work = hourRate === null ? null : hourRate * hours.p50H * (1 + marginPct / 100);
  return { groups, parts, open: groups.reduce((n, g) => n + g.open, 0), work, hours: hours.p50H, total: parts + (work ?? 0) };
}
