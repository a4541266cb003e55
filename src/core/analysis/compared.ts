/** Two designs of one boat side by side: figures, findings, sizes, and what is bought for each. */
import { analyse, createMemory, type Memory } from './analysis';
import { type SizeChange, sizeChanges } from './together';
import { cutList, type CutList } from '../build';
import type { Design, Finding } from '../design';
import { type CompareLine, compareDesigns } from '../energy';
import { round3, unitOf } from '../quantity';

export interface Compared {
  /** Figures that differ, first and second. */
  readonly lines: readonly CompareLine[];
  /** Stops and fixes only the second has, and only the first. */
  readonly brings: readonly Finding[];
  readonly settles: readonly Finding[];
  readonly changes: readonly SizeChange[];
  /** Cable by reel, ends, devices and bars of which there are more or fewer. */
  readonly parts: readonly CompareLine[];
}

/** What is bought, as text by item. */
function partsOf(design: Design, list: CutList): Map<string, string> {
  const { name, to } = unitOf('m', design.boat);
  const out = new Map<string, string>();
  for (const r of list.reels) out.set(`${r.size}, ${r.colour}`, `${round3(to(r.netM))} ${name}`);
  for (const lines of [list.protection, list.bars, list.terminals, list.makers]) for (const l of lines) out.set(l.item, String(l.count));
  return out;
}

/** @param memory of an analysis of one of them, or a neighbour. */
export function comparedOf(before: Design, after: Design, memory: Memory = createMemory()): Compared {
  const [was, is] = [analyse(before, memory), analyse(after, memory)];
  const grave = (all: readonly Finding[]) => all.filter((f) => f.severity !== 'note');
  const missing = (all: readonly Finding[], others: readonly Finding[]) => {
    const known = new Set(others.map((f) => f.id));
    return grave(all).filter((f) => !known.has(f.id));
  };
  const parts = [partsOf(before, cutList(before, was.circuits, was.leads)), partsOf(after, cutList(after, is.circuits, is.leads))] as const;
  const items = [...new Set(parts.flatMap((p) => [...p.keys()]))];
  return {
    lines: compareDesigns(before, after).filter((l) => l.differs),
    brings: missing(is.findings, was.findings),
    settles: missing(was.findings, is.findings),
    changes: sizeChanges(was.circuits, is.circuits),
    parts: items.flatMap((what): CompareLine[] => {
      const [a, b] = [parts[0].get(what) ?? '–', parts[1].get(what) ?? '–'];
      return a === b ? [] : [{ what, a, b, differs: true, of: ['counted in the cut list', 'counted in the cut list'] }];
    }),
  };
}
