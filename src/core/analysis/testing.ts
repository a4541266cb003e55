import { analyse } from './analysis';
import type { Design, Finding } from '../design';

/** Findings on one circuit and what it serves. */
export const circuitFindings = (design: Design, id = 'c-x'): readonly Finding[] =>
  analyse(design).findings.filter((f) => f.id.endsWith(`:${id}`));
