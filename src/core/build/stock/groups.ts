/** Pieces by what they are cut from, with what the store has of it (docs/methods.md, "Reels"). */
import { type Boat, type Design, type StoreLength } from '../../design';
import { FOOT_M } from '../../quantity';
import { endTakes } from '../../rules';
import type { MadePiece } from '../made';
import type { Sold, StockAsked } from './plan';

export type { StoreLength };

export interface ReelGroup {
  /** Size and colour: pieces of one group are cut from the same cable. */
  readonly key: string;
  readonly size: string;
  readonly colour: string;
  readonly cores: number;
  readonly massKgPerKm: number;
  readonly areaMm2: number;
  /** All that are not cut yet. */
  readonly pieces: readonly MadePiece[];
  /** To be cut now. */
  readonly asked: StockAsked;
  /** Taped, and not released yet; to be measured first: set aside, m. */
  readonly taped: { readonly pieces: number; readonly metres: number };
  readonly measure: { readonly pieces: number; readonly metres: number };
  readonly store: readonly StoreLength[];
}

/** How cable is bought: in half metres or whole feet from the drum, or in reels. */
export const soldAs = (boat: Pick<Boat, 'lengthUnit'>, reelM: number | null): Sold =>
  reelM !== null ? { by: 'reel', mm: 1000 * reelM } : { by: 'step', mm: boat.lengthUnit === 'ft' ? 1000 * FOOT_M : 500 };

export function groupsOf(design: Design, made: readonly MadePiece[], store: readonly StoreLength[]): readonly ReelGroup[] {
  const by = new Map<string, MadePiece[]>();
  for (const p of made) {
    if (p.stage === 'cut' || p.stage === 'made' || p.stage === 'landed') continue;
    const key = `${p.cut.size}|${p.cut.colour}`;
    by.set(key, [...(by.get(key) ?? []), p]);
  }
  const sold = soldAs(design.boat, design.work.reelM);
  return [...by]
    .map(([key, pieces]): ReelGroup => {
      const cut = (pieces[0] as MadePiece).cut;
      const own = store.filter((s) => s.size === cut.size && s.colour === cut.colour && s.cores === cut.cores);
      const aside = (stages: readonly MadePiece['stage'][]) => {
        const these = pieces.filter((p) => stages.includes(p.stage));
        return { pieces: these.length, metres: these.reduce((m, p) => m + p.reservedM, 0) };
      };
      return {
        key,
        size: cut.size,
        colour: cut.colour,
        cores: cut.cores,
        massKgPerKm: cut.massKgPerKm,
        areaMm2: cut.areaMm2,
        pieces,
        asked: {
          wanted: pieces.flatMap((p) => (p.stage === 'released' && p.cutMm !== null ? [{ id: p.cut.id, mm: p.cutMm }] : [])),
          store: own.map((s) => ({ id: s.id, mm: Math.floor(s.lengthM * 1000) })),
          sold,
        },
        taped: aside(['taped']),
        measure: aside(['measure', 'held']),
        store: own,
      };
    })
    .sort((a, b) => a.cores - b.cores || b.areaMm2 - a.areaMm2 || a.colour.localeCompare(b.colour));
}

export interface FewerReels {
  readonly from: string;
  readonly to: string;
  /** Cables fewer to buy, copper and jacket more, kg, and metres it is about. */
  readonly reels: number;
  readonly kg: number;
  readonly metres: number;
}

/** The next heavier size in place of a lighter one, where it is used aboard anyway and light ends take it. The fewest more kg a reel first. */
export function fewerReels(groups: readonly ReelGroup[], design: Pick<Design, 'boat'>): readonly FewerReels[] {
  const single = groups.filter((g) => g.cores === 1);
  const sizes = [...new Set(single.map((g) => g.size))].sort((a, b) => areaOf(single, a) - areaOf(single, b));
  const metresOf = (g: ReelGroup) => g.asked.wanted.reduce((m, p) => m + p.mm / 1000, 0) + g.taped.metres + g.measure.metres;
  return sizes
    .flatMap((from, i): FewerReels[] => {
      const to = sizes[i + 1];
      if (to === undefined || !endTakes('M4', design.boat.ruleSet, areaOf(single, to))) return [];
      const own = single.filter((g) => g.size === from);
      const heavier = single.filter((g) => g.size === to);
      const reels = own.filter((g) => heavier.some((h) => h.colour === g.colour)).length;
      const metres = own.reduce((m, g) => m + metresOf(g), 0);
      const kgPerKm = (heavier[0]?.massKgPerKm ?? 0) - (own[0]?.massKgPerKm ?? 0);
      return reels === 0 ? [] : [{ from, to, reels, metres, kg: (metres * kgPerKm) / 1000 }];
    })
    .sort((a, b) => a.kg / a.reels - b.kg / b.reels);
}

const areaOf = (groups: readonly ReelGroup[], size: string): number => groups.find((g) => g.size === size)?.areaMm2 ?? 0;
