/** Every bank in a way of living: what it gives in a day, how long it would last, how low it comes, and what puts a day back (docs/methods.md, M11). */
import { bankSource, coldFactor } from '../bank';
import { asDecided, type Design, rowOf } from '../design';
import { spansOf } from '../demand';
import { runDays } from './cruise';
import { dayAh } from './draws';
import { fillTimes } from './fill';
import { crankIndex, loadsByBank, sceneOf } from './scene';

export interface BankDay {
  readonly id: string;
  readonly name: string;
  /** What its loads take in a day, and what starting the engine takes, Ah. */
  readonly loadsAh: number;
  readonly startsAh: number;
  readonly starts: number;
  /** Within its window, as cold as it is, Ah. */
  readonly usableAh: number;
  /** With nothing charging; null: nothing is drawn from it. */
  readonly lastsDays: number | null;
  /** In the third of three like days that begin full, 0..1. */
  readonly lowest: number;
  readonly endSoc: number;
  /** Sources on it, and the hours each needs alone to put back a day's need; null: not within two days. */
  readonly refills: readonly { readonly sourceId: string; readonly name: string; readonly hours: number | null }[];
  /** What charges it by the weather: hours are the sky's. */
  readonly byWeather: readonly string[];
  /** Ties by which others charge it, with the bank at their other side. */
  readonly through: readonly { readonly name: string; readonly withBank: string }[];
}

const DAYS = 3;

/** @returns a row a bank, in their order; empty where there is no bank or no such way of living. */
export function eachBank(whole: Design, livingId: string): readonly BankDay[] {
  const design = asDecided(whole);
  const way = design.living.findIndex((l) => l.id === livingId);
  const living = design.living[way];
  if (!living || design.banks.length === 0) return [];
  const run = runDays(sceneOf(design, { ways: new Set([way]) }), new Array<number>(DAYS).fill(way), 1, 'each bank');
  const last = run.days.at(-1);
  const byBank = loadsByBank(design);
  const cranks = crankIndex(design);
  const engine = design.sources.some((s) => s.kind === 'alternator') ? spansOf(living, 'engine').length : 0;
  return design.banks.map((b, i): BankDay => {
    const loadsAh = byBank[i]?.reduce((sum, l) => sum + dayAh(l, living), 0) ?? 0;
    const starts = i === cranks ? engine : 0;
    const startsAh = (starts * design.engine.crankA * design.engine.crankS) / 3600;
    const needAh = loadsAh + startsAh;
    const source = bankSource(b);
    const usableAh = source.usableAh * coldFactor(source.chemistry, design.plan.tempC);
    const fromSoc = Math.max(0, 1 - needAh / Math.max(1e-9, source.capacityAh));
    return {
      id: b.id,
      name: b.name,
      loadsAh,
      startsAh,
      starts,
      usableAh,
      lastsDays: needAh > 0 ? usableAh / needAh : null,
      lowest: last?.lowest[i] ?? NaN,
      endSoc: last?.endSoc[i] ?? NaN,
      refills:
        needAh > 0
          ? fillTimes(design, design.engine.cruiseRpm, b.id, fromSoc).map((f) => ({
              sourceId: f.sourceId,
              name: f.name,
              hours: f.hours[2] ?? null,
            }))
          : [],
      byWeather: design.sources.filter((x) => x.bankId === b.id && (x.kind === 'solar' || x.kind === 'wind')).map((x) => x.name),
      through: design.joins.flatMap((j) => {
        const other = j.firstId === b.id ? j.secondId : j.secondId === b.id ? j.firstId : null;
        const bank = rowOf(design.banks, other);
        return bank ? [{ name: j.name, withBank: bank.name }] : [];
      }),
    };
  });
}
