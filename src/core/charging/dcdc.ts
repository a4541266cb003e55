/** What a DC–DC charger draws from the battery it charges from (docs/methods.md, M10). */
import type { Bank, HouseRules, Source } from '../design';

const EFFICIENCY = 0.9;

/**
 * Amps at its input while it gives its rated amps: out at its absorption volts, in at the lowest volts it works at, through its efficiency.
 * @param from bank it draws from. Its stop volts count where they are above the lowest bank volts of the house rules. A.
 */
export function dcdcInputA(source: Source, from: Bank | undefined, house: Pick<HouseRules, 'lowVoltsPct'>): number {
  const nominalV = from ? from.blockV * from.series : 12;
  const inV = Math.max(source.dcdc?.stopV ?? 0, (nominalV * house.lowVoltsPct) / 100);
  return (source.ratedA * source.regulator.absorptionV) / (inV * (source.dcdc?.efficiency ?? EFFICIENCY));
}
