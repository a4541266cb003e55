/** What takes longer than an edit may: the studies, and inverters and generators on the network; and every finding there is. */
import { generatorAnswers } from './ac/genset';
import { inverterAnswers } from './ac/inverter';
import type { Analysis } from './analysis';
import { acPowerFindings, type AcPower } from './check/acPowerFindings';
import { bySeverity, type Finding } from './check/findings';
import type { Design } from './design/schema';
import { worstOfStudies, type Worst } from './network/worst';

export interface Studied {
  readonly worst: Worst;
  readonly power: AcPower;
  /** What studies and machines on the network give cause to say. */
  readonly findings: readonly Finding[];
}

/** @param analysis of the same design, of this process. */
export function studied(design: Design, analysis: Analysis): Studied {
  const worst = worstOfStudies(design, analysis);
  const power: AcPower = { inverters: inverterAnswers(design, analysis, analysis.banks), generators: generatorAnswers(design, analysis) };
  return { worst, power, findings: [...worst.findings, ...acPowerFindings(design, power)] };
}

/** Every finding of a design, worst first: the same list on the screen, in Check, on paper and over HTTP. */
export const everyFinding = (analysis: Pick<Analysis, 'findings'>, late: Studied | null): readonly Finding[] =>
  late && late.findings.length > 0 ? bySeverity(analysis.findings, late.findings) : analysis.findings;
