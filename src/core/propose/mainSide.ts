/** The main side a boat wants, from what the other stations know: bars, the shunt, straps, the starter's leads, what joins the banks, earths. */
import {
  blankBar,
  type Bar,
  blankDevice,
  BOUNDS,
  type Design,
  EARTHINGS,
  kindOf,
  type Load,
  type BatteryCable,
  type BatteryCableEnd,
  inACase,
  startBankOf,
} from '../design';
import { returnBar } from '../topology';

export interface MainSideProposal {
  readonly bars: readonly Bar[];
  readonly leads: readonly BatteryCable[];
}

type BarKind = Bar['kind'];

/** A lead without anything decided. */
export const blankBatteryCable = (
  id: string,
  name: string,
  rail: BatteryCable['rail'],
  from: BatteryCableEnd,
  to: BatteryCableEnd,
): BatteryCable => ({
  id,
  name,
  rail,
  from,
  to,
  through: [],
  fused: rail === 'positive',
  family: null,
  ratingA: null,
  size: null,
  lengthM: null,
  fromStud: 'M8',
  toStud: 'M8',
  note: '',
});

/**
 * Whether a load has a metal case that a fault may reach: heavy appliances, but no starter, which stands on the engine; of what charges, what takes AC.
 * A row that no source names goes by its name.
 */
function hasCase({ sources }: Pick<Design, 'sources'>, load: Load): boolean {
  if (load.group === 'heavy') return kindOf(load) !== 'starter';
  if (load.group !== 'charging') return false;
  const source = sources.find((s) => s.loadId === load.id);
  return source
    ? source.kind === 'shore charger' || source.kind === 'portable'
    : !/alternator|solar|wind|dc.?dc|lichtmaschine|alternateur/i.test(load.name);
}

const starterHasRun = ({ loads, circuits }: Pick<Design, 'loads' | 'circuits'>): boolean => {
  const starters = new Set(loads.filter((l) => kindOf(l) === 'starter').map((l) => l.id));
  return circuits.some((c) => c.taps.some((t) => t.serves.kind === 'load' && starters.has(t.serves.id)));
};

const sameEnd = (a: BatteryCableEnd, b: BatteryCableEnd): boolean => a.kind === b.kind && a.id === b.id;

/** The one joint of the AC earth to a main side that is there; nothing where there is none, or it has been made. @param freshId makes ids. */
export function proposeEarthJoint(design: Design, freshId: (prefix: string) => string): MainSideProposal {
  if (!design.bars.some((b) => b.kind === 'negative bus')) return { bars: [], leads: [] };
  const { bars, leads } = proposeMainSide(design, freshId);
  const earthBars = new Set([...design.bars, ...bars].filter((b) => b.kind === 'AC earth bar').map((b) => b.id));
  const joint = leads.filter((l) => l.rail === 'earth' && l.from.kind === 'bar' && earthBars.has(l.from.id));
  return { bars: joint.length > 0 ? bars.filter((b) => earthBars.has(b.id)) : [], leads: joint };
}

/**
 * What is not there yet: a negative bus behind a shunt for the first bank, every other bank's negative and the engine's on it, the start bank
 * to its starter, the cables of what joins the banks, one joint to the bonding bus and one to the AC earth bar, and the case earths of heavy
 * appliances. Pure. @param freshId makes ids.
 */
export function proposeMainSide(design: Design, freshId: (prefix: string) => string): MainSideProposal {
  const bars: Bar[] = [];
  const leads: BatteryCable[] = [];
  const house = design.banks.find((b) => b.job === 'house') ?? design.banks[0];
  if (!house) return { bars, leads };
  const enginePlace = design.places.find((p) => p.engineSpace)?.id ?? house.placeId;

  const barOf = (kind: BarKind, name: string, placeId: string | null): BatteryCableEnd => {
    const known = [...design.bars, ...bars].find((b) => b.kind === kind);
    if (known) return { kind: 'bar', id: known.id };
    const bar: Bar = blankBar(freshId('bar'), name, kind, placeId);
    bars.push(bar);
    return { kind: 'bar', id: bar.id };
  };
  const joined = (rail: BatteryCable['rail'], a: BatteryCableEnd, b: BatteryCableEnd) =>
    [...design.leads, ...leads].some(
      (l) => l.rail === rail && ((sameEnd(l.from, a) && sameEnd(l.to, b)) || (sameEnd(l.from, b) && sameEnd(l.to, a))),
    );
  const lay = (rail: BatteryCable['rail'], name: string, from: BatteryCableEnd, to: BatteryCableEnd, more: Partial<BatteryCable> = {}) => {
    if (!joined(rail, from, to)) leads.push({ ...blankBatteryCable(freshId('lead'), name, rail, from, to), ...more });
  };
  const bank = (id: string): BatteryCableEnd => ({ kind: 'bank', id });
  const device = (kind: BatteryCable['through'][number]['kind'], placeId: string | null) => ({
    ...blankDevice(freshId('d'), kind),
    placeId,
  });

  const bus = barOf('negative bus', 'Negative bus', house.placeId);
  lay('negative', `${house.name} negative`, bank(house.id), bus, { through: [device('shunt', house.placeId)] });
  const start = startBankOf(design);
  for (const other of design.banks) {
    if (other.id === house.id || other.id === start?.id) continue;
    // What stands elsewhere has its loads around it: they return to a bar of its own, and not to the house's and back.
    const elsewhere = other.isolated || (other.job === 'own' && other.placeId !== house.placeId);
    if (!elsewhere) {
      lay('negative', `${other.name} negative`, bank(other.id), bus);
      continue;
    }
    if ([...design.leads, ...leads].some((l) => l.rail === 'negative' && [l.from, l.to].some((e) => sameEnd(e, bank(other.id))))) continue;
    const own: Bar = blankBar(freshId('bar'), `${other.name} negative bar`, 'negative bus', other.placeId);
    bars.push(own);
    lay('negative', `${other.name} negative`, bank(other.id), { kind: 'bar', id: own.id });
    if (!other.isolated) lay('negative', `${other.name} to the common negative`, { kind: 'bar', id: own.id }, bus);
  }

  const hasEngine = start !== undefined || design.sources.some((s) => s.kind === 'alternator');
  if (hasEngine) {
    const block = barOf('engine', 'Engine block', enginePlace);
    lay('negative', 'Engine negative', block, bus);
    if (start) {
      // A starter with a row of its own has its cable as a circuit.
      if (!starterHasRun(design))
        lay('positive', 'Starter', bank(start.id), barOf('starter', 'Starter', enginePlace), {
          through: [device('battery switch', start.placeId)],
          fused: false,
        });
      // The house bank that cranks has its negative on the bus already.
      if (start.id !== house.id) lay('negative', `${start.name} negative`, bank(start.id), block);
    }
  }
  for (const tie of design.joins) {
    if (tie.firstId !== null) lay('positive', `${tie.name}, first`, bank(tie.firstId), { kind: 'join first', id: tie.id });
    if (tie.secondId !== null) lay('positive', `${tie.name}, second`, bank(tie.secondId), { kind: 'join second', id: tie.id });
  }
  sources();
  const bonding = barOf('bonding bus', 'Bonding bus', enginePlace);
  lay('earth', 'Bonding joint', bonding, bus);
  const cased = design.loads.filter((l) => hasCase(design, l));
  const joins = design.acRules.earthing === EARTHINGS[0] && design.acSources.length > 0;
  if (cased.length > 0 || joins) {
    const earth = barOf('AC earth bar', 'AC earth bar', design.panels[0]?.placeId ?? house.placeId);
    lay('earth', 'AC earth to DC negative, the one joint', earth, bus);
    for (const load of cased) lay('earth', `${load.name} case`, { kind: 'case', id: load.id }, bus);
  }
  function sources(): void {
    const wired = (s: Design['sources'][number]) =>
      s.pathMohm !== null ||
      inACase(design, s) ||
      (s.loadId !== null && design.circuits.some((c) => c.taps.some((t) => t.serves.kind === 'load' && t.serves.id === s.loadId)));
    const selector = (s: Design['sources'][number]) => design.joins.find((j) => j.id === s.joinId && j.kind === 'selector');
    // What charges through a selector ends on its common post.
    for (const s of design.sources) {
      const tie = selector(s);
      if (tie && !wired(s)) lay('positive', `${s.name} output`, { kind: 'join common', id: tie.id }, { kind: 'source', id: s.id });
    }
    for (const to of design.banks) {
      const own = design.sources.filter((s) => s.bankId === to.id && s.kind !== 'DC–DC' && !wired(s) && !selector(s));
      // Between two batteries: a cable and a fuse at each, and one negative.
      for (const s of design.sources.filter((x) => x.bankId === to.id && x.kind === 'DC–DC' && !wired(x))) {
        const end: BatteryCableEnd = { kind: 'source', id: s.id };
        const input: BatteryCableEnd = { kind: 'source input', id: s.id };
        const has = (rail: BatteryCable['rail'], at: BatteryCableEnd) =>
          design.leads.some((l) => l.rail === rail && (sameEnd(l.from, at) || sameEnd(l.to, at)));
        if (!has('positive', end)) lay('positive', `${s.name} output`, bank(to.id), end);
        if (s.fromBankId !== null && s.fromBankId !== to.id && !has('positive', input))
          lay('positive', `${s.name} input`, bank(s.fromBankId), input);
        const common = barOf('negative bus', 'Negative bus', house?.placeId ?? null);
        if (!s.dcdc?.isolated) {
          if (!has('negative', end)) lay('negative', `${s.name} negative`, end, common);
          continue;
        }
        const own = returnBar({ bars: [...design.bars, ...bars], leads: [...design.leads, ...leads] }, to.id);
        if (!has('negative', end)) lay('negative', `${s.name} output negative`, end, own === null ? bank(to.id) : { kind: 'bar', id: own });
        if (!has('negative', input)) lay('negative', `${s.name} input negative`, input, common);
      }
      // Two and more meet at a bus of their own: no more than a few terminals on the battery's post.
      const bus = own.length > 1 ? barOf('positive bus', 'Charging bus', to.placeId) : null;
      if (bus) lay('positive', 'Charging feed', bank(to.id), bus);
      for (const s of own) {
        const end: BatteryCableEnd = { kind: 'source', id: s.id };
        lay('positive', `${s.name} output`, bus ?? bank(to.id), end);
        // The outputs of one charger return by its one negative.
        if (s.kind !== 'alternator' && s.outputOf === null)
          lay('negative', `${s.name} negative`, end, barOf('negative bus', 'Negative bus', house?.placeId ?? null));
      }
    }
  }

  return {
    bars: bars.slice(0, Math.max(0, BOUNDS.bars - design.bars.length)),
    leads: leads.slice(0, Math.max(0, BOUNDS.leads - design.leads.length)),
  };
}
