/** A reading beside what this boat would show at that minute, and which unknown could make the difference (docs/methods.md, M14). */
import { bankSource } from '../bank';
import { type Design, kindOf, rowOf } from '../design';
import { loadCurrent, studyVolts } from '../demand';
import type { MeterSample } from './meter';

export interface Beside {
  readonly what: 'volts' | 'amps';
  readonly read: number;
  readonly expected: number;
  readonly low: number;
  readonly high: number;
  /** How many half-widths of the band it is off. */
  readonly off: number;
}

export interface Could {
  readonly what: string;
  /** What it would have to be. */
  readonly would: string;
}

export interface LiveAnswer {
  readonly beside: readonly Beside[];
  readonly could: readonly Could[];
}

/** Of a typical resistance one way or the other; of what is drawn; and what is always left open. */
const OHM_SPREAD = 0.35;
const AMPS_SPREAD = 0.15;
const LEAST_A = 1;
const LEAST_V_PER_12 = 0.06;
/** A load explains a step of amps within this of its own. */
const ALIKE = 0.2;

const beside = (what: Beside['what'], read: number, expected: number, half: number): Beside => ({
  what,
  read,
  expected,
  low: expected - half,
  high: expected + half,
  off: Math.abs(read - expected) / half,
});

/**
 * @param clear the day without faults, minute by minute, as meterDay gives it.
 * @param read what the meter says, with the minute of the day it is said of.
 */
/** What a meter of the bank reads. */
type Reading = Pick<MeterSample, 'minute' | 'volts' | 'amps' | 'soc'>;

export function liveAnswer(design: Design, bankId: string, clear: readonly MeterSample[], read: Reading): LiveAnswer | null {
  const bank = rowOf(design.banks, bankId);
  const at = clear[read.minute];
  if (!bank || !at) return null;
  const { ohm, nominalV } = bankSource(bank);
  const twelves = nominalV / 12;
  const expectedV = at.volts + (read.amps - at.amps) * ohm;
  const volts = beside('volts', read.volts, expectedV, LEAST_V_PER_12 * twelves + OHM_SPREAD * Math.abs(read.amps) * ohm);
  const amps = beside('amps', read.amps, at.amps, LEAST_A + AMPS_SPREAD * Math.abs(at.amps));
  const could: Could[] = [];
  const [dV, dA] = [read.volts - expectedV, read.amps - at.amps];
  if (volts.off > 1 && Math.abs(read.amps) > LEAST_A && dV * read.amps > 0)
    could.push({
      what: 'a joint, or a weak block',
      would: `${((1000 * dV) / read.amps).toFixed(1)} mΩ more than the ${(1000 * ohm).toFixed(1)} mΩ of the bank`,
    });
  const highest = Math.max(0, ...design.sources.filter((s) => s.bankId === bankId).map((s) => s.regulator.absorptionV));
  if (highest > 0 && read.volts > highest + LEAST_V_PER_12 * twelves)
    could.push({
      what: 'a regulator that is stuck, or set too high',
      would: `${(read.volts - highest).toFixed(2)} V above every absorption`,
    });
  if (volts.off > 1 && dV < 0 && Math.abs(read.amps) <= LEAST_A)
    could.push({ what: 'less charge than is shown, or a dead string', would: `${(-dV).toFixed(2)} V lower at rest` });
  if (amps.off > 1) could.push(...ofAmps(design, bankId, dA));
  return { beside: [volts, amps], could };
}

/** Loads whose own current is about the difference: on where they were thought off, or the other way. */
function ofAmps(design: Design, bankId: string, dA: number): readonly Could[] {
  const bank = rowOf(design.banks, bankId);
  const volts = studyVolts(design, bank && bankSource(bank));
  const alike = design.loads.filter((l) => {
    if (l.group === 'charging' || kindOf(l) === 'starter') return false;
    const a = loadCurrent(l, volts).workingA;
    return a > 0 && Math.abs(a - Math.abs(dA)) <= ALIKE * a;
  });
  const names = alike.slice(0, 4).map((l) => l.name);
  return [
    ...(names.length > 0 ? [{ what: dA < 0 ? 'one of these is on' : 'one of these is off', would: names.join(', ') }] : []),
    dA > 0
      ? { what: 'something drawn round the shunt', would: `${dA.toFixed(1)} A that it does not see` }
      : { what: 'a source that gives less, or a draw nobody listed', would: `${(-dA).toFixed(1)} A` },
  ];
}
