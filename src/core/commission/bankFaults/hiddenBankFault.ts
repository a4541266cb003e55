/** A bank in trouble as it may really be: a fault nobody is told of, everything else drawn from its spread, a meter with its own error. */
import type { CircuitResult } from '../../circuit';
import { random } from '../../solve';
import type { Conditions } from '../line';
import { type BankDiagnosis, type BankReading, diagnoseBank } from './bankDiagnose';
import { type BankFault, bankFaults, type BankScene, twelves } from './faults';
import { bankProbes, type Off } from './probes';

/** One sigma of what the design does not know: stand-by, a device's milliohms (by its logarithm), regulators and rest volts of 12, a bank's resistance (by its logarithm). */
const SPREAD = { standing: 0.125, device: 0.25, regulator: 0.05, emf: 0.05, ohm: 0.3 } as const;

export interface HiddenBankFault {
  readonly fault: BankFault;
  readonly size: number;
  readonly read: (probeId: string) => BankReading;
}

/** One fault: its kind evenly of those that are possible, then where, then how large. null: nothing can be wrong. */
export function hideInBank(scene: BankScene, results: readonly CircuitResult[], given: Conditions, seed: number): HiddenBankFault | null {
  const { even, normal } = random(seed, 31);
  const faults = bankFaults(scene).filter((f) => f.kind !== 'use');
  const had = [...new Set(faults.map((f) => f.kind))];
  const kind = had[Math.floor(even() * had.length)];
  const of = faults.filter((f) => f.kind === kind);
  const fault = of[Math.floor(even() * of.length)];
  if (!fault) return null;
  const size = fault.least * (fault.most / fault.least) ** even();
  const drawn = new Map<string, number>();
  const once = (key: string, make: () => number): number => {
    const value = drawn.get(key) ?? make();
    drawn.set(key, value);
    return value;
  };
  const times = twelves(scene.bank);
  const off: Off = {
    standing: (id) => once(`s ${id}`, () => Math.max(0, 1 + SPREAD.standing * normal())),
    device: (id) => once(`d ${id}`, () => Math.exp(SPREAD.device * normal())),
    regulatorV: (id) => once(`r ${id}`, () => SPREAD.regulator * times * normal()),
    emfV: SPREAD.emf * times * normal(),
    ohm: Math.exp(SPREAD.ohm * normal()),
  };
  const probes = bankProbes(
    scene,
    results,
    given,
    scene.circuits.map((c) => c.id),
  );
  return {
    fault,
    size,
    read: (probeId) => {
      const probe = probes.find((p) => p.id === probeId);
      if (!probe) return { probeId, value: null, choice: null };
      if (probe.unit !== null) return { probeId, value: probe.mean(fault, size, off) + probe.meterSigma * normal(), choice: null };
      const chances = [...probe.chance(fault, size, off)];
      let left = even() * chances.reduce((n, [, p]) => n + p, 0);
      for (const [choice, p] of chances) if ((left -= p) <= 0) return { probeId, value: null, choice };
      return { probeId, value: null, choice: chances[chances.length - 1]?.[0] ?? null };
    },
  };
}

/** What the program reads by its own choice, and says at the end. @param most readings. */
export function bankByProgram(
  scene: BankScene,
  results: readonly CircuitResult[],
  given: Conditions,
  { read }: Pick<HiddenBankFault, 'read'>,
  most = 4,
): { readonly readings: readonly BankReading[]; readonly diagnosis: BankDiagnosis } {
  const readings: BankReading[] = [];
  let diagnosis = diagnoseBank(scene, results, given, readings);
  while (readings.length < most && diagnosis.next) {
    readings.push(read(diagnosis.next.id));
    diagnosis = diagnoseBank(scene, results, given, readings);
  }
  return { readings, diagnosis };
}
