/** Rules on clean power: electronics that share a feeder or a bank with motors that start (docs/methods.md, "Clean power"). */
import { bankSource } from '../../bank';
import { RIPPLE } from '../../rules';
import { type Circuit, type Design, type Load, kindOf, nominalVOf, onceFor, rowOf, setOp } from '../../design';
import { bankOfLoads, servingOf, startKey } from '../../topology';
import { show } from '../../quantity';
import { type Rule, SOURCES, type Told } from '../rule';
import type { DesignFacts } from './design';

/** What a start may take of what electronics get, of nominal volts: ours. */
const SAG_PCT = 4;
/** Where nobody says what they need, electronics restart below this much of nominal. */
const RESTARTS_PCT = 90;

/** Ripple, peak to peak, of nominal volts: a note from the first, a fix from the second: ours. */
const RIPPLE_PCT = 3;
const RIPPLE_FIX_PCT = 6;
/** Peak to peak of an inverter's ripple current over its direct current: by how much more it heats than that alone, as a sine. */
const RIPPLE_PP = 2 * Math.SQRT2 * Math.sqrt(RIPPLE ** 2 - 1);

interface Start {
  readonly load: Load;
  /** More than while it runs, A. */
  readonly addsA: number;
}

/** What starts and what is sensitive at one panel or bank; hot loop from the posts to its ways, ohm. */
interface Point {
  readonly from: Circuit['from'];
  readonly ohm: number;
  start: Start | null;
  /** The inverter that draws most. */
  inverter: { readonly load: Load; readonly amps: number } | null;
  /** The electronics with the least volts to spare. */
  weakest: { readonly load: Load; readonly loadV: number; readonly needsV: number } | null;
}

/** Of every point where circuits start: the largest start, the inverter that draws most, and the electronics nearest to their limit. What runs for minutes is left to the studies. */
const pointsOf = onceFor(({ design, results }: DesignFacts): ReadonlyMap<string, Point> => {
  const points = new Map<string, Point>();
  const bankOf = bankOfLoads(design);
  for (const [key, { from, circuits }] of servingOf(design.circuits).starting) {
    let point: Point | undefined;
    for (const c of circuits) {
      const r = results.get(c.id);
      if (!r) continue;
      if (!point) points.set(key, (point = { from, ohm: r.upstreamOhm, start: null, inverter: null, weakest: null }));
      for (const [i, t] of c.taps.entries()) {
        const load = t.serves.kind === 'load' ? rowOf(design.loads, t.serves.id) : undefined;
        if (!load) continue;
        const addsA = (r.surgeA ?? 0) - r.workingA;
        if (load.surgeA !== null && load.duty === null && addsA > (point.start?.addsA ?? 0)) point.start = { load, addsA };
        if (kindOf(load) === 'inverter' && r.workingA > (point.inverter?.amps ?? 0)) point.inverter = { load, amps: r.workingA };
        const loadV = load.group === 'electronics' ? r.own.state.drop.taps[i]?.loadV : undefined;
        if (loadV === undefined) continue;
        const needsV = load.minV ?? (RESTARTS_PCT / 100) * nominalVOf(design, bankOf.get(load.id));
        if (!point.weakest || loadV - needsV < point.weakest.loadV - point.weakest.needsV) point.weakest = { load, loadV, needsV };
      }
    }
  }
  return points;
});

/** From a point to the bank, the point first. A loop ends where it closes. */
function wayUp({ feederOf }: DesignFacts, from: Circuit['from']): readonly Circuit['from'][] {
  const way = [from];
  for (let at = from; at.kind === 'panel';) {
    const next = feederOf.get(at.id)?.from;
    if (!next || way.some((w) => startKey(w) === startKey(next))) break;
    way.push(next);
    at = next;
  }
  return way;
}

/** Hot loop from the posts to a point, ohm; of a bank none. */
const ohmAt = (points: ReadonlyMap<string, Point>, at: Circuit['from'] | undefined): number =>
  at && at.kind === 'panel' ? (points.get(startKey(at))?.ohm ?? 0) : 0;

/** Of a finding whose greater part stays where the loads are moved to: another way is asked for. */
const REST = '-rest';

/** Circuits from a panel with what starts hard or ripples on them. */
export const noisyAt = ({ circuits, loads }: Pick<Design, 'circuits' | 'loads'>, panelId: string): readonly Circuit[] =>
  circuits.filter(
    ({ from, taps }) =>
      from.kind === 'panel' &&
      from.id === panelId &&
      taps.some((t) => {
        const load = t.serves.kind === 'load' ? rowOf(loads, t.serves.id) : undefined;
        return load !== undefined && load.group !== 'electronics' && (load.surgeA !== null || kindOf(load) === 'inverter');
      }),
  );

/** What starts hard or ripples, away from its panel to where that panel's feeder begins: it then shares the bank alone, or the main too. */
const away: NonNullable<Rule<DesignFacts>['cure']> = (design, { about, id }) => {
  // Where the rest is too much by itself, nothing is moved.
  if (id.includes(REST)) return null;
  const feeder = servingOf(design.circuits).panels.get(about.id);
  const noisy = noisyAt(design, about.id);
  return feeder && noisy.length > 0 ? noisy.map((c) => setOp(design, ['circuits', c.id, 'from'], feeder.from)) : null;
};

export const CLEAN_POWER_RULES: readonly Rule<DesignFacts>[] = [
  {
    id: 'start-sag',
    about: 'panel',
    severity: 'fix',
    reads: ['circuits', 'loads.group', 'loads.surgeA', 'loads.minV', 'banks'],
    when: `a motor that starts takes more than ${SAG_PCT} % of the volts of electronics through the feeder and the bank they share`,
    why: 'Displays restart, radios crackle and pilots lose their heading each time it starts.',
    todo: 'A feeder of their own for the electronics, the motor on the main bus, a heavier feeder, or a bank of their own.',
    hazard: 'stranded',
    confirm: 'a meter',
    source: SOURCES.practice,
    cure: away,
    find: (facts) => {
      const { design } = facts;
      const units = design.boat;
      const points = pointsOf(facts);
      const starts = [...points.values()].flatMap((p) => (p.start ? [{ start: p.start, way: wayUp(facts, p.from).map(startKey) }] : []));
      return [...points.values()].flatMap((p): readonly Told[] => {
        if (!p.weakest || p.from.kind !== 'panel') return [];
        const way = wayUp(facts, p.from);
        const bank = rowOf(design.banks, way[way.length - 1]?.id);
        if (!bank) return [];
        const { ohm } = bankSource(bank);
        const { load, loadV, needsV } = p.weakest;
        let worst: { readonly start: Start; readonly feederV: number; readonly bankV: number; readonly here: boolean } | null = null;
        for (const { start, way: its } of starts) {
          const meet = way.find((w) => its.includes(startKey(w)));
          if (!meet || start.load.id === load.id) continue;
          const feederV = start.addsA * (meet.kind === 'bank' ? 0 : (points.get(startKey(meet))?.ohm ?? 0));
          const bankV = start.addsA * ohm;
          if (!worst || feederV + bankV > worst.feederV + worst.bankV) worst = { start, feederV, bankV, here: meet === way[0] };
        }
        if (!worst) return [];
        const sagV = worst.feederV + worst.bankV;
        if (sagV <= (SAG_PCT / 100) * nominalVOf(design, bank.id)) return [];
        const leftV = loadV - sagV;
        const stays = worst.start.addsA * (ohmAt(points, way[1]) + ohm);
        const moved = worst.here && stays <= (SAG_PCT / 100) * nominalVOf(design, bank.id);
        return [
          {
            id: p.from.id,
            suffix: moved ? '' : REST,
            severity: leftV < needsV ? 'fix' : 'note',
            title: `${worst.start.load.name} takes ${show(sagV, 'V', units)} from its electronics as it starts`,
            why: `${show(worst.feederV, 'V', units)} in the feeder they share, ${show(worst.bankV, 'V', units)} in the bank; ${load.name} is left with ${show(leftV, 'V', units)} and needs ${show(needsV, 'V', units)}.`,
          },
        ];
      });
    },
  },
  {
    id: 'ripple',
    about: 'panel',
    severity: 'fix',
    reads: ['circuits.from', 'loads.group', 'loads.kind', 'banks'],
    when: `an inverter at full output ripples the volts of electronics by more than ${RIPPLE_PCT} % through the feeder and the bank they share`,
    why: 'Radios hum, lamps flicker, sounders show noise while it works hard.',
    todo: 'The inverter on cables of its own from the bank’s posts, shorter and heavier ones, a larger bank, or a bank of its own for the electronics.',
    hazard: 'none',
    confirm: 'a meter',
    source: SOURCES.practice,
    cure: away,
    find: (facts) => {
      const { design } = facts;
      const points = pointsOf(facts);
      const inverters = [...points.values()].flatMap((p) =>
        p.inverter ? [{ ...p.inverter, way: wayUp(facts, p.from).map(startKey) }] : [],
      );
      if (inverters.length === 0) return [];
      return [...points.values()].flatMap((p): readonly Told[] => {
        const way = p.weakest && p.from.kind === 'panel' ? wayUp(facts, p.from) : [];
        const bank = rowOf(design.banks, way[way.length - 1]?.id);
        if (!bank) return [];
        const nominalV = nominalVOf(design, bank.id);
        const shared = inverters.flatMap((x) => {
          const meet = way.find((w) => x.way.includes(startKey(w)));
          if (!meet) return [];
          const feederV = RIPPLE_PP * x.amps * (meet.kind === 'bank' ? 0 : (points.get(startKey(meet))?.ohm ?? 0));
          return [{ ...x, feederV, bankV: RIPPLE_PP * x.amps * bankSource(bank).ohm, here: meet === way[0] }];
        });
        const worst = shared.sort((a, b) => b.feederV + b.bankV - a.feederV - a.bankV)[0];
        const rippleV = worst ? worst.feederV + worst.bankV : 0;
        if (!worst || rippleV <= (RIPPLE_PCT / 100) * nominalV) return [];
        const stays = RIPPLE_PP * worst.amps * ohmAt(points, way[1]) + worst.bankV;
        return [
          {
            id: p.from.id,
            suffix: worst.here && stays <= (RIPPLE_PCT / 100) * nominalV ? '' : REST,
            severity: rippleV > (RIPPLE_FIX_PCT / 100) * nominalV ? 'fix' : 'note',
            title: `${worst.load.name} ripples its electronics by ${show(rippleV, 'V', design.boat)} at full output`,
            why: `${show(worst.feederV, 'V', design.boat)} in the feeder they share, ${show(worst.bankV, 'V', design.boat)} in the bank, peak to peak.`,
          },
        ];
      });
    },
  },
];
