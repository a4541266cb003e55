/** What takes longer than an edit may: the studies, and inverters and generators on the network; and with them every finding. */
import { generatorAnswers } from './ac/genset';
import { inverterAnswers } from './ac/inverter';
import type { Analysis } from './analysis';
import type { Finding } from './check/finding';
import { studyFindings } from './check/findingsOf';
import type { AcPower } from './check/rules/acMachines';
import { asDecided } from './design/decided';
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
  return { worst, power, findings: studyFindings({ design: asDecided(design), studied: { studies: worst, power } }) };
}
