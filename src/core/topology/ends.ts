/** What a lead of the main side lands on: its node in the network, its name, where it stands. */
import { loadPoint, panelPoint, pathM, placePoint } from './geometry';
import { type Design, type BatteryCable, type BatteryCableEnd, type Point, rowOf, sideOfTie, type TieSide } from '../design';

export type Rail = '+' | '-';

/** Nodes of the network. A bar, a case and a side of a tie are one node whatever the rail. */
export const bankPost = (id: string, rail: Rail): string => `bank ${id}${rail}`;
export const panelBar = (id: string, rail: Rail): string => `panel ${id}${rail}`;
export const barNode = (id: string): string => `bar ${id}`;
export const caseNode = (id: string): string => `case ${id}`;
export const sourcePost = (id: string, rail: Rail): string => `source ${id}${rail}`;
/** Where a DC–DC charger draws. */
export const sourceInput = (id: string, rail: Rail): string => `source ${id} in${rail}`;
export const tieSide = (id: string, side: TieSide): string => `join ${id} ${side}`;

export function endNode(end: BatteryCableEnd, lead: Pick<BatteryCable, 'rail'>): string {
  const rail: Rail = lead.rail === 'positive' ? '+' : '-';
  switch (end.kind) {
    case 'bank':
      return bankPost(end.id, rail);
    case 'panel':
      return panelBar(end.id, rail);
    case 'source':
      return sourcePost(end.id, rail);
    case 'source input':
      return sourceInput(end.id, rail);
    case 'bar':
      return barNode(end.id);
    case 'case':
      return caseNode(end.id);
    case 'join first':
      return tieSide(end.id, 'first');
    case 'join second':
      return tieSide(end.id, 'second');
    case 'join common':
      return tieSide(end.id, 'common');
  }
}

type EndKind = BatteryCableEnd['kind'];
type TieEnd = Extract<EndKind, `join ${string}`>;
const isTieEnd = (kind: EndKind): kind is TieEnd => sideOfTie(kind) !== null;

const listOf = { bank: 'banks', panel: 'panels', source: 'sources', 'source input': 'sources', bar: 'bars', case: 'loads' } as const;

/** The lists a lead may end in. */
export type Ended = Pick<Design, 'banks' | 'panels' | 'sources' | 'bars' | 'loads' | 'joins'>;

/** What it takes to say where an end is. */
export type Reached = Ended & Pick<Design, 'boat' | 'places'>;

/** The thing at an end; undefined where it is gone. */
function thingAt(design: Ended, { kind, id }: BatteryCableEnd): { readonly name: string } | undefined {
  if (isTieEnd(kind)) return rowOf(design.joins, id);
  const rows: readonly { readonly id: string; readonly name: string }[] = design[listOf[kind]];
  return rows.find((r) => r.id === id);
}

/** As a person would say it; null where the thing is gone. */
export function endName(design: Ended, lead: Pick<BatteryCable, 'rail'>, end: BatteryCableEnd): string | null {
  const thing = thingAt(design, end);
  if (!thing) return null;
  if (end.kind === 'case') return `case of ${thing.name}`;
  const side = sideOfTie(end.kind);
  if (side) return side === 'common' ? `${thing.name}, common post` : `${thing.name}, ${side} side`;
  if (end.kind === 'bar') return thing.name;
  if (end.kind === 'source input') return `${thing.name}, input ${lead.rail === 'positive' ? '+' : '−'}`;
  return `${thing.name} ${lead.rail === 'positive' ? '+' : '−'}`;
}

/** Every end a lead may have, in the order of the work. */
export const endsOf = (design: Ended): BatteryCableEnd[] => [
  ...design.banks.map((b): BatteryCableEnd => ({ kind: 'bank', id: b.id })),
  ...design.bars.map((b): BatteryCableEnd => ({ kind: 'bar', id: b.id })),
  ...design.panels.map((p): BatteryCableEnd => ({ kind: 'panel', id: p.id })),
  ...design.joins.flatMap((j): BatteryCableEnd[] => [
    { kind: 'join first', id: j.id },
    { kind: 'join second', id: j.id },
    ...(j.kind === 'selector' ? [{ kind: 'join common' as const, id: j.id }] : []),
  ]),
  ...design.sources.flatMap((s): BatteryCableEnd[] => [
    { kind: 'source', id: s.id },
    ...(s.kind === 'DC–DC' ? [{ kind: 'source input' as const, id: s.id }] : []),
  ]),
  ...design.loads.map((l): BatteryCableEnd => ({ kind: 'case', id: l.id })),
];

/** The place an end is in; of a tie that of its first bank. */
export function endPlaceId(design: Ended, { kind, id }: BatteryCableEnd): string | null {
  if (isTieEnd(kind)) {
    const tie = rowOf(design.joins, id);
    return rowOf(design.banks, tie?.firstId)?.placeId ?? null;
  }
  const rows: readonly { readonly id: string; readonly placeId: string | null }[] = design[listOf[kind]];
  return rows.find((r) => r.id === id)?.placeId ?? null;
}

function endPoint(design: Reached, end: BatteryCableEnd): Point {
  if (end.kind === 'case') {
    const load = rowOf(design.loads, end.id);
    if (load) return loadPoint(design, load);
  }
  if (end.kind === 'panel') {
    const panel = rowOf(design.panels, end.id);
    if (panel) return panelPoint(design, panel);
  }
  return placePoint(design, endPlaceId(design, end));
}

/** Length of a lead, m: taped, else the path between its ends by way of what is in line, with slack. */
export function batteryCableLengthM(design: Reached & Pick<Design, 'house'>, lead: BatteryCable): number {
  if (lead.lengthM !== null) return lead.lengthM;
  // What stands in line beside the end before it lengthens nothing.
  const on = lead.through.filter(
    (d, i) => d.placeId !== null && d.placeId !== (lead.through[i - 1]?.placeId ?? endPlaceId(design, lead.from)),
  );
  const stops = [endPoint(design, lead.from), ...on.map((d) => placePoint(design, d.placeId)), endPoint(design, lead.to)];
  return stops.slice(1).reduce((sum, p, i) => sum + pathM(stops[i] ?? p, p, design.house.slackM), 0);
}

/** Estimated lengths between what is placed in line on a lead, slack at both ends of each, m; one where nothing is. */
export function leadStretchesOf(design: Reached & Pick<Design, 'house'>, lead: BatteryCable): readonly number[] {
  const placed = lead.through.filter((d) => d.placeId !== null);
  const stops = [endPoint(design, lead.from), ...placed.map((d) => placePoint(design, d.placeId)), endPoint(design, lead.to)];
  return stops.slice(1).map((p, i) => pathM(stops[i] ?? p, p, design.house.slackM));
}
