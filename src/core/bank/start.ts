/** The start bank: cranking amps, cold, path and starts (docs/methods.md, M9). */
import type { Bank, Design } from '../design';
import { bankRestV, bankSource } from './bankSource';
import { c20Ah, chemistryOf } from './bankFigures';
import { coldFactor, effectiveA } from './discharge';

export interface Cranking {
  readonly bankId: string;
  readonly name: string;
  readonly coldC: number;
  readonly crankA: number;
  /** Volts at the starter while it cranks: rest volts less bank and path. */
  readonly starterV: number;
  readonly minV: number;
  /** Ah one start counts as, and starts in a row until the starter sees too little. */
  readonly startAh: number;
  readonly starts: number;
  readonly wanted: number;
  /** Lowest state of charge from which it still turns; null: not even full. */
  readonly leastSoc: number | null;
  /** Cranking amps the cold bank is good for: its label at -18 degC, or 5 per Ah. */
  readonly coldCrankA: number;
  readonly passes: boolean;
}

const MOST_STARTS = 200;
/** Below this nothing is promised: resistance climbs steeply as a battery runs out. Typical, ours. */
const LEAST_SOC = 0.2;

/** Volts at the starter at a state of charge; cold raises the bank's resistance by as much as it takes capacity. */
function starterV(design: Pick<Design, 'engine'>, bank: Bank, soc: number): number {
  const source = bankSource(bank);
  const cold = Math.max(0.2, coldFactor(source.chemistry, design.engine.coldC));
  const ohm = source.ohm / cold + design.engine.crankPathMohm / 1000;
  return bankRestV(source, soc) - design.engine.crankA * ohm;
}

/**
 * Least capacity of such a bank that turns the engine as often as wanted, cold, Ah at the 20 h rate, to the next 5 Ah.
 * Cranking amps and resistance are taken as typical for the capacity. null: not up to 2000 Ah.
 */
export function leastStartAh(design: Pick<Design, 'engine'>, bank: Bank): number | null {
  for (let ah = 10; ah <= 2000; ah += 5) {
    const blockAh = ah / bank.strings;
    const tried: Bank = { ...bank, blockAh, ratedH: 20, cca: null, shortCircuitA: null, sheet: { ...bank.sheet, mohm: null } };
    if (cranking(design, tried).passes) return ah;
  }
  return null;
}

export function cranking(design: Pick<Design, 'engine'>, bank: Bank): Cranking {
  const { engine } = design;
  const chemistry = chemistryOf(bank);
  const cap = c20Ah(bank) * Math.max(0.05, coldFactor(chemistry, engine.coldC));
  const startAh = (effectiveA(engine.crankA, c20Ah(bank), chemistry.peukert) * engine.crankS) / 3600;
  const turns = (soc: number) => startsFrom(design, bank, soc);
  let starts = 0;
  while (starts < MOST_STARTS && 1 - starts * (startAh / cap) >= 0 && turns(1 - starts * (startAh / cap))) starts++;
  let leastSoc: number | null = null;
  for (let i = 0; i <= 100 && leastSoc === null; i++) if (turns(i / 100)) leastSoc = i / 100;
  const source = bankSource(bank);
  return {
    bankId: bank.id,
    name: bank.name,
    coldC: engine.coldC,
    crankA: engine.crankA,
    starterV: starterV(design, bank, 1),
    minV: engine.crankMinV,
    startAh,
    starts,
    wanted: engine.starts,
    leastSoc,
    coldCrankA: source.cca,
    passes: starts >= engine.starts && source.cca >= engine.crankA,
  };
}

/** Whether the engine starts from a bank at that state of charge. */
export const startsFrom = (design: Pick<Design, 'engine'>, bank: Bank, soc: number): boolean =>
  soc >= LEAST_SOC && starterV(design, bank, soc) >= design.engine.crankMinV;
