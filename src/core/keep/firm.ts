/** Over all boats of a firm: what is due, how long work really took, and what equipment really draws (docs/methods.md, M19). */
import { APPLIANCES, type BoatRecord, type Card, type Design, type Load } from '../design';
import { type Learned, learnedOf } from './learned';
import { addMonths, type Due, servicePlan } from './service';

export interface FirmBoat {
  readonly id: string;
  readonly name: string;
  readonly design: Design;
  readonly records: readonly BoatRecord[];
}

/** What of a boat goes into the firm's sums: a design is not kept for it. */
export interface FirmPart {
  readonly id: string;
  readonly due: BoatDue;
  readonly measured: readonly Load[];
  readonly times: readonly BoatRecord[];
}

export interface BoatDue {
  readonly boatId: string;
  readonly boat: string;
  /** Done before, and due again within two months. */
  readonly due: readonly Pick<Due, 'id' | 'what' | 'last' | 'due' | 'overdue'>[];
  /** Nobody has said when it was done. */
  readonly never: number;
  /** Hours noted. */
  readonly hours: number;
}

/** One kind of equipment over several boats, against what its card or the list says it draws. */
export interface EquipmentLearned {
  /** null: no card; it goes by the name in the list. */
  readonly cardId: string | null;
  readonly name: string;
  readonly n: number;
  /** Measured over listed, the median. */
  readonly ratio: number;
  /** Half of what lies between the quarters. */
  readonly spread: number;
  readonly listedW: number;
}

export interface FirmSum {
  readonly boats: readonly BoatDue[];
  readonly hours: readonly Learned[];
  readonly equipment: readonly EquipmentLearned[];
}

const AHEAD_MONTHS = 2;
/** From so many on it is told. */
const LEAST_MEASURED = 2;

const watts = (l: Pick<Load, 'rating' | 'ratingBy' | 'nominalV'>): number => (l.ratingBy === 'W' ? l.rating : l.rating * l.nominalV);

function boatDue({ id, name, design, records }: FirmBoat, now: number): BoatDue {
  const plan = servicePlan(design, records, now);
  const until = addMonths(now, AHEAD_MONTHS);
  const hours = records.reduce((n, r) => {
    if (r.kind === 'entry' && typeof r.body.hours === 'number') return n + r.body.hours;
    return n;
  }, 0);
  const minutes = new Map<string, number>();
  for (const r of records) if (r.kind === 'time' && typeof r.body.minutes === 'number') minutes.set(r.thing, r.body.minutes);
  return {
    boatId: id,
    boat: name,
    due: plan
      .filter((d) => d.last !== null && d.due <= until)
      .map(({ id: item, what, last, due, overdue }) => ({ id: item, what, last, due, overdue })),
    never: plan.filter((d) => d.last === null).length,
    hours: hours + [...minutes.values()].reduce((n, m) => n + m / 60, 0),
  };
}

const quantile = (sorted: readonly number[], part: number): number => {
  const at = part * (sorted.length - 1);
  const [a, b] = [sorted[Math.floor(at)] ?? 0, sorted[Math.ceil(at)] ?? 0];
  return a + (b - a) * (at - Math.floor(at));
};

/** Loads that were measured, by their card, else by their name in the list. What no list knows teaches nothing about another boat. */
export function equipmentLearned(boats: readonly Pick<FirmPart, 'measured'>[], cards: readonly Card[]): readonly EquipmentLearned[] {
  const known = new Map(cards.map((c) => [c.id, c]));
  const listed = new Map(APPLIANCES.map((a) => [a.name, a.watts]));
  const groups = new Map<string, { cardId: string | null; name: string; listedW: number; ratios: number[] }>();
  for (const { measured } of boats)
    for (const l of measured) {
      const card = l.cardId === null ? undefined : known.get(l.cardId);
      const listedW = card ? watts(card) : (listed.get(l.name) ?? 0);
      if (listedW <= 0) continue;
      const key = card ? `card ${card.id}` : `list ${l.name}`;
      const group = groups.get(key) ?? { cardId: card?.id ?? null, name: card?.name ?? l.name, listedW, ratios: [] };
      group.ratios.push(watts(l) / listedW);
      groups.set(key, group);
    }
  return [...groups.values()]
    .filter((g) => g.ratios.length >= LEAST_MEASURED)
    .map(({ ratios, ...g }) => {
      const sorted = [...ratios].sort((a, b) => a - b);
      return { ...g, n: sorted.length, ratio: quantile(sorted, 0.5), spread: (quantile(sorted, 0.75) - quantile(sorted, 0.25)) / 2 };
    })
    .sort((a, b) => Math.abs(b.ratio - 1) - Math.abs(a.ratio - 1));
}

/** @param now ms. */
export const partOf = (boat: FirmBoat, now: number): FirmPart => ({
  id: boat.id,
  due: boatDue(boat, now),
  measured: boat.design.loads.filter((l) => l.mark === 'measured'),
  times: boat.records.filter((r) => r.kind === 'time'),
});

export function firmSum(parts: readonly FirmPart[], cards: readonly Card[]): FirmSum {
  return {
    boats: parts.map((p) => p.due),
    // Tasks of two boats are two, though they have one name.
    hours: learnedOf(parts.flatMap((p) => p.times.map((r) => ({ ...r, thing: `${p.id} ${r.thing}` })))),
    equipment: equipmentLearned(parts, cards),
  };
}

/** A card with what was measured over several boats in the place of what it said. */
export const cardAsLearned = (card: Card, { ratio }: Pick<EquipmentLearned, 'ratio'>): Card => ({
  ...card,
  rating: Number((card.rating * ratio).toPrecision(3)),
  mark: 'measured',
});
