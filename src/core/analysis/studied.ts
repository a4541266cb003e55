/** What takes longer than an edit may: the studies, and inverters and generators on the network; and with them every finding. */
import { generatorAnswers, inverterAnswers, type Worst, worstOfStudies } from '../network';
import type { Analysis } from './analysis';
import { asDecided, type Design, type Finding } from '../design';
import { type AcPower, studyFindings } from '../check';

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
  return { worst, power, findings: studyFindings({ design: asDecided(design), studied: { studies: worst, power } }) };
}
