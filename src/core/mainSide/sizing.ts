/** Leads of the main side sized: by what they carry, their device, the drop, and the least a negative or an earth may be (docs/methods.md, "Main side"). */
import { type Conductor, CONDUCTORS, deviceOhm, findConductor, JOINT_OHM, AMBIENT_C, CRANK_PCT } from '../rules';
import { analyseCircuit, type CircuitResult, NOWHERE } from '../circuit';
import { ampacityA, conductorOhm, conductorTempC, derate, dutyEquivalentA, rulingPlace, timeConstantS } from '../conductor';
import { blankCircuit, blankLoad, type BatteryCable, nominalVOf, type Place, rowOf, sideOfTie, startBankOf } from '../design';
import { bankRestV, type BankSource, bankTempC } from '../bank';
import { loadCurrent, studyVolts } from '../demand';
import { round3, show, sizeName } from '../quantity';
import type { LeadParts } from './parts';
import { carries, type Carries } from './carries';
import { bankOfCable } from './ofBank';
import { endPlaceId, batteryCableLengthM } from '../topology';

/** Least copper of a bonding conductor, of the earth bar's joint, mm2: 8 AWG, 10 mm2. Small-craft standards of both schools; verify. */
const BOND_MM2 = { awg: 8.3, metric: 10 } as const;
/** Least copper to a starter where the engine's maker says nothing, mm2: 4 AWG, 25 mm2. Practice of the trade. */
const STARTER_MM2 = { awg: 21.1, metric: 25 } as const;
/** A hard start: as long as makers let a starter turn, and the rest they ask for after it. Typical. */
const HARD_START = { onS: 30, restS: 120 } as const;
/** One of several starts in a row, as an owner tries again: what it lasts at the least, and the pause after it. Typical, ours. */
const AGAIN = { onS: 10, restS: 30 } as const;

export interface LeadRung {
  readonly by: string;
  /** Least copper, mm2; null: no size in the table does. */
  readonly areaMm2: number | null;
  readonly size: string | null;
  readonly why: string;
}

export interface BatteryCableResult {
  readonly id: string;
  readonly lengthM: number;
  readonly taped: boolean;
  readonly carries: Carries;
  readonly conductor: Conductor;
  readonly pinned: boolean;
  readonly rungs: readonly LeadRung[];
  readonly governs: string;
  /** Tests the chosen size fails: only a pinned one, or where no size does. */
  readonly failing: readonly string[];
  readonly izA: number;
  /** What its insulation bears where it is warmest, degC. */
  readonly ratingC: number;
  readonly ambientC: number;
  /** Of the conductor at the warmest place and its joints, and of what is in line, ohm. */
  readonly copperOhm: number;
  readonly inlineOhm: number;
  readonly dropV: number;
  /** Its device, computed as a circuit's: null without one. */
  readonly device: CircuitResult | null;
}

/** A lead that leaves a post with a device is judged as a circuit is: by the same ladder. */
function asCircuit(
  design: LeadParts,
  lead: BatteryCable,
  { amps, cranks, lastingA }: Carries,
  lengthM: number,
  places: readonly Place[],
  bank: BankSource,
): CircuitResult {
  const volts = studyVolts(design, bank);
  const load = {
    ...blankLoad(lead.to.id, volts.nominalV),
    name: lead.name,
    group: 'charging' as const,
    ratingBy: 'A' as const,
    rating: lastingA,
    surgeA: cranks ? amps : null,
    surgeS: cranks ? design.engine.crankS : null,
    behaviour: 'current' as const,
    runsLong: true,
    connection: lead.toStud,
  };
  const circuit = {
    ...blankCircuit(lead.id, '', lead.name, { kind: 'bank', id: bank.bankId }),
    devices: lead.through,
    taps: [{ id: `${lead.id}-1`, parent: null, serves: { kind: 'load' as const, id: load.id }, tapedM: lead.lengthM }],
    pin: { size: lead.size, legs: 1, family: lead.family, ratingA: lead.ratingA, ownDevices: false },
  };
  return analyseCircuit({
    circuit,
    house: design.house,
    school: design.boat.ruleSet,
    volts,
    upstream: { ...NOWHERE, bank, place: places[0] ?? null, atBank: true },
    panel: null,
    places,
    // The circuit's run is there and back; a lead is one conductor.
    lengths: [{ estimatedM: lengthM / 2, lengthM: lengthM / 2 }],
    loads: [load],
    currents: [loadCurrent(load, volts)],
    items: [null],
    hours: [],
    panels: [null],
    names: [lead.name],
    downstream: [],
    belowSurge: [],
  }).result;
}

/** The bank that feeds a positive lead's first end, straight, through a positive bus or a selector's common post; null where it starts elsewhere. */
function feeding(design: LeadParts, lead: BatteryCable, banks: readonly BankSource[]): BankSource | null {
  if (lead.rail !== 'positive') return null;
  if (lead.from.kind === 'join common') {
    const tie = rowOf(design.joins, lead.from.id);
    return banks.find((b) => b.bankId === tie?.firstId) ?? null;
  }
  const bus = lead.from.kind === 'bar' && rowOf(design.bars, lead.from.id)?.kind === 'positive bus' ? lead.from.id : null;
  const feeder =
    bus === null
      ? lead
      : design.leads.find((l) => l.rail === 'positive' && l.from.kind === 'bank' && l.to.kind === 'bar' && l.to.id === bus);
  return (feeder?.from.kind === 'bank' && banks.find((b) => b.bankId === feeder.from.id)) || null;
}

/** Copper of the positive conductor that feeds a load, mm2; 0 where nothing does. */
export function positiveMm2(design: LeadParts, circuits: readonly CircuitResult[], loadId: string): number {
  const at = design.circuits.findIndex((c) => c.taps.some((t) => t.serves.kind === 'load' && t.serves.id === loadId));
  return rowOf(circuits, design.circuits[at]?.id)?.own.state.areaMm2 ?? 0;
}

/** The largest device and the heaviest conductor wired from the bank a negative leads to: their short and their current come back this way. */
interface Returned {
  readonly device: { readonly amps: number; readonly name: string } | null;
  readonly copper: { readonly areaMm2: number; readonly name: string } | null;
}

/** Of what a charging path may lose, what one of its two own conductors takes: a fifth is left to what it shares. Ours. */
const ONE_WAY = 0.4;

/** One of the two conductors that are a source's alone: to its terminals, or from the engine's block, by which alternators return. */
const ofSource = (design: LeadParts, lead: BatteryCable): boolean =>
  [lead.from, lead.to].some(
    (e) => e.kind === 'source' || e.kind === 'source input' || (e.kind === 'bar' && rowOf(design.bars, e.id)?.kind === 'engine'),
  ) && lead.rail !== 'earth';

/** As warm as it is where the battery of one of its ends stands, degC. */
const postC = (design: LeadParts, { from, to }: BatteryCable): number => {
  const bank = [from, to].flatMap((e) => (e.kind === 'bank' ? (rowOf(design.banks, e.id) ?? []) : []))[0];
  return bank ? bankTempC(design, bank) : AMBIENT_C;
};

/** Two cables share an end that is no source's or join's own terminal. */
const meets = (a: BatteryCable, b: BatteryCable): boolean =>
  [a.from, a.to].some((x) => (x.kind === 'bar' || x.kind === 'bank') && [b.from, b.to].some((y) => y.kind === x.kind && y.id === x.id));

function returnedBy(
  design: LeadParts,
  circuits: readonly CircuitResult[],
  positives: readonly BatteryCableResult[],
  lead: BatteryCable,
): Returned {
  let device: Returned['device'] = null;
  let copper: Returned['copper'] = null;
  const count = (name: string, areaMm2: number, amps: number) => {
    if (amps > (device?.amps ?? 0)) device = { amps, name };
    if (areaMm2 > (copper?.areaMm2 ?? 0)) copper = { areaMm2, name };
  };
  const ratingOf = ({ own: { protection } }: CircuitResult) => (protection.missing ? 0 : protection.ratingA);
  const deviceA = (id: string): number => {
    const device = positives.find((x) => x.id === id)?.device;
    return device ? ratingOf(device) : 0;
  };
  for (const end of [lead.from, lead.to]) {
    if (end.kind === 'source' || end.kind === 'source input' || sideOfTie(end.kind)) {
      // Its loop is closed by the positives of the same source or join, behind their device or the one they begin at.
      for (const l of design.leads) {
        if (l.rail !== 'positive' || ![l.from, l.to].some((e) => e.kind === end.kind && e.id === end.id)) continue;
        const before = design.leads.filter((x) => x.rail === 'positive' && x.id !== l.id && meets(x, l)).map((x) => deviceA(x.id));
        count(l.name, 0, deviceA(l.id) || Math.max(0, ...before));
      }
    }
    if (end.kind !== 'bank') continue;
    const from = (x: { readonly kind: string; readonly id: string }) => x.kind === 'bank' && x.id === end.id;
    for (const c of design.circuits) {
      const r = from(c.from) ? rowOf(circuits, c.id) : undefined;
      if (r) count(r.name, r.own.state.areaMm2, ratingOf(r));
    }
    for (const l of design.leads) {
      const r = l.rail === 'positive' && (from(l.from) || from(l.to)) ? positives.find((x) => x.id === l.id) : undefined;
      if (r) count(l.name, r.conductor.areaMm2, r.device ? ratingOf(r.device) : 0);
    }
  }
  return { device, copper };
}

/** One size smaller in the school's table; the same where there is none. */
function oneSmaller(table: readonly Conductor[], areaMm2: number): number {
  const below = table.filter((c) => c.areaMm2 < areaMm2 - 1e-9);
  return below[below.length - 1]?.areaMm2 ?? areaMm2;
}

/** @param positives results of the positive leads: a negative is sized after what returns in it. */
export function batteryCableResult(
  design: LeadParts,
  circuits: readonly CircuitResult[],
  banks: readonly BankSource[],
  lead: BatteryCable,
  positives: readonly BatteryCableResult[] = [],
): BatteryCableResult {
  const { boat, house, engine } = design;
  const table = CONDUCTORS[boat.ruleSet];
  const lengthM = batteryCableLengthM(design, lead);
  const load = carries(design, circuits, lead);
  const ids = [endPlaceId(design, lead.from), ...lead.through.map((d) => d.placeId), endPlaceId(design, lead.to)];
  const places = [...new Set(ids)].flatMap((id) => rowOf(design.places, id) ?? []);
  const around = places.length > 0 ? places : [{ ambientC: AMBIENT_C, engineSpace: false, wet: false }];
  const laying = { insulationC: house.insulationC, bundled: 2, enclosure: 'open' as const };
  const deratings = around.map((p) => derate(boat.ruleSet, laying, p));
  const middle = table[Math.floor(table.length / 2)] ?? table[0];
  const ruling = middle && deratings[Math.max(0, rulingPlace(middle, deratings))];
  if (!middle || !ruling) throw new Error('a school without conductors');
  const duty = load.cranks ? { onS: Math.max(engine.crankS, HARD_START.onS), restS: HARD_START.restS, repeats: engine.starts } : null;
  const ohm = (c: Conductor, tempC: number) => conductorOhm(c.r20OhmPerKm, lengthM, tempC) + 2 * JOINT_OHM;
  /** As warm as what it carries makes it; a starter's as warm as it may be. */
  const warm = (c: Conductor) =>
    load.cranks ? ruling.ratingC : conductorTempC(ruling.ambientC, ruling.ratingC, load.amps, ampacityA(c, ruling));
  const inlineOhm = lead.through.reduce((total, d) => total + deviceOhm(d), 0);
  const bank = feeding(design, lead, banks);
  const device = bank && lead.fused ? asCircuit(design, lead, load, lengthM, places, bank) : null;

  const rungs: LeadRung[] = [];
  const rung = (by: string, why: string, passes: (c: Conductor) => boolean) => {
    const first = table.find(passes);
    rungs.push({ by, why, areaMm2: first?.areaMm2 ?? null, size: first?.size ?? null });
  };
  if (load.amps > 0) {
    rung(
      'current, heat',
      `${round3(load.amps)} A, ${load.why}${duty ? `; a hard start of ${duty.onS} s, typical` : ''}`,
      (c) =>
        ampacityA(c, ruling) >= dutyEquivalentA(load.amps, duty, timeConstantS(c, ruling.ratingC, ruling.ambientC, ampacityA(c, ruling))),
    );
    const charges = !load.cranks && ofSource(design, lead);
    const pct = load.cranks ? CRANK_PCT : house.criticalDropPct * (charges ? ONE_WAY : 1);
    const nominalV = nominalVOf(design, bankOfCable(design, lead));
    const allowedV = (nominalV * pct) / 100;
    const share = charges ? `, its part of the ${house.criticalDropPct} % out and back` : '';
    rung('drop', `${round3(pct)} % of ${nominalV} V in this lead${share}`, (c) => load.amps * (ohm(c, warm(c)) + inlineOhm) <= allowedV);
  }
  if (device) {
    const { ratingA, familyName } = device.own.protection;
    rung('protection', `${ratingA} A ${familyName}`, (c) => ampacityA(c, ruling) >= ratingA);
    const asked = findConductor(boat.ruleSet, device.own.ladder.rungs.find((r) => r.id === 'fault')?.smallest ?? '');
    if (asked) rung('far-end short', 'a short at its far end opens the device', (c) => c.areaMm2 >= asked.areaMm2 - 1e-9);
  }
  const returned = lead.rail === 'negative' ? returnedBy(design, circuits, positives, lead) : null;
  if (returned?.device) {
    const { amps, name } = returned.device;
    rung('protection', `${round3(amps)} A of ${name}, whose short it carries back`, (c) => ampacityA(c, ruling) >= amps);
  }
  if (returned?.copper) {
    const { areaMm2, name } = returned.copper;
    rung('its positive', `as heavy as the positive of ${name}, whose current it returns`, (c) => c.areaMm2 >= areaMm2 - 1e-9);
  }
  if (lead.rail === 'earth') rung('bonding', '8 AWG or 10 mm² at the least', (c) => c.areaMm2 >= BOND_MM2[boat.ruleSet]);
  for (const end of [lead.from, lead.to])
    if (end.kind === 'case') {
      const least = oneSmaller(table, positiveMm2(design, circuits, end.id));
      rung('its positive', 'no more than one size smaller than the positive', (c) => c.areaMm2 >= least - 1e-9);
    }
  if (load.cranks) {
    rung('starter', '4 AWG or 25 mm² at the least', (c) => c.areaMm2 >= STARTER_MM2[boat.ruleSet]);
    const makers = engine.starterCable && findConductor(engine.starterCable.school, engine.starterCable.size);
    if (makers)
      rung('engine’s maker', `its maker asks for ${sizeName(makers.school, makers.size)}`, (c) => c.areaMm2 >= makers.areaMm2 - 1e-9);
    const again = { onS: Math.max(engine.crankS, AGAIN.onS), restS: AGAIN.restS, repeats: engine.starts };
    const start = startBankOf(design);
    const source = start && banks.find((b) => b.bankId === start.id);
    if (source) {
      const sagV = bankRestV(source, house.studySoc) - load.amps * source.ohm;
      // A bank that sags below what the starter needs is no cable's to mend.
      if (sagV > engine.crankMinV)
        rung(
          'cranking volts',
          `half of what is left of ${sagV.toFixed(2)} V at the posts to the ${round3(engine.crankMinV)} V its starter needs`,
          (c) => load.amps * (ohm(c, warm(c)) + inlineOhm) <= (sagV - engine.crankMinV) / 2,
        );
    }
    if ([lead.from, lead.to].some((e) => e.kind === 'bank'))
      rung(
        'post',
        `no more than ${show(house.postC, 'C', boat)} at the battery’s post after ${engine.starts} starts of ${again.onS} s in a row, ${again.restS} s between`,
        (c) => {
          const izA = ampacityA(c, ruling);
          const equalA = dutyEquivalentA(load.amps, again, timeConstantS(c, ruling.ratingC, ruling.ambientC, izA));
          const riseC = conductorTempC(ruling.ambientC, ruling.ratingC, equalA, izA) - ruling.ambientC;
          return postC(design, lead) + riseC <= house.postC;
        },
      );
  }
  const strength = table.find((c) => c.size === (boat.ruleSet === 'awg' ? '16' : '1'))?.areaMm2 ?? 0;
  rung('strength', '16 AWG or 1 mm²', (c) => c.areaMm2 >= strength);

  const largest = table[table.length - 1] ?? middle;
  const wanted = rungs.reduce((most, r) => ((r.areaMm2 ?? largest.areaMm2) > (most.areaMm2 ?? largest.areaMm2) ? r : most));
  const own = lead.size && findConductor(lead.size.school, lead.size.size);
  const conductor = own ?? findConductor(boat.ruleSet, wanted.size ?? '') ?? largest;
  const copperOhm = ohm(conductor, ruling.ambientC);
  return {
    id: lead.id,
    lengthM,
    taped: lead.lengthM !== null,
    carries: load,
    conductor,
    pinned: own != null,
    rungs,
    governs: wanted.by,
    failing: rungs.flatMap((r) => (r.areaMm2 === null || conductor.areaMm2 < r.areaMm2 - 1e-9 ? [r.by] : [])),
    izA: ampacityA(conductor, ruling),
    ratingC: ruling.ratingC,
    ambientC: ruling.ambientC,
    copperOhm,
    inlineOhm,
    dropV: load.amps * (copperOhm + inlineOhm),
    device,
  };
}
