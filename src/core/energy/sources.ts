/** What each source can give through a day in a way of living, before the bank has its say (docs/methods.md, M10). */
import { alternatorAt, chargerAmps, chargingV, labelCurve, monotone } from '../charging';
import { acFor } from '../ac';
import { cover, spanH, spansOf } from '../demand';
import { type Living, type Source, type Span, nominalVOf } from '../design';
import type { SceneParts } from './parts';

/** What a source's output depends on. */
export type Driver = 'engine' | 'shore' | 'sun' | 'wind' | 'input';

export const driverOf = (kind: Source['kind']): Driver =>
  kind === 'alternator' ? 'engine' : kind === 'solar' ? 'sun' : kind === 'wind' ? 'wind' : kind === 'DC–DC' ? 'input' : 'shore';

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

/** Watts of an array in the middle of the day of so many peak sun hours over its daylight: half a sine. */
export const noonW = (source: Source, sunHours: number, daylightH: number): number => {
  const { solar } = source;
  if (!solar || !(daylightH > 0)) return 0;
  return (solar.wp * solar.series * solar.parallel * solar.derate * sunHours * Math.PI) / (2 * daylightH);
};

/** Largest output of a source through a day by step: amps; of the sun watts. */
export function limitsOf(design: SceneParts, source: Source, living: Living, n: number): Float64Array {
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
        (s) => alternatorAt(alternator, nominalVOf(design, source.bankId), s.level, 0, Infinity, label).beltA,
      );
      break;
    }
    case 'shore charger':
      each([...spansOf(living, 'shore'), ...spansOf(living, 'generator')], (s) =>
        chargerAmps(design, source, acFor(design, living, s, source)),
      );
      break;
    case 'portable':
      each(spansOf(living, 'generator'), (s) => chargerAmps(design, source, acFor(design, living, s, source)));
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
        return Math.min(noonW(source, s.level, length) * mean, (source.solar?.controllerA ?? 0) * chargingV(design, source));
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
