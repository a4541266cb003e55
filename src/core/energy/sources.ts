/** What each source can give through a day in a way of living, before the bank has its say (docs/methods.md, M10). */
import { alternatorAt, labelCurve, monotone } from '../charge/alternator';
import type { Design, Living, Source, Span } from '../design';

/** What a source's output hangs on. */
export type Driver = 'engine' | 'shore' | 'sun' | 'wind' | 'input';

export const driverOf = (kind: Source['kind']): Driver =>
  kind === 'alternator' ? 'engine' : kind === 'solar' ? 'sun' : kind === 'wind' ? 'wind' : kind === 'DC–DC' ? 'input' : 'shore';

/** Output path where nothing better is known, ohm. Typical of a few metres of fair cable. */
export const TYPICAL_PATH_OHM = 0.005;

/** Hours of a span that are counted: what ends before it begins counts nothing. */
export const spanH = (s: Span): number => Math.max(0, s.toH - s.fromH);
export const spansOf = (living: Living, what: Span['what']): readonly Span[] => living.day.filter((s) => s.what === what && spanH(s) > 0);

/** Part of the step from h to h + stepH that lies within the span. */
export const cover = (s: Span, h: number, stepH: number): number => Math.max(0, Math.min(s.toH, h + stepH) - Math.max(s.fromH, h)) / stepH;

/** Volts AC of a region at the outlet the charger is on. */
export const acVolts = (design: Design): number => (design.boat.acRegion === '230 V' ? 230 : 120);

/** Charging volts that amps are turned into watts by, V. */
const chargingV = (design: Design): number => (14 * design.boat.systemV) / 12;

/** Part of its rating a charger gives in a hot place: 2 % less a degree above 40 degC, no less than 30 %. The slope is typical, ours. */
export const hotPlace = (ambientC: number): number => Math.max(0.3, 1 - 0.02 * Math.max(0, ambientC - 40));

/** Mean of a wind generator's amps over wind spread by Weibull k = 2 about a mean, m/s. */
export function windAmps(curve: readonly { readonly mps: number; readonly amps: number }[], meanMps: number): number {
  if (!(meanMps > 0)) return 0;
  const at = monotone(curve.map((p) => ({ x: p.mps, y: p.amps })));
  const scale = meanMps / 0.886227;
  let sum = 0;
  const steps = 80;
  for (let i = 0; i < steps; i++) {
    // Equal parts of probability: the middle of each.
    sum += at(scale * Math.sqrt(-Math.log(1 - (i + 0.5) / steps)));
  }
  return sum / steps;
}

/** A shore charger or portable source under an AC limit, A of direct current. acA 0: no limit. */
export function chargerAmps(design: Design, source: Source, acA: number): number {
  const place = design.places.find((p) => p.id === source.placeId);
  const rated = source.ratedA * hotPlace(place?.ambientC ?? 25);
  if (!source.charger || acA <= 0) return rated;
  const { efficiency, powerFactor } = source.charger;
  return Math.min(rated, (acA * acVolts(design) * powerFactor * efficiency) / chargingV(design));
}

/** AC drawn at full output, A: direct volts and amps over efficiency, power factor and AC volts. */
export const chargerAcA = (design: Design, source: Source): number =>
  source.charger ? (chargingV(design) * source.ratedA) / (source.charger.efficiency * source.charger.powerFactor * acVolts(design)) : 0;

/** Watts of an array in the middle of the day of so many peak sun hours over its daylight: half a sine. */
export const noonW = (source: Source, sunHours: number, daylightH: number): number => {
  const { solar } = source;
  if (!solar || !(daylightH > 0)) return 0;
  return (solar.wp * solar.series * solar.parallel * solar.derate * sunHours * Math.PI) / (2 * daylightH);
};

/** Largest output of a source through a day by step: amps; of the sun watts. */
export function limitsOf(design: Design, source: Source, living: Living, n: number): Float64Array {
  const stepH = 24 / n;
  const limit = new Float64Array(n);
  /** @param worth what a span gives, asked once a span: a figure, or one for the step that begins at h. */
  const each = (spans: readonly Span[], worth: (s: Span) => number | ((h: number) => number)) => {
    for (const s of spans) {
      const w = worth(s);
      for (let t = 0; t < n; t++) {
        const part = cover(s, t * stepH, stepH);
        if (part > 0) limit[t] = Math.max(limit[t] as number, part * (typeof w === 'number' ? w : w(t * stepH)));
      }
    }
  };
  switch (source.kind) {
    case 'alternator': {
      const { alternator } = source;
      if (!alternator) break;
      const label = labelCurve(alternator);
      each(
        spansOf(living, 'engine').map(stretched),
        (s) => alternatorAt(alternator, design.boat.systemV, s.level, 0, Infinity, label).beltA,
      );
      break;
    }
    case 'shore charger':
      each([...spansOf(living, 'shore'), ...spansOf(living, 'generator')], (s) => chargerAmps(design, source, s.level));
      break;
    case 'portable':
      each(spansOf(living, 'generator'), (s) => chargerAmps(design, source, s.level));
      break;
    case 'solar':
      each(spansOf(living, 'sun'), (s) => (h) => {
        const length = spanH(s);
        const [from, to] = [Math.max(s.fromH, h), Math.min(s.toH, h + stepH)];
        // The sine's mean over the covered part, so that any step gives the same day.
        const mean =
          to > from
            ? ((length / Math.PI) * (Math.cos((Math.PI * (from - s.fromH)) / length) - Math.cos((Math.PI * (to - s.fromH)) / length))) /
              (to - from)
            : 0;
        return Math.min(noonW(source, s.level, length) * mean, (source.solar?.controllerA ?? 0) * chargingV(design));
      });
      break;
    case 'wind':
      each(spansOf(living, 'wind'), (s) => windAmps(source.wind?.curve ?? [], s.level));
      break;
    case 'DC–DC':
      limit.fill(source.ratedA);
  }
  return limit;
}

/** Motoring may last half as long again as planned: the span with room for it. */
export const stretched = (s: Span): Span => ({ ...s, toH: Math.min(24, s.fromH + 1.5 * spanH(s)) });
