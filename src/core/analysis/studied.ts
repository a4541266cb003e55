/** What takes longer than an edit may: the studies, and inverters and generators on the network; and with them every finding. */
import { generatorAnswers, inverterAnswers, type Worst, worstOfStudies } from '../network';
import { analyse, type Analysis, createMemory, type Memory } from './analysis';
import type { Odds } from '../circuit';
import { circuitOdds, oddsMemory, type OddsMemory } from './odds';
import { asDecided, type Design, type Finding } from '../design';
import { type AcPower, everyFinding, studyFindings } from '../check';

export interface Studied {
  readonly worst: Worst;
  readonly power: AcPower;
  /** By circuit: how sure its choice is. */
  readonly odds: Readonly<Record<string, Odds>>;
  /** What studies and machines on the network give cause to say. */
  readonly findings: readonly Finding[];
}

/** What the odds of a design's circuits are worked out from, and kept in. */
export interface Sure {
  /** Of the design's analysis. */
  readonly memory: Memory;
  readonly odds: OddsMemory;
}

/**
 * @param analysis of the same design, of this process.
 * @param sure null: how sure the choices are is not asked.
 */
export function studied(design: Design, analysis: Analysis, sure: Sure | null = null): Studied {
  const worst = worstOfStudies(design, analysis);
  const power: AcPower = { inverters: inverterAnswers(design, analysis, analysis.banks), generators: generatorAnswers(design, analysis) };
  const odds = sure ? circuitOdds(asDecided(design), sure.memory, sure.odds) : [];
  return {
    worst,
    power,
    odds: Object.fromEntries(odds.map((o) => [o.worked.result.id, o.odds])),
    findings: studyFindings({ design: asDecided(design), studied: { studies: worst, power, odds } }),
  };
}

/** Every finding of a design, worked out from nothing. @param withOdds how sure its choices are is asked too. */
export function findingsAfresh(design: Design, withOdds = true): readonly Finding[] {
  const memory = createMemory();
  const analysis = analyse(design, memory);
  return everyFinding(analysis, studied(design, analysis, withOdds ? { memory, odds: oddsMemory() } : null));
}
