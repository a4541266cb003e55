/** The main side as a graph: what hangs together on a rail, what closes a loop, and where a bank's circuits return. */
import { type Design, type BatteryCable, rowOf } from '../design';
import { bankPost, barNode, endNode, tieSide } from './ends';

/** Sets of nodes that hang together; joined tells whether two did already. */
export function together(): { readonly root: (node: string) => string; readonly join: (a: string, b: string) => boolean } {
  const up = new Map<string, string>();
  const root = (node: string): string => {
    let at = node;
    for (let next = up.get(at); next !== undefined; next = up.get(at)) at = next;
    return at;
  };
  return {
    root,
    join(a, b) {
      const [x, y] = [root(a), root(b)];
      if (x === y) return true;
      up.set(x, y);
      return false;
    },
  };
}

/** The negative bus a bank's negative post leads to; null where its circuits return to the post itself. */
export function returnBar(design: Pick<Design, 'leads' | 'bars'>, bankId: string): string | null {
  for (const lead of design.leads) {
    if (lead.rail !== 'negative') continue;
    const [bank, bar] = lead.from.kind === 'bank' ? [lead.from, lead.to] : [lead.to, lead.from];
    if (bank.kind !== 'bank' || bank.id !== bankId || bar.kind !== 'bar') continue;
    if (rowOf(design.bars, bar.id)?.kind === 'negative bus') return bar.id;
  }
  return null;
}

/** The lead that carries a bank's negative through a shunt; null without one. */
export const shuntCable = (design: Pick<Design, 'leads'>, bankId: string): BatteryCable | null =>
  design.leads.find(
    (l) =>
      l.rail === 'negative' &&
      l.through.some((d) => d.kind === 'shunt') &&
      [l.from, l.to].some((e) => e.kind === 'bank' && e.id === bankId),
  ) ?? null;

/** Negative and earth leads that close a loop: each is one joint more than needed. */
export function loops(design: Pick<Design, 'leads'>): readonly BatteryCable[] {
  const sets = together();
  return design.leads.filter((l) => l.rail !== 'positive' && sets.join(endNode(l.from, l), endNode(l.to, l)));
}

/** Positive leads by which two banks hang together without anything made to join them. */
export function paralleled(
  design: Pick<Design, 'banks' | 'circuits' | 'leads'>,
): readonly { readonly lead: BatteryCable; readonly banks: readonly [string, string] }[] {
  const sets = together();
  const bankOf = new Map(design.banks.map((b) => [bankPost(b.id, '+'), b.id]));
  for (const c of design.circuits)
    if (c.from.kind === 'bank')
      for (const t of c.taps) if (t.serves.kind === 'panel') sets.join(`panel ${t.serves.id}+`, bankPost(c.from.id, '+'));
  return design.leads.flatMap((lead) => {
    if (lead.rail !== 'positive') return [];
    const [a, b] = [endNode(lead.from, lead), endNode(lead.to, lead)];
    const side = (node: string) => design.banks.filter((x) => sets.root(bankPost(x.id, '+')) === sets.root(node)).map((x) => x.id);
    const [left, right] = [side(a), side(b)];
    sets.join(a, b);
    const [one] = left;
    const two = right.find((id) => !left.includes(id));
    return one !== undefined && two !== undefined && bankOf.size > 1 ? [{ lead, banks: [one, two] as const }] : [];
  });
}

/** Bars nothing lands on, and bars that hang on no bank at all, by rail or earth. */
export function loose(
  design: Pick<Design, 'banks' | 'bars' | 'joins' | 'leads'>,
): readonly { readonly barId: string; readonly empty: boolean }[] {
  const sets = together();
  for (const l of design.leads) sets.join(endNode(l.from, l), endNode(l.to, l));
  for (const j of design.joins) {
    sets.join(tieSide(j.id, 'first'), tieSide(j.id, 'second'));
    if (j.kind === 'selector') sets.join(tieSide(j.id, 'first'), tieSide(j.id, 'common'));
  }
  const banks = new Set(design.banks.flatMap((b) => [sets.root(bankPost(b.id, '+')), sets.root(bankPost(b.id, '-'))]));
  return design.bars.flatMap((bar) => {
    const node = barNode(bar.id);
    const empty = !design.leads.some((l) => endNode(l.from, l) === node || endNode(l.to, l) === node);
    return empty || !banks.has(sets.root(node)) ? [{ barId: bar.id, empty }] : [];
  });
}

/** The leads of a rail from one node to another, through the contacts of selectors, fewest first, by their place in the design; null where none lead there. */
export function batteryCablesBetween(
  design: Pick<Design, 'leads' | 'joins'>,
  rail: BatteryCable['rail'],
  from: string,
  to: string,
): readonly number[] | null {
  const came = new Map<string, readonly number[]>([[from, []]]);
  for (const [node, way] of came) {
    if (node === to) return way;
    design.leads.forEach((lead, i) => {
      if (lead.rail !== rail) return;
      const [a, b] = [endNode(lead.from, lead), endNode(lead.to, lead)];
      const next = a === node ? b : b === node ? a : null;
      if (next !== null && !came.has(next)) came.set(next, [...way, i]);
    });
    for (const j of rail === 'positive' ? design.joins : []) {
      const sides = j.kind === 'selector' ? (['first', 'second', 'common'] as const).map((side) => tieSide(j.id, side)) : [];
      // From a bank's side only to the common: what is on both sides is no way to charge by.
      const next = sides.indexOf(node) === 2 ? sides.slice(0, 2) : sides.includes(node) ? sides.slice(2) : [];
      for (const to_ of next) if (!came.has(to_)) came.set(to_, way);
    }
  }
  return null;
}
