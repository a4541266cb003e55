/** Rules on what must always live, what must be switched, what may spark, and what nothing charges: silent nowhere, however little is entered. */
import { show } from '../../quantity';
import { elsewhere } from './elsewhere';
import { cablesProposed } from './proposed';
import { bankTempC, chemistryOf } from '../../bank';
import { beltA } from '../../charging';
import {
  type BatteryCableEnd,
  blankDevice,
  type Circuit,
  inACase,
  kindOf,
  type LoadKind,
  rowOf,
  setOp,
  type Source,
  nominalVOf,
} from '../../design';
import { findFamily, INLINE } from '../../rules';
import { servingOf } from '../../topology';
import { type Rule, SOURCES, type Told, when } from '../rule';
import type { DesignFacts } from './design';
import type { DesignParts } from './reads';

type SafetyRule = Rule<DesignFacts>;

/** What guards the boat while nobody is aboard. */
const GUARDS: ReadonlySet<LoadKind> = new Set(['bilge pump', 'high-water alarm', 'gas alarm', 'smoke alarm']);
/** From here on a circuit wants something to take it off by, A. */
const HEAVY_A = 50;
/** From here on legs may lie in parallel, mm2: 50 mm2 and 1/0. */
const PARALLEL_MM2 = 49.9;
const HOT_C = 45;

const opensByHand = (c: Circuit): boolean => c.devices.some((d) => INLINE[d.kind].opens && d.kind !== 'relay' && d.kind !== 'float switch');
const isSwitch = (c: Circuit): boolean =>
  c.devices.some((d) => d.kind === 'battery switch' || d.kind === 'isolator' || d.kind === 'changeover switch');

/** A source's cable: a circuit of its own, a battery cable, or one that was measured. */
const isWired = (design: DesignParts, s: Source): boolean =>
  s.pathMohm !== null ||
  // Where an inverter's row is on no circuit, that is told of the row.
  inACase(design, s) ||
  servingOf(design.circuits).loads.has(s.loadId ?? '') ||
  (lands(design, s, 'source') && (s.kind !== 'DC–DC' || s.fromBankId === null || lands(design, s, 'source input')));

const lands = (design: DesignParts, s: Source, kind: BatteryCableEnd['kind']): boolean =>
  design.leads.some((l) => [l.from, l.to].some((e) => e.kind === kind && e.id === s.id));

/** Whether anything charges a bank: a source of its own, or one on a bank that is joined to it. */
function isCharged({ sources, joins }: DesignParts, bankId: string): boolean {
  const reached = new Set([bankId]);
  for (let grew = true; grew;) {
    grew = false;
    for (const { firstId, secondId } of joins)
      for (const [a, b] of [
        [firstId, secondId],
        [secondId, firstId],
      ])
        if (a && b && reached.has(a) && !reached.has(b)) grew = Boolean(reached.add(b));
  }
  return sources.some(
    (s) => (s.bankId !== null && reached.has(s.bankId)) || joins.some((j) => j.id === s.joinId && reached.has(j.firstId ?? '')),
  );
}

export const SAFETY_RULES: readonly SafetyRule[] = [
  {
    id: 'guard-live',
    about: 'load',
    severity: 'fix',
    reads: ['loads.kind', 'loads.name', 'loads.supply', 'circuits.supply'],
    when: 'a bilge pump or an alarm can be switched off with the boat',
    why: 'It guards the boat while nobody is aboard: behind a switch or a panel breaker it is dead when it is needed.',
    todo: 'Feed it always live, from the battery side of the switch, with a fuse of its own.',
    hazard: 'flooding',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design, circuitOfLoad }) =>
      design.loads.flatMap((l): readonly Told[] => {
        const supply = circuitOfLoad.get(l.id)?.supply ?? l.supply;
        const kind = kindOf(l);
        return when(GUARDS.has(kind) && (supply !== 'always live' || l.supply !== 'always live'), () => ({
          id: l.id,
          title: `${kind} is not always live: "${supply === 'always live' ? l.supply : supply}"`,
        }));
      }),
    cure: (design, { about }) => {
      const load = rowOf(design.loads, about.id);
      const circuit = servingOf(design.circuits).loads.get(about.id);
      if (!load || (circuit && circuit.supply !== 'always live')) return null;
      return [setOp(design, ['loads', load.id, 'supply'], 'always live')];
    },
  },
  {
    id: 'battery-switch',
    about: 'bank',
    severity: 'fix',
    reads: ['circuits.devices', 'circuits.supply', 'joins', 'leads.through'],
    when: 'nothing takes the house off its bank by hand',
    why: 'In a fire or a flood nobody can take the battery off; work is done live.',
    todo: 'A battery switch beside the bank, in reach, in every positive but those that must always live.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) =>
      design.banks.flatMap((b): readonly Told[] => {
        const own = design.circuits.filter(
          (c) => c.from.kind === 'bank' && c.from.id === b.id && c.supply !== 'always live' && c.taps.length > 0,
        );
        const selector = design.joins.some((j) => j.kind === 'selector' && (j.firstId === b.id || j.secondId === b.id));
        const led = design.leads.some(
          (l) => l.rail === 'positive' && l.through.some((d) => d.kind === 'battery switch' || d.kind === 'isolator'),
        );
        const bare = own.filter((c) => !isSwitch(c));
        return when(bare.length > 0 && !selector && !led, () => ({
          id: b.id,
          title: 'has no battery switch',
          ...(own.length > bare.length ? { why: `${bare.map((c) => c.name).join(', ')} cannot be taken off it by hand.` } : {}),
        }));
      }),
    cure: (design, { about }) =>
      design.circuits.flatMap((c) =>
        c.from.kind === 'bank' && c.from.id === about.id && c.supply !== 'always live' && c.taps.length > 0 && !isSwitch(c)
          ? [setOp(design, ['circuits', c.id, 'devices'], [...c.devices, blankDevice(`${c.id}-switch`.slice(0, 40), 'battery switch')])]
          : [],
      ),
  },
  {
    id: 'disconnect',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.supply', 'circuits.devices', 'loads'],
    when: `a circuit of ${HEAVY_A} A or more that is always live has nothing to disconnect it by`,
    why: 'It cannot be made dead for work or in a fire without a spanner at the battery.',
    todo: 'An isolator in reach beside the machine, or a breaker made to be switched.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design, results }) =>
      design.circuits.flatMap((c): readonly Told[] => {
        const r = results.get(c.id);
        if (r === undefined || r.isFeeder || r.workingA < HEAVY_A || c.supply !== 'always live') return [];
        const loads = c.taps.flatMap((t) => (t.serves.kind === 'load' ? (rowOf(design.loads, t.serves.id) ?? []) : []));
        const heavy = findFamily(r.own.protection.familyId)?.kind !== 'breaker';
        return when(heavy && !opensByHand(c) && loads.some((l) => l.group !== 'charging' && l.kind !== 'starter'), () => ({
          id: c.id,
          title: 'has no disconnect',
        }));
      }),
    cure: (design, { about }) => {
      const c = rowOf(design.circuits, about.id);
      return c
        ? [setOp(design, ['circuits', c.id, 'devices'], [...c.devices, blankDevice(`${c.id}-isolator`.slice(0, 40), 'isolator')])]
        : null;
    },
  },
  {
    id: 'starter-bare',
    about: 'circuit',
    severity: 'note',
    reads: ['loads.kind'],
    when: "a circuit is a starter's own, and has no device",
    why: 'No device both carries a start and opens on a stall, so a short in this cable burns until the switch is turned.',
    todo: 'Keep it short, sheathed, clear of the engine and held every half metre, with a switch in reach.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design, results }) =>
      design.circuits.flatMap((c): readonly Told[] =>
        when(c.found === null && results.get(c.id)?.own.protection.missing === true, () => ({
          id: c.id,
          title: 'a starter’s cable has no device',
        })),
      ),
  },
  {
    id: 'thin-parallel',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.pin'],
    when: 'conductors thinner than 50 mm² or 1/0 lie in parallel',
    why: 'One broken leg goes unseen, and the other burns: legs in parallel are for conductors too thick to bend as one.',
    todo: 'One conductor of the copper asked for.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design, results }) =>
      design.circuits.flatMap((c): readonly Told[] => {
        const { candidate, conductor } = results.get(c.id)?.own.state ?? {};
        return when(c.pin.size !== null && (candidate?.legs ?? 1) > 1 && (conductor?.areaMm2 ?? 0) < PARALLEL_MM2, () => ({
          id: c.id,
          title: `${candidate?.legs ?? 2} thin legs in parallel`,
        }));
      }),
    cure: (design, { about }) => {
      const c = rowOf(design.circuits, about.id);
      return c ? [setOp(design, ['circuits', c.id, 'pin'], { ...c.pin, size: null, legs: 1, ownDevices: false })] : null;
    },
  },
  {
    id: 'not-made',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.pin'],
    when: 'a pinned rating is not made in its family',
    why: 'It cannot be bought: what is fitted in its place is somebody’s guess.',
    todo: 'The nearest rating that is made, or another family.',
    hazard: 'fire',
    confirm: 'nothing',
    source: SOURCES.practice,
    find: ({ design, results }) =>
      design.circuits.flatMap((c): readonly Told[] => {
        const family = findFamily(results.get(c.id)?.own.protection.familyId ?? '');
        const amps = c.pin.ratingA;
        return when(amps !== null && c.found === null && family !== undefined && !family.ratingsA.includes(amps), () => ({
          id: c.id,
          title: `${amps ?? 0} A is not made as ${family?.name ?? ''}: the largest is ${family?.ratingsA[family.ratingsA.length - 1] ?? 0} A`,
        }));
      }),
    cure: (design, { about }) => {
      const c = rowOf(design.circuits, about.id);
      return c ? [setOp(design, ['circuits', c.id, 'pin'], { ...c.pin, ratingA: null })] : null;
    },
  },
  {
    id: 'source-unwired',
    about: 'source',
    severity: 'fix',
    reads: ['sources.loadId', 'circuits.taps', 'leads'],
    when: 'a source has no cable',
    why: 'Its cable is not sized and it has no fuse at the battery, where the bank would feed a short in it.',
    todo: 'Wiring, main side, "propose"; or name its row of the load sheet.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: ({ design }) =>
      design.sources.flatMap((s): readonly Told[] =>
        when(s.bankId !== null && !isWired(design, s), () => ({
          id: s.id,
          title: lands(design, s, 'source')
            ? `${s.kind} has no cable and no fuse at its input`
            : `${s.kind} source has no cable and no fuse`,
          ...(s.kind === 'DC–DC' ? { todo: 'A battery cable from each bank to it, each with its own fuse at that bank.' } : {}),
        })),
      ),
    // What the main side proposes for it, and the bars that lands on.
    cure: (design, { about }) =>
      cablesProposed(design, (l) => [l.from, l.to].some((e) => (e.kind === 'source' || e.kind === 'source input') && e.id === about.id)),
  },
  {
    id: 'uncharged',
    about: 'bank',
    severity: 'fix',
    reads: ['sources', 'joins', 'circuits'],
    when: 'nothing charges a bank that feeds something',
    why: 'It is empty after its first use.',
    todo: 'Enter its sources under Charging, or what joins it to a bank that is charged.',
    hazard: 'stranded',
    confirm: 'nothing',
    source: SOURCES.data,
    find: ({ design }) =>
      design.banks.flatMap((b): readonly Told[] =>
        when(
          design.circuits.some((c) => c.from.kind === 'bank' && c.from.id === b.id && c.taps.length > 0) && !isCharged(design, b.id),
          () => ({ id: b.id, title: 'nothing charges it' }),
        ),
      ),
  },
  {
    id: 'bank-temp',
    about: 'bank',
    severity: 'fix',
    reads: ['banks.tempC', 'banks.placeId', 'places.ambientC'],
    when: `a bank stands at ${HOT_C} °C (${(HOT_C * 9) / 5 + 32} °F) or more, or colder than it may be charged`,
    why: 'Heat halves a battery’s life with every 8 to 10 °C (15 to 18 °F), and lead-acid runs away while it charges.',
    todo: 'Move it out of the engine space, or give it air.',
    hazard: 'damage',
    confirm: 'a meter',
    source: SOURCES.maker,
    find: ({ design }) =>
      design.banks.flatMap((b): readonly Told[] => {
        const tempC = bankTempC(design, b);
        const cold = tempC < chemistryOf(b).chargeMinC;
        return when(tempC >= HOT_C || cold, () => ({
          id: b.id,
          title: cold
            ? `at ${show(tempC, 'C', design.boat)} it is too cold to charge`
            : `at ${show(tempC, 'C', design.boat)} it stands too hot`,
          ...(cold
            ? {
                why: `Below ${show(chemistryOf(b).chargeMinC, 'C', design.boat)} charging harms it for good.`,
                todo: 'Warm it before it charges, or have its BMS refuse the charge.',
              }
            : {}),
        }));
      }),
    // A temperature that is entered goes with the bank.
    cure: (design, finding) =>
      rowOf(design.banks, finding.about.id)?.tempC === null
        ? elsewhere((p) => !p.vapour && !p.engineSpace && p.ambientC < HOT_C - 10)(design, finding)
        : null,
  },
  {
    id: 'belt',
    about: 'source',
    severity: 'fix',
    reads: ['sources.ratedA', 'sources.alternator.belt', 'boat.systemV'],
    when: 'an alternator is rated for more than its belt carries',
    why: 'The belt slips, glazes and throws dust; it fails when the bank is lowest.',
    todo: 'A wider belt and pulleys, or a regulator that holds the field back.',
    hazard: 'stranded',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) =>
      design.sources.flatMap((s): readonly Told[] => {
        const most = s.alternator ? beltA(s.alternator.belt, nominalVOf(design, s.bankId)) : Infinity;
        return when(s.kind === 'alternator' && s.ratedA > most, () => ({
          id: s.id,
          title: `${s.ratedA} A on a belt good for ${most.toFixed(0)} A`,
          why: `A ${s.alternator?.belt ?? 'belt'} carries ${most.toFixed(0)} A at ${nominalVOf(design, s.bankId)} V. It slips, glazes and throws dust, and fails when the bank is lowest.`,
        }));
      }),
    cure: (design, { about }) => {
      const s = rowOf(design.sources, about.id);
      const wide = (['V-belt 13 mm', 'two V-belts', 'multi-rib'] as const).find(
        (b) => s && beltA(b, nominalVOf(design, s.bankId)) >= s.ratedA,
      );
      return s?.alternator && wide ? [setOp(design, ['sources', s.id, 'alternator', 'belt'], wide)] : null;
    },
  },
  {
    id: 'metal-hull',
    about: 'boat',
    severity: 'note',
    reads: ['boat.hull'],
    when: 'the hull is of metal',
    why: 'A current in the hull takes the plating with it.',
    todo: 'Two-wire everywhere with an insulated return, engine senders and alternator included; a leakage test to the hull, of each pole, with everything on, every season.',
    hazard: 'stray current',
    confirm: 'a meter',
    source: SOURCES.dc,
    find: ({ design }) =>
      when(design.boat.hull === 'steel' || design.boat.hull === 'aluminium', () => ({
        id: 'boat',
        title: `${design.boat.hull} hull: insulated return, and a leakage test to the hull`,
      })),
  },
];
