/** An inverter in its place, on its battery: what it gives, what it draws, what its cable, fuse and case earth must be (docs/methods.md, M12). */
import { bankOfLoads, pathM, placePoint, servingOf } from '../topology';
import { type BankSource, effectiveA, houseBanks } from '../bank';
import { runStudy } from './study';
import type { Analysed } from './system';
import { type Conductor, CONDUCTORS, findConductor, findFamily, AMBIENT_C, GIVES_UP_PART, RIPPLE } from '../rules';
import { type AcLoad, type AcSource, type Circuit, type Design, type Load, type Study, rowOf, nominalVOf } from '../design';
import { inverterVa, restW, rowsOn, vaOf, wattsOf, wholeInverter } from '../ac';

export interface MotorStartOn {
  readonly id: string;
  readonly name: string;
  /** All that runs then, and the start, VA; what the inverter bears for as long. */
  readonly va: number;
  readonly bearsVa: number;
  readonly seconds: number;
  readonly passes: boolean;
}

export interface InverterAnswer {
  readonly id: string;
  readonly ambientC: number;
  /** Continuous where it stands, and the wanted set within its reach, VA and W. */
  readonly va: number;
  readonly wantedVa: number;
  readonly wantedW: number;
  readonly starts: readonly MotorStartOn[];
  /** DC watts of the wanted set; volts at its terminals and amps by the whole network at the charge asked for; NaN where it is not wired. */
  readonly dcW: number;
  readonly dcV: number;
  readonly dcA: number;
  readonly minV: number;
  /** At full output; what cable and fuse are held against. */
  readonly fullV: number;
  readonly fullA: number;
  readonly heatingA: number;
  /** Its circuit, its device, its cable; null where it is not wired. */
  readonly wired: {
    readonly circuitId: string;
    readonly ratingA: number;
    readonly deviceName: string;
    readonly fused: boolean;
    readonly izA: number;
    readonly conductor: Conductor;
    /** Parallel conductors of each pole, and whether each has a device of its own. */
    readonly legs: number;
    readonly ownDevices: boolean;
    readonly disconnect: boolean;
    /** From the inverter to its disconnect, along the boat's axes, m; null: where it is is not entered. */
    readonly disconnectM: number | null;
    readonly lengthM: number;
  } | null;
  /** Smallest case earth: one size below all legs of its DC positive together; and what it has. */
  readonly caseWanted: Conductor | null;
  readonly caseHas: Conductor | null;
  /** Hours the wanted set runs from full to the end of the window, and from the charge asked for. */
  readonly hoursFromFull: number;
  readonly hoursFromSoc: number;
  /** A day of idling, and of sleep, Ah of the bank. */
  /** Nominal volts of its bank. */
  readonly nominalV: number;
  readonly idleAhDay: number;
  readonly sleepAhDay: number | null;
  readonly restAhDay: number;
}

/** What it bears for so many seconds: its surges by time, its rating after the last. */
export function bearsVa(source: AcSource, seconds: number, continuousVa: number): number {
  const surges = [...(wholeInverter(source)?.surges ?? [])].sort((a, b) => a.s - b.s);
  return Math.max(continuousVa, surges.find((s) => s.s >= seconds)?.va ?? continuousVa);
}

/** The design with an inverter's row drawing so many watts. */
const withRow = (design: Design, row: Load, watts: number): Design => ({
  ...design,
  loads: design.loads.map((l) => (l.id === row.id ? { ...l, quantity: 1, ratingBy: 'W', rating: watts, behaviour: 'power' } : l)),
});

/**
 * Volts and amps at its terminals as it draws so many watts at a charge, with what runs long beside it; volts NaN where nothing reaches it, 0
 * where the supply collapses. Below what it gives up at, the amps are those it gave up at.
 */
function drawn(
  design: Design,
  analysed: Analysed,
  row: Load | undefined,
  watts: number,
  minV: number,
): { readonly volts: number; readonly amps: number } {
  if (watts <= 0) return { volts: NaN, amps: 0 };
  if (!row) return { volts: NaN, amps: watts / minV };
  const beside = design.loads.filter((l) => l.runsLong && l.id !== row.id);
  const loads = Object.fromEntries([...beside, row].map((l): [string, 'on'] => [l.id, 'on']));
  const study: Study = {
    id: 'inverter',
    name: 'inverter',
    soc: design.acRules.inverterSoc,
    engineRpm: 0,
    shore: false,
    cranking: false,
    loads,
  };
  const answer = runStudy(withRow(design, row, watts), analysed, study);
  const volts = answer.collapse ? 0 : (rowOf(answer.loads, row.id)?.volts ?? NaN);
  return { volts, amps: volts >= minV ? watts / volts : watts / minV };
}

/** Appliances of a wanted set that one machine runs together. */
export const wantedOn = (design: Design, source: AcSource): readonly AcLoad[] =>
  rowsOn(design, source.id).filter((l) => design.acRules.wanted.includes(l.id));

/** @param analysed results of this process, not copies. @param banks of the same analysis. */
export function inverterAnswers(design: Design, analysed: Analysed, banks: readonly BankSource[]): InverterAnswer[] {
  return design.acSources.filter((s) => s.inverter !== null).map((s) => answerOf(design, analysed, banks, s));
}

function answerOf(design: Design, analysed: Analysed, banks: readonly BankSource[], source: AcSource): InverterAnswer {
  const i = wholeInverter(source) as NonNullable<AcSource['inverter']>;
  const ambientC = rowOf(design.places, source.placeId)?.ambientC ?? AMBIENT_C;
  const va = inverterVa(source, ambientC);
  const wanted = wantedOn(design, source);
  const wantedW = wanted.reduce((sum, l) => sum + wattsOf(design, l).watts, 0);
  const wantedVa = wanted.reduce((sum, l) => sum + vaOf(design, l), 0);
  const row = rowOf(design.loads, i.loadId);
  const bankId = row && bankOfLoads(design).get(row.id);
  const systemV = nominalVOf(design, bankId);
  const dcW = wantedW > 0 ? wantedW / i.efficiency + i.idleW : 0;
  const minV = row?.minV ?? GIVES_UP_PART * systemV;
  const now = drawn(design, analysed, row, dcW, minV);
  const full = drawn(design, analysed, row, va > 0 ? va / i.efficiency + i.idleW : 0, minV);
  const bank = banks.find((b) => b.bankId === bankId) ?? houseBanks(design, banks)[0];
  const meanA = dcW / (bank?.nominalV ?? systemV);
  const perHour = bank ? effectiveA(meanA, bank.capacityAh, bank.chemistry.leadAcid ? bank.chemistry.peukert : 1) : 0;
  const ahTo = (from: number) => (bank ? Math.max(0, from - bank.chemistry.windowLowSoc) * bank.capacityAh : 0);
  const hours = (ah: number) => (perHour > 0 ? ah / perHour : Infinity);
  const day = (watts: number) => (24 * watts) / systemV;
  const wired = row ? wiringOf(design, analysed, source, row) : null;
  return {
    id: source.id,
    ambientC,
    va,
    wantedVa,
    wantedW,
    starts: startsOn(design, source, wanted, va),
    dcW,
    dcV: now.volts,
    dcA: now.amps,
    minV,
    fullV: full.volts,
    fullA: full.amps,
    heatingA: RIPPLE * full.amps,
    wired,
    caseWanted: wired ? oneSmaller(design, wired.legs * wired.conductor.areaMm2, wired.conductor) : null,
    caseHas: caseOf(design, analysed, source),
    hoursFromFull: hours(ahTo(1)),
    hoursFromSoc: hours(ahTo(design.acRules.inverterSoc)),
    nominalV: systemV,
    idleAhDay: day(i.idleW),
    sleepAhDay: i.sleepW === null ? null : day(i.sleepW),
    restAhDay: day(restW(source)),
  };
}

/** Each motor of the wanted set starting while the others run; without one wanted, each within reach, alone. */
function startsOn(design: Design, source: AcSource, wanted: readonly AcLoad[], va: number): MotorStartOn[] {
  const motors = (wanted.length > 0 ? wanted : rowsOn(design, source.id)).filter((l) => (l.surgeVa ?? 0) > 0);
  return motors.map((m) => {
    const others = wanted.filter((l) => l.id !== m.id).reduce((sum, l) => sum + vaOf(design, l), 0);
    const seconds = m.surgeS ?? 1;
    const total = others + (m.surgeVa ?? 0);
    const bears = bearsVa(source, seconds, va);
    return { id: m.id, name: m.name, va: total, bearsVa: bears, seconds, passes: total <= bears + 1e-9 };
  });
}

const DISCONNECTS: ReadonlySet<string> = new Set(['switch', 'battery switch', 'isolator']);

function wiringOf(design: Design, analysed: Analysed, source: AcSource, row: Load): InverterAnswer['wired'] {
  const circuit = servingOf(design.circuits).loads.get(row.id);
  const result = rowOf(analysed.circuits, circuit?.id);
  if (!circuit || !result) return null;
  const { protection, state } = result.own;
  const breaker = findFamily(protection.familyId)?.kind === 'breaker';
  return {
    circuitId: circuit.id,
    ratingA: protection.ratingA,
    deviceName: protection.familyName,
    fused: !protection.missing,
    izA: state.heat.izA,
    conductor: state.conductor,
    legs: result.own.ladder.chosen.legs,
    ownDevices: circuit.pin.ownDevices,
    disconnect: breaker || circuit.devices.some((d) => DISCONNECTS.has(d.kind)),
    disconnectM: reachM(design, circuit, source.placeId ?? row.placeId, breaker),
    lengthM: result.lengthM,
  };
}

/** To the nearest disconnect whose place is entered; a breaker stands at its circuit's beginning. */
function reachM(design: Design, circuit: Circuit, fromId: string | null, breaker: boolean): number | null {
  if (fromId === null) return null;
  const start =
    circuit.from.kind === 'bank' ? rowOf(design.banks, circuit.from.id)?.placeId : rowOf(design.panels, circuit.from.id)?.placeId;
  const places = [...circuit.devices.filter((d) => DISCONNECTS.has(d.kind)).map((d) => d.placeId), ...(breaker ? [start ?? null] : [])];
  const at = placePoint(design, fromId);
  const far = places.flatMap((id) => (id === null ? [] : [pathM(at, placePoint(design, id), 0)]));
  return far.length > 0 ? Math.min(...far) : null;
}

/** One size below so much copper; the largest of the table where that is more than the table has. */
function oneSmaller(design: Design, areaMm2: number, positive: Conductor): Conductor {
  const sizes = CONDUCTORS[design.boat.ruleSet];
  const at = sizes.findIndex((s) => s.areaMm2 >= areaMm2 - 1e-9);
  return at < 0 ? (sizes.at(-1) ?? positive) : (sizes[Math.max(0, at - 1)] ?? positive);
}

/** The earth lead of its case: of the main side, else as entered. */
function caseOf(design: Design, analysed: Analysed, { inverter }: AcSource): Conductor | null {
  const at = design.leads.findIndex(
    (l) => l.rail === 'earth' && [l.from, l.to].some((e) => e.kind === 'case' && e.id === inverter?.loadId),
  );
  const lead = at >= 0 ? analysed.leads[at] : undefined;
  if (lead) return lead.conductor;
  return (inverter?.caseSize && findConductor(inverter.caseSize.school, inverter.caseSize.size)) ?? null;
}
