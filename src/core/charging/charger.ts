/** Chargers fed with AC: what they give in their place and under a limit, by output, and what they draw (docs/methods.md, M10). */
import { BATTERY_C } from '../rules';
import { c20Ah } from '../bank';
import { type Design, furtherOutputs, machineOfOutput, nominalVOf, outputA, type Source, rowOf } from '../design';

/** Volts AC of a region at the outlet the charger is on. */
export const acVolts = (design: Pick<Design, 'boat'>): number => (design.boat.acRegion === '230 V' ? 230 : 120);

/** Charging volts that a source's amps are turned into watts by, V. */
export const chargingV = (design: Pick<Design, 'boat' | 'banks'>, { bankId }: Pick<Source, 'bankId'>): number =>
  (14 * nominalVOf(design, bankId)) / 12;

/** Part of its rating a charger gives in a hot place: 2 % less a degree above 40 degC, no less than 30 %. The slope is typical, ours. */
export const hotPlace = (ambientC: number): number => Math.max(0.3, 1 - 0.02 * Math.max(0, ambientC - 40));

type Parts = Pick<Design, 'boat' | 'banks' | 'places' | 'sources'>;

/** What a machine gives in all, A, in its place and under an AC limit. */
function machineA(design: Parts, machine: Source, acA: number): number {
  const place = rowOf(design.places, machine.placeId);
  const rated = machine.ratedA * hotPlace(place?.ambientC ?? BATTERY_C);
  if (!machine.charger || acA === Infinity) return rated;
  const { efficiency, powerFactor } = machine.charger;
  return Math.min(rated, (acA * acVolts(design) * powerFactor * efficiency) / chargingV(design, machine));
}

/**
 * Amps by output of what a machine gives in all: each up to its own most; where there is not enough for all, by the capacities of their banks, and
 * what one cannot take goes to the others. Ours: which bank really takes it depends on how empty each is.
 */
export function shareOut(totalA: number, outputs: readonly { readonly mostA: number; readonly weight: number }[]): readonly number[] {
  const given = outputs.map(() => 0);
  let open = outputs.map((_, i) => i);
  for (let left = totalA; left > 1e-9 && open.length > 0;) {
    const weights = open.reduce((sum, i) => sum + (outputs[i]?.weight ?? 0), 0);
    const part = (i: number) => left * (weights > 0 ? (outputs[i]?.weight ?? 0) / weights : 1 / open.length);
    const full = open.filter((i) => part(i) >= (outputs[i]?.mostA ?? 0));
    for (const i of full.length > 0 ? full : open) given[i] = full.length > 0 ? (outputs[i]?.mostA ?? 0) : part(i);
    if (full.length === 0) break;
    left = totalA - given.reduce((sum, a) => sum + a, 0);
    open = open.filter((i) => !full.includes(i));
  }
  return given;
}

/** A shore charger or portable source under an AC limit, A of direct current at its own output. acA Infinity: no limit. */
export function chargerAmps(design: Parts, source: Source, acA: number): number {
  const machine = machineOfOutput(design.sources, source);
  const outputs = [machine, ...furtherOutputs(design.sources, machine.id)].filter((s) => s === source || s.bankId !== null);
  const total = machineA(design, machine, acA);
  if (outputs.length === 1) return Math.min(total, outputA(source));
  const shares = shareOut(
    total,
    outputs.map((s) => {
      const bank = rowOf(design.banks, s.bankId);
      return { mostA: outputA(s), weight: bank ? c20Ah(bank) : 0 };
    }),
  );
  return shares[outputs.indexOf(source)] ?? 0;
}

/** AC drawn at full output, A: direct volts and amps over efficiency, power factor and AC volts. A further output draws by its machine. */
export const chargerAcA = (design: Pick<Design, 'boat' | 'banks'>, source: Source): number =>
  source.charger && source.outputOf === null
    ? (chargingV(design, source) * source.ratedA) / (source.charger.efficiency * source.charger.powerFactor * acVolts(design))
    : 0;
