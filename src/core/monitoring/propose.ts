/** Gauges a boat wants: one that counts for every bank that is lived from, one that reads volts for the rest. */
import { blankGauge, type Design, type Gauge } from '../design';

/** Typical of a gauge's supply, A; its maker's sheet rules. */
const SUPPLY_A = 1;

export function proposeGauges(design: Design, freshId: (prefix: string) => string): readonly Gauge[] {
  const seen = design.panels.find((p) => p.kind === 'panel')?.placeId ?? null;
  return design.banks
    .filter((b) => !design.gauges.some((g) => g.bankId === b.id))
    .map((b) => ({
      ...blankGauge(
        freshId('gauge'),
        `Gauge of ${b.name}`.slice(0, 120),
        b.job === 'start' ? 'volts' : 'counting',
        b.id,
        seen ?? b.placeId,
      ),
      supplyFuseA: SUPPLY_A,
    }));
}
