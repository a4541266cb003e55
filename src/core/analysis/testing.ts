import type { WorkedCircuit } from '../circuit';
import type { Design, Finding } from '../design';
import { analyse, createMemory, workedCircuit, workedPath } from './analysis';

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

/** From the bank to a circuit, each beside what it was worked out from. */
export function pathOf(design: Design, id = 'c-x'): WorkedCircuit[] {
  const memory = createMemory();
  analyse(design, memory);
  return workedPath(memory, id);
}
