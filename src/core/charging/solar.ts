/** The electrics of a solar array (docs/methods.md, M10). */
import type { Source } from '../design';

export type Solar = NonNullable<Source['solar']>;

export interface ArrayFigures {
  readonly wp: number;
  /** On the coldest morning, before the controller loads it, V. */
  readonly coldVocV: number;
  readonly vmpV: number;
  readonly iscA: number;
  readonly impA: number;
  /** Output side at charging volts, A. */
  readonly outputA: number;
  /** Strings in parallel can feed a faulty one: a fuse each from three on, at least 1.56 Isc. */
  readonly stringFuseA: number | null;
  /** Both cables are sized for 1.25 x their largest current. */
  readonly panelSideA: number;
  readonly batterySideA: number;
}

/** The other strings can feed a faulty one with more than its panels bear: beyond their maker's fuse, else from three strings on. */
const backfed = ({ parallel, iscA, maxFuseA }: Solar): boolean =>
  maxFuseA === null ? parallel >= 3 : (parallel - 1) * 1.25 * iscA > maxFuseA;

export function arrayFigures(s: Solar, chargingV: number): ArrayFigures {
  const wp = s.wp * s.series * s.parallel;
  const outputA = Math.min(s.controllerA, (wp * s.derate) / 0.7 / chargingV);
  return {
    wp,
    coldVocV: s.vocV * s.series * (1 + (s.vocPctPerC / 100) * (s.coldC - 25)),
    vmpV: s.vmpV * s.series,
    iscA: s.iscA * s.parallel,
    impA: s.impA * s.parallel,
    outputA,
    stringFuseA: backfed(s) ? 1.56 * s.iscA : null,
    panelSideA: 1.25 * s.iscA * s.parallel,
    batterySideA: 1.25 * Math.min(s.controllerA, outputA),
  };
}
