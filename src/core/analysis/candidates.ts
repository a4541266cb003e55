/** A candidate in the place of the source it may replace: what it would change. */
import { analyse, createMemory, type Memory } from './analysis';
import { type SizeChange, sizeChanges } from './together';
import { applyEdit, type Design, type Finding, takeCandidate } from '../design';
import { type CompareLine, compareDesigns } from '../energy';

export interface Compared {
  /** Figures that differ: as it is, and with the candidate. */
  readonly lines: readonly CompareLine[];
  /** Stops and fixes that come with it, and that go. */
  readonly brings: readonly Finding[];
  readonly settles: readonly Finding[];
  readonly changes: readonly SizeChange[];
}

/** null where it is no candidate. */
export function compareCandidate(design: Design, candidateId: string, memory: Memory = createMemory()): Compared | null {
  const ops = takeCandidate(design, candidateId);
  const edited = ops && applyEdit(design, { ops });
  if (!edited?.ok) return null;
  const [before, after] = [analyse(design, memory), analyse(edited.design, memory)];
  const grave = (all: readonly Finding[]) => all.filter((f) => f.severity !== 'note');
  const missing = (all: readonly Finding[], others: readonly Finding[]) => {
    const known = new Set(others.map((f) => f.id));
    return grave(all).filter((f) => !known.has(f.id));
  };
  return {
    lines: compareDesigns(design, edited.design).filter((l) => l.differs),
    brings: missing(after.findings, before.findings),
    settles: missing(before.findings, after.findings),
    changes: sizeChanges(before.circuits, after.circuits),
  };
}
