/** The ways to join a house and a start bank, run through the same cruise and compared by consequence. */
import { type Bank, blankTie, blankSource, blocksV, type Design, type BankTie, type Source } from '../design';
import { crankIndex, houseIndex, type Scene, sceneOf } from './scene';
import { cruiseOf, type CruiseResult, daysOf, runDays } from './cruise';
import { startsFrom } from '../bank';

export const TIE_WAYS = [
  'as designed',
  'selector by hand',
  'diode splitter',
  'field-effect splitter',
  'voltage-sensitive relay',
  'DC–DC charger',
  'not joined',
] as const;
export type TieWay = (typeof TIE_WAYS)[number];

export interface TieConsequence {
  readonly way: TieWay;
  /** House and start bank: lowest, at the end, charge taken in, hours of the engine's first day to 95 %. */
  readonly house: BankSide;
  readonly start: BankSide;
  /** Highest volts at each bank's posts while charging, V. */
  readonly houseV: number;
  readonly startV: number;
  /** Days until the engine would no longer start; null: it starts throughout. */
  readonly failsAfterDays: number | null;
  readonly runsOut: string;
  /** Hour by hour through the first days: charge and volts of both. */
  readonly trace: readonly TiePoint[];
  readonly parts: readonly TiePart[];
}

/** A part a way of joining takes, and what has been typed as its price; null: nothing yet. */
export interface TiePart {
  readonly id: string;
  readonly name: string;
  readonly price: number | null;
}

export interface TiePoint {
  readonly day: number;
  readonly house: number;
  readonly start: number;
  readonly houseV: number;
  readonly startV: number;
}

export interface BankSide {
  readonly lowest: number;
  /** When it stands lowest, and when its posts highest, h from the beginning of the cruise. */
  readonly lowestH: number;
  readonly topH: number;
  readonly endSoc: number;
  readonly inAh: number;
  /** Hours the engine runs until the bank stands at 95 %, from 60 %; null: not within 12 h. */
  readonly hoursTo95: number | null;
}

/** The design with its banks joined in another way; null where there is nothing to join, or where the way does not join such banks. */
export function joinedBy(design: Design, way: TieWay): Design | null {
  const house = design.banks[houseIndex(design.banks)];
  const start = design.banks[crankIndex(design)];
  if (!house || !start || house.id === start.id) return null;
  if (way === 'as designed') return design;
  // Banks of unlike volts are only joined by what converts.
  if (blocksV(house) !== blocksV(start) && way !== 'DC–DC charger' && way !== 'not joined') return null;
  const { systemV } = design.boat;
  const bare: Design = {
    ...design,
    joins: [],
    sources: design.sources
      .filter((s) => !(s.kind === 'DC–DC' && s.bankId === start.id))
      .map((s) => ({ ...s, joinId: null, ...(s.kind === 'alternator' ? { bankId: house.id } : {}) })),
  };
  const ends = { firstId: house.id, secondId: start.id };
  const through = (tie: BankTie, sense: (s: Source) => Source): Design => ({
    ...bare,
    joins: [tie],
    sources: bare.sources.map((s) => (s.kind === 'alternator' ? sense({ ...s, joinId: tie.id }) : s)),
  });
  const splitter = (dropV: number, past: boolean) =>
    through({ ...blankTie('way', 'splitter', systemV), ...ends, dropV }, (s) => ({
      ...s,
      regulator: { ...s.regulator, sense: past ? 'the bank' : 'its own post' },
    }));
  switch (way) {
    case 'selector by hand':
      return through({ ...blankTie('way', 'selector', systemV), ...ends }, (s) => s);
    case 'diode splitter': {
      const sensed = bare.sources.some((s) => s.kind === 'alternator' && s.regulator.sense === 'the bank');
      return splitter(0.7, sensed);
    }
    case 'field-effect splitter':
      return splitter(0.05, false);
    case 'voltage-sensitive relay':
      return { ...bare, joins: [{ ...blankTie('way', 'relay', systemV), ...ends }] };
    case 'DC–DC charger':
      return { ...bare, sources: [...bare.sources, dcdc(start, house)] };
    case 'not joined':
      return bare;
  }
}

function dcdc(to: Bank, from: Bank): Source {
  const s = blankSource('way', 'DC–DC', blocksV(to), to.id, blocksV(from));
  return { ...s, fromBankId: from.id, ratedA: Math.min(s.ratedA, Math.max(5, to.blockAh * to.strings * 0.25)) };
}

const CABLE = { id: 'bank-cable', name: 'cable with a fuse at each bank' };
const PARTS: Readonly<Record<Exclude<TieWay, 'as designed'>, readonly { readonly id: string; readonly name: string }[]>> = {
  'selector by hand': [
    { id: 'selector', name: 'four-position selector' },
    { id: 'selector-cables', name: 'three cables to the selector' },
  ],
  'diode splitter': [
    { id: 'diode-splitter', name: 'two-way diode splitter' },
    CABLE,
    { id: 'sense-lead', name: 'sense lead to the house bank, fused' },
  ],
  'field-effect splitter': [{ id: 'field-effect-splitter', name: 'two-way field-effect splitter' }, CABLE],
  'voltage-sensitive relay': [{ id: 'relay', name: 'voltage-sensitive relay' }, CABLE],
  'DC–DC charger': [{ id: 'dcdc', name: 'DC–DC charger' }, CABLE, { id: 'enable-lead', name: 'enable lead' }],
  'not joined': [{ id: 'own-charger', name: 'an own charge path for the start bank, or it is never charged' }],
};

/** What a way takes in parts. What stands aboard has its own prices. */
export const partsOfWay = (design: Design, way: TieWay): TiePart[] =>
  way === 'as designed'
    ? design.joins.map(({ id, name, price }) => ({ id, name, price }))
    : PARTS[way].map((p) => ({ ...p, price: design.boat.prices[p.id] ?? null }));

const FULL_DAY_RPM = 2000;

/** Hours of engine from 60 % until each bank stands at 95 %. */
function hoursTo95(design: Design, which: readonly number[]): (number | null)[] {
  const living = {
    id: 'fill',
    name: 'fill',
    houseSwitch: 'on' as const,
    day: [{ id: 'e', what: 'engine' as const, fromH: 0, toH: 12, level: FULL_DAY_RPM }],
  };
  const scene = sceneOf({ ...design, living: [living], loads: [] }, { stepMin: 10 });
  const run = runDays(scene, [0], 0.6, 'fill');
  return which.map((b) => {
    for (let t = 0; t < scene.n / 2; t++) if ((run.trace.soc[t * scene.banks.length + b] ?? 0) >= 0.95) return (t + 1) * scene.stepH;
    return null;
  });
}

/** The step at which a bank's figure is the greatest by `beats`. */
function stepOf(figures: ArrayLike<number>, nB: number, b: number, beats: (x: number, than: number) => boolean): number {
  let at = 0;
  for (let t = 1; t * nB + b < figures.length; t++) if (beats(figures[t * nB + b] ?? 0, figures[at * nB + b] ?? 0)) at = t;
  return at;
}

function failsAfter(design: Design, run: CruiseResult, scene: Scene, b: number): number | null {
  const bank = design.banks[b];
  if (!bank) return null;
  const nB = scene.banks.length;
  const at = run.days.findIndex((_, d) => {
    let lowest = 1;
    for (let t = 0; t < scene.n; t++) lowest = Math.min(lowest, run.trace.soc[(d * scene.n + t) * nB + b] ?? 1);
    return !startsFrom(design, bank, lowest);
  });
  return at < 0 ? null : at;
}

/** All ways compared on the chosen cruise, at 15 min steps. Empty where a boat has no two banks to join. */
export function compareTies(design: Design): TieConsequence[] {
  const house = houseIndex(design.banks);
  const start = crankIndex(design);
  const chosen = cruiseOf(design);
  const days = daysOf(design, chosen);
  return TIE_WAYS.flatMap((way) => {
    const joined = joinedBy(design, way);
    if (!joined || days.length === 0) return [];
    const scene = sceneOf(joined, { stepMin: 15, ways: new Set(days) });
    const run = runDays(scene, days, chosen.startSoc, way);
    const [houseFill, startFill] = hoursTo95(joined, [house, start]);
    const nB = scene.banks.length;
    const top = (b: number) => stepOf(run.trace.volts, nB, b, (x, than) => x > than);
    const side = (b: number, fill: number | null | undefined): BankSide => ({
      lowest: run.banks[b]?.lowest ?? 0,
      lowestH: (stepOf(run.trace.soc, nB, b, (x, than) => x < than) + 1) * scene.stepH,
      topH: (top(b) + 1) * scene.stepH,
      endSoc: run.banks[b]?.endSoc ?? 0,
      inAh: run.banks[b]?.inAh ?? 0,
      hoursTo95: fill ?? null,
    });
    const sides = { house: side(house, houseFill), start: side(start, startFill) };
    return [
      {
        way,
        ...sides,
        houseV: run.trace.volts[top(house) * nB + house] ?? 0,
        startV: run.trace.volts[top(start) * nB + start] ?? 0,
        failsAfterDays: failsAfter(joined, run, scene, start),
        runsOut: runsOut(design, run, house, start),
        trace: hourly(run, house, start),
        parts: partsOfWay(design, way),
      },
    ];
  });
}

const SHOWN_DAYS = 10;

function hourly({ scene, trace, days }: CruiseResult, house: number, start: number): TiePoint[] {
  const nB = scene.banks.length;
  const every = Math.round(1 / scene.stepH);
  return Array.from({ length: Math.min(days.length, SHOWN_DAYS) * 24 }, (_, h) => {
    const at = (h * every + every - 1) * nB;
    return {
      day: h / 24,
      house: 100 * (trace.soc[at + house] ?? 0),
      start: 100 * (trace.soc[at + start] ?? 0),
      houseV: trace.volts[at + house] ?? 0,
      startV: trace.volts[at + start] ?? 0,
    };
  });
}

function runsOut(design: Design, run: CruiseResult, house: number, start: number): string {
  const short = [house, start].filter((b) => (run.banks[b]?.longestSinceFullDays ?? 0) > 7 && design.banks[b]?.chemistry !== 'lfp');
  return short.map((b) => design.banks[b]?.name ?? '').join(' and ');
}

export interface WrongPosition {
  readonly position: string;
  readonly houseLowest: number;
  readonly startLowest: number;
  readonly failsAfterDays: number | null;
  readonly unmetAh: number;
}

/** What happens when a selector is left in one position all through the cruise. Empty without a selector. */
export function wrongPositions(design: Design): WrongPosition[] {
  const selector = design.joins.find((j) => j.kind === 'selector');
  if (!selector) return [];
  const house = houseIndex(design.banks);
  const start = crankIndex(design);
  const chosen = cruiseOf(design);
  return (['first', 'second', 'both', 'off'] as const).map((position) => {
    const left: Design = {
      ...design,
      joins: design.joins.map((j) => (j.id === selector.id ? { ...j, running: position, stopped: position } : j)),
      living: design.living.map((l) => ({ ...l, day: l.day.filter((s) => s.what !== 'selector') })),
    };
    const scene = sceneOf(left, { stepMin: 15 });
    const run = runDays(scene, daysOf(left, chosen), chosen.startSoc, position);
    return {
      position,
      houseLowest: run.banks[house]?.lowest ?? 0,
      startLowest: run.banks[start]?.lowest ?? 0,
      failsAfterDays: failsAfter(left, run, scene, start),
      unmetAh: run.days.reduce((a, d) => a + d.unmetAh, 0),
    };
  });
}
