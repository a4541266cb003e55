import type { WorkedCircuit } from '../circuit';
import type { Design, Finding } from '../design';
import { analyse, createMemory, workedCircuit } from './analysis';

/** Findings on one circuit and what it serves. */
export const circuitFindings = (design: Design, id = 'c-x'): readonly Finding[] =>
  analyse(design).findings.filter((f) => f.id.endsWith(`:${id}`));

/** A circuit beside what it was worked out from. */
export function workedOf(design: Design, id = 'c-x'): WorkedCircuit {
  const memory = createMemory();
  analyse(design, memory);
  const worked = workedCircuit(memory, id);
  if (!worked) throw new Error(`no circuit ${id}`);
  return worked;
}
