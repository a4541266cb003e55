/** What measured days teach of a source that has columns of its own: an alternator's curve by the engine's speed, the way from a source to the bank. */
import { alternatorAt, labelCurve } from '../charging';
import { type Design, nominalVOf, type Op, setOp, type Source } from '../design';
import { heldBy } from './accepted';
import type { LearnedFigure } from './figure';
import type { Measured } from './series';
import { densest, GAIN_PART, within95 } from './spread';

const round = (x: number): number => Number(x.toPrecision(3));

/** Turning so fast, 1/min, and for so long, ms, it is warm; a longer hole begins anew. */
const TURNS_RPM = 300;
const WARM_MS = 10 * 60_000;
const HOLE_MS = 5 * 60_000;
/** A reading belongs to the point of the curve within this part of its speed; a point is told from so many readings on. */
const NEAR = 0.1;
const LEAST_OF_POINT = 10;
/** Speed by its sender, two sigma. */
const RPM_PART = 0.01;

interface Point {
  readonly rpm: number;
  readonly amps: number;
  /** What was measured over what the design says, by reading. */
  readonly parts: number[];
}

/** The warm output of an alternator while its volts are not held, against its curve. */
function curveOf(design: Design, bankId: string, source: Source, { at, volts, further }: Measured): readonly LearnedFigure[] {
  const { alternator } = source;
  const [rpm, gives] = [further.rpm, further[`amps of ${source.id}`]];
  const held = heldBy(design, bankId);
  if (!alternator || !rpm || !gives || !held) return [];
  const systemV = nominalVOf(design, bankId);
  const label = labelCurve(alternator);
  const points = alternator.curve.map((p): Point => ({ rpm: p.rpm, amps: p.amps, parts: [] }));
  let warmMs = 0;
  for (let k = 1; k < at.length; k++) {
    const ms = (at[k] ?? 0) - (at[k - 1] ?? 0);
    const [turns, amps] = [rpm[k] ?? NaN, gives[k] ?? NaN];
    warmMs = turns > TURNS_RPM && ms < HOLE_MS ? warmMs + ms : 0;
    if (warmMs < WARM_MS || !Number.isFinite(amps) || (volts[k] ?? 0) >= held.absorptionV) continue;
    const { hotA, rpm: own } = alternatorAt(alternator, systemV, turns, 0, Infinity, label);
    const near = points.find((p) => p.amps > 0 && Math.abs(own - p.rpm) <= NEAR * p.rpm);
    if (near && hotA > 0) near.parts.push(amps / hotA);
  }
  const told = points.filter((p) => p.parts.length >= LEAST_OF_POINT);
  const all = told.flatMap((p) => p.parts);
  if (all.length === 0) return [];
  const whole = densest(all);
  const within = within95(all, Math.hypot(GAIN_PART, RPM_PART) * whole);
  // A speed it was never run at goes by those it was.
  const curve = alternator.curve.map((p, i) => {
    const seen = points[i]?.parts ?? [];
    return { ...p, amps: round(p.amps * (seen.length >= LEAST_OF_POINT ? densest(seen) : whole)) };
  });
  const at1 = (p: { readonly rpm: number; readonly amps: number }) => `${round(p.amps)} A at ${p.rpm}`;
  const pick = told.map((p) => points.indexOf(p));
  return [
    {
      id: `curve-${source.id}`,
      what: `curve of ${source.name}, by what it gives warm at its own 1/min`,
      was: pick
        .flatMap((i) => alternator.curve[i] ?? [])
        .map(at1)
        .join(', '),
      is: pick
        .flatMap((i) => curve[i] ?? [])
        .map(at1)
        .join(', '),
      value: 100 * whole,
      within: 100 * within,
      n: all.length,
      spread: `${round(100 * whole)} ± ${round(100 * within)} % of its curve`,
      ops: opsOf(setOp(design, ['sources', source.id, 'alternator', 'curve'], curve), design, source),
    },
  ];
}

const opsOf = (op: Op | undefined, design: Design, source: Source): readonly Op[] =>
  op ? [op, setOp(design, ['sources', source.id, 'mark'], 'measured')].flatMap((x) => x ?? []) : [];

/** From so many amps on, so many readings, and so far apart that a line can be laid through them: two meters' zeros are in its beginning, not in its rise. */
const LEAST_A = 3;
const LEAST_READINGS = 30;
const APART_A = 3;

/** Volts at a source over those at the bank by what flows: the way out and back, ohm. */
function pathOf(design: Design, source: Source, { volts, further }: Measured): readonly LearnedFigure[] {
  const [gives, there] = [further[`amps of ${source.id}`], further[`volts of ${source.id}`]];
  if (!gives || !there) return [];
  let [n, x, y, xx, xy, yy] = [0, 0, 0, 0, 0, 0];
  for (let k = 0; k < volts.length; k++) {
    const [a, v] = [gives[k] ?? NaN, (there[k] ?? NaN) - (volts[k] ?? NaN)];
    if (!(a >= LEAST_A) || !Number.isFinite(v)) continue;
    n++;
    x += a;
    y += v;
    xx += a * a;
    xy += a * v;
    yy += v * v;
  }
  const [sxx, sxy, syy] = [xx - (x * x) / n, xy - (x * y) / n, yy - (y * y) / n];
  if (n < LEAST_READINGS || Math.sqrt(sxx / n) < APART_A) return [];
  const ohm = sxy / sxx;
  const within = Math.hypot(2 * Math.sqrt(Math.max(0, syy - ohm * sxy) / (n - 2) / sxx), GAIN_PART * ohm);
  const sound = ohm > 0 && within < ohm / 2;
  return [
    {
      id: `path-${source.id}`,
      what: `way from ${source.name} to the bank, out and back`,
      was: source.pathMohm === null ? 'by its cables' : `${round(source.pathMohm)} mΩ`,
      is: `${round(1000 * ohm)} mΩ`,
      value: 1000 * ohm,
      within: 1000 * within,
      n,
      spread: `± ${round(1000 * within)} mΩ${sound ? '' : ': too wide to be taken'}`,
      ops: sound ? [setOp(design, ['sources', source.id, 'pathMohm'], round(1000 * ohm))].flatMap((op) => op ?? []) : [],
    },
  ];
}

/** The same days with what sources with a column of their own give taken off: what is drawn, less what the others give. */
export function withoutSources(design: Design, bankId: string, series: Measured): Measured {
  const columns = design.sources.flatMap((s) => (s.bankId === bankId ? (series.further[`amps of ${s.id}`] ?? []) : []));
  if (columns.length === 0) return series;
  const amps = series.amps.map((a, k) => columns.reduce((left, c) => left - (Number.isFinite(c[k]) ? (c[k] ?? 0) : 0), a));
  return { ...series, amps };
}

/** Of every source of a bank that has columns of its own. */
export const ofSources = (design: Design, bankId: string, series: Measured): readonly LearnedFigure[] =>
  design.sources
    .filter((s) => s.bankId === bankId && s.insteadOfId === null)
    .flatMap((s) => [...curveOf(design, bankId, s, series), ...pathOf(design, s, series)]);
