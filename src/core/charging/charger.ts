/** Chargers fed with AC: what they give in their place and under a limit, and what they draw (docs/methods.md, M10). */
import { BATTERY_C } from '../rules';
import { type Design, nominalVOf, type Source, rowOf } from '../design';

/** Volts AC of a region at the outlet the charger is on. */
export const acVolts = (design: Pick<Design, 'boat'>): number => (design.boat.acRegion === '230 V' ? 230 : 120);

/** Charging volts that a source's amps are turned into watts by, V. */
export const chargingV = (design: Pick<Design, 'boat' | 'banks'>, { bankId }: Pick<Source, 'bankId'>): number =>
  (14 * nominalVOf(design, bankId)) / 12;

/** Part of its rating a charger gives in a hot place: 2 % less a degree above 40 degC, no less than 30 %. The slope is typical, ours. */
export const hotPlace = (ambientC: number): number => Math.max(0.3, 1 - 0.02 * Math.max(0, ambientC - 40));

/** A shore charger or portable source under an AC limit, A of direct current. acA Infinity: no limit. */
export function chargerAmps(design: Pick<Design, 'boat' | 'banks' | 'places'>, source: Source, acA: number): number {
  const place = rowOf(design.places, source.placeId);
  const rated = source.ratedA * hotPlace(place?.ambientC ?? BATTERY_C);
  if (!source.charger || acA === Infinity) return rated;
  const { efficiency, powerFactor } = source.charger;
  return Math.min(rated, (acA * acVolts(design) * powerFactor * efficiency) / chargingV(design, source));
}

/** AC drawn at full output, A: direct volts and amps over efficiency, power factor and AC volts. */
export const chargerAcA = (design: Pick<Design, 'boat' | 'banks'>, source: Source): number =>
  source.charger
    ? (chargingV(design, source) * source.ratedA) / (source.charger.efficiency * source.charger.powerFactor * acVolts(design))
    : 0;
