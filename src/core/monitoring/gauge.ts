/**
 * A counting gauge held against the boat: fed her volts and amps, it counts, credits, and calls the bank full; beside it stands what the bank
 * really holds (docs/methods.md, M14).
 */

/** Volts and amps of one bank, step by step. Currents into the bank are positive. */
export interface Series {
  readonly stepH: number;
  readonly volts: ArrayLike<number>;
  readonly amps: ArrayLike<number>;
  /** State of charge as it really is at the end of each step, 0 to 1. */
  readonly soc: ArrayLike<number>;
  readonly startSoc: number;
  /** Of the amps what the sun gives. */
  readonly sunA?: ArrayLike<number>;
  /** What each source of the bank gives, A. */
  readonly sources?: readonly { readonly id: string; readonly amps: Float64Array }[];
}

/** As a gauge is set. */
export interface GaugeSet {
  readonly capacityAh: number;
  readonly peukert: number;
  readonly chargeEff: number;
  readonly chargedV: number;
  readonly tailA: number;
  readonly chargedH: number;
}

/** How it measures. */
export interface Measures {
  readonly offsetA: number;
  readonly stepA: number;
  /** Below the 20-hour rate it credits what Peukert's law gives back. */
  readonly credits: boolean;
  /** A slight discharge does not break the time it waits. */
  readonly slightDischarge: boolean;
  /** Drawn round its shunt, A; it never sees it. */
  readonly unseenA: number;
}

export interface Synced {
  /** Hour from the beginning. */
  readonly atH: number;
  readonly trueSoc: number;
}

export interface GaugeRun {
  /** Shown state of charge at the end of each step. */
  readonly shown: Float64Array;
  /** Largest |shown − true|, when, and the mean of |shown − true|. */
  readonly worst: number;
  readonly worstAtH: number;
  readonly mean: number;
  /** It called full, and the bank was not. */
  readonly falseFulls: readonly Synced[];
  readonly fulls: number;
  /** Days on which the bank was full and it never said so. */
  readonly missedDays: number;
  /** What it loses a week between fulls, Ah; positive: it shows too much. */
  readonly driftAhWeek: number;
}

/** Under this a full is false. */
export const FALSE_UNDER = 0.95;
/** The bank is full. */
export const REALLY_FULL = 0.99;

/** What a gauge reads at each step, and what it counts of it as charge: neither goes by what it calls full. */
export interface Counted {
  readonly read: Float64Array;
  readonly change: Float64Array;
}

export function counted({ amps, stepH }: Series, set: GaugeSet, m: Measures): Counted {
  const i20 = set.capacityAh / 20;
  const read = new Float64Array(amps.length);
  const change = new Float64Array(amps.length);
  for (let t = 0; t < amps.length; t++) {
    const through = (amps[t] ?? 0) + m.unseenA + m.offsetA;
    const a = m.stepA > 0 ? Math.round(through / m.stepA) * m.stepA : through;
    read[t] = a;
    const flows = a >= 0 ? a * set.chargeEff : -a > i20 || m.credits ? a * (-a / i20) ** (set.peukert - 1) : a;
    change[t] = (flows * stepH) / set.capacityAh;
  }
  return { read, change };
}

/** Runs a gauge over a series. It begins in step with the bank. @param keep leaves the curve; a search does without, and counts once. */
export function runGauge(
  series: Series,
  set: GaugeSet,
  m: Measures,
  keep = true,
  { read: reads, change } = counted(series, set, m),
): GaugeRun {
  const { stepH, volts, amps, soc } = series;
  const n = amps.length;
  const shownAt = new Float64Array(keep ? n : 0);
  let shown = series.startSoc;
  let waitedH = 0;
  let said = false;
  let worst = 0;
  let worstAt = 0;
  let sum = 0;
  let fulls = 0;
  const falseFulls: Synced[] = [];
  let missedDays = 0;
  let saidToday = false;
  let fullToday = false;
  /** It has been less than full: one that begins full was not filled. */
  let wasLow = false;
  const perDay = Math.round(24 / stepH);
  // Error gathered since the last full, and for how long.
  let sinceH = 0;
  let errorAtSync = 0;
  let driftAh = 0;
  let driftH = 0;
  for (let t = 0; t < n; t++) {
    const read = reads[t] ?? 0;
    shown = Math.min(1, Math.max(0, shown + (change[t] ?? 0)));
    const flows = m.slightDischarge ? read >= -set.tailA : read >= 0;
    if ((volts[t] ?? 0) >= set.chargedV && flows && read <= set.tailA) waitedH += stepH;
    else {
      waitedH = 0;
      said = false;
    }
    const now = soc[t] ?? 0;
    sinceH += stepH;
    // Half a step may be missing to the minutes waited: they end within it.
    if (waitedH > 0 && waitedH >= set.chargedH - 1e-9 && !said) {
      said = true;
      driftAh += (shown - now - errorAtSync) * set.capacityAh;
      driftH += sinceH;
      sinceH = 0;
      fulls++;
      saidToday = true;
      if (now < FALSE_UNDER) falseFulls.push({ atH: (t + 1) * stepH, trueSoc: now });
      shown = 1;
      errorAtSync = 1 - now;
    } else if (said) shown = 1;
    if (now < REALLY_FULL) wasLow = true;
    else if (wasLow) fullToday = true;
    const off = Math.abs(shown - now);
    sum += off;
    if (off > worst) {
      worst = off;
      worstAt = (t + 1) * stepH;
    }
    if (keep) shownAt[t] = shown;
    if ((t + 1) % perDay === 0) {
      if (fullToday && !saidToday) missedDays++;
      saidToday = false;
      fullToday = false;
    }
  }
  // What was gathered after the last full counts too.
  driftAh += (shown - (soc[n - 1] ?? shown) - errorAtSync) * set.capacityAh;
  driftH += sinceH;
  return {
    shown: shownAt,
    worst,
    worstAtH: worstAt,
    mean: n === 0 ? 0 : sum / n,
    falseFulls,
    fulls,
    missedDays,
    driftAhWeek: driftH === 0 ? 0 : (driftAh / driftH) * 168,
  };
}

/** Why a gauge never or seldom says full where the bank is. */
export type Missed = 'volts' | 'tail' | 'time' | null;

/**
 * What stands in the way of a full: of the steps in which the bank is full and not discharged, the first of the three that is not met.
 * null: none does.
 */
export function whyMissed(series: Series, set: GaugeSet, m: Measures): Missed {
  const { volts, amps, soc, stepH } = series;
  let best = -1;
  let wasLow = false;
  let waited = 0;
  let longest = 0;
  for (let t = 0; t < amps.length; t++) {
    const read = (amps[t] ?? 0) + m.unseenA + m.offsetA;
    const enough = (volts[t] ?? 0) >= set.chargedV;
    const tail = read <= set.tailA && (m.slightDischarge ? read >= -set.tailA : read >= 0);
    if ((soc[t] ?? 0) < REALLY_FULL) wasLow = true;
    else if (wasLow) best = Math.max(best, enough ? (tail ? 2 : 1) : 0);
    waited = enough && tail ? waited + stepH : 0;
    longest = Math.max(longest, waited);
  }
  // It was never filled: nothing was missed.
  if (best < 0) return null;
  if (best === 0) return 'volts';
  if (best === 1) return 'tail';
  return longest + 1e-9 < set.chargedH ? 'time' : null;
}
