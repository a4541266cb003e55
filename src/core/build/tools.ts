/** Tools and dies a job asks for, consumables, and what its parts come to by group (docs/methods.md, "Tools and consumables"). */
import type { Design } from '../design';
import { round3, show, sizeName, small, unitOf, type Units } from '../quantity';
import { CLIP_EVERY_M, findConductor } from '../rules';
import type { CountLine, CutList } from './cutList';
import { clipsOf, pulledThrough } from './hours';
import type { MadePiece } from './made';
import type { CircuitResult } from '../circuit';

/** Sizes the firm's own tools do not crimp, with their ends. @param largest null: nobody has said. */
function beyond(made: readonly MadePiece[], largest: Design['house']['largestCrimp']): readonly CountLine[] {
  const most = largest === null ? undefined : findConductor(largest.school, largest.size)?.areaMm2;
  if (most === undefined) return [];
  const by = new Map<string, { count: number; areaMm2: number }>();
  for (const { cut, ends } of made) {
    const crimped = ends.filter((e) => e.die !== '').length * cut.cores;
    const name = sizeName(cut.school, cut.conductor);
    if (cut.areaMm2 > most + 1e-9 && crimped > 0) by.set(name, { count: (by.get(name)?.count ?? 0) + crimped, areaMm2: cut.areaMm2 });
  }
  const heaviest = [...by].sort(([, a], [, b]) => b.areaMm2 - a.areaMm2);
  return heaviest.map(([name, { count }]) => ({
    item: `no tool of the firm’s crimps ${name}`,
    count,
    note: 'ends: hire the tool and its die, or have these pieces made up from their cards',
  }));
}

/**
 * Dies and tools for the ends to be made, with how many ends each makes, and the wrench they are tightened with; first what the firm's tools cannot.
 * @param largest size they crimp; null: nobody has said.
 */
export function toolsOf(made: readonly MadePiece[], units: Units, largest: Design['house']['largestCrimp'] = null): readonly CountLine[] {
  const open = made.filter((p) => !['made', 'landed'].includes(p.stage));
  const ends = open.flatMap((p) => p.ends.map((e) => ({ e, cores: p.cut.cores })));
  const by = new Map<string, number>();
  for (const { e, cores } of ends) if (e.die !== '') by.set(e.die, (by.get(e.die) ?? 0) + cores);
  const torques = ends.flatMap(({ e }) => (e.torque ? [e.torque.nm] : []));
  return [
    ...beyond(open, largest),
    ...[...by]
      .map(([item, count]) => ({ item, count, note: 'ends; die and terminal of one maker, or as the terminal’s maker says' }))
      .sort((a, b) => a.item.localeCompare(b.item, 'en', { numeric: true })),
    ...(torques.length > 0
      ? [
          {
            item: 'torque wrench, insulated',
            count: torques.length,
            note: `studs, ${round3(unitOf('Nm', units).to(Math.min(...torques)))} to ${show(Math.max(...torques), 'Nm', units)}`,
          },
        ]
      : []),
    ...(ends.length > 0
      ? [
          { item: 'pull-test scale', count: new Set(made.map((p) => p.cut.size)).size, note: 'sizes, one sample of each a day' },
          { item: 'meter, and what proves it', count: 1, note: 'before and after each proof that something is dead' },
        ]
      : []),
  ];
}

/** Clips or ties along what lies in the open, two wraps of label a piece, and a strip of tape for each sleeve colour. */
export function consumablesOf(design: Design, circuits: readonly CircuitResult[], list: CutList): readonly CountLine[] {
  const clips = circuits.reduce((n, r) => {
    const c = design.circuits.find((x) => x.id === r.id);
    return !c || r.own.ladder.kept ? n : n + clipsOf(pulledThrough(design, c, r.lengthM), c);
  }, 0);
  const bars = list.cuts.filter((c) => c.no === '').reduce((m, c) => m + c.lengthM, 0) / CLIP_EVERY_M;
  const lines = [
    {
      item: 'clips or ties with their screws',
      count: Math.ceil(clips + bars),
      note: `every ${small(1000 * CLIP_EVERY_M, design.boat)} of what lies in the open`,
    },
    { item: 'label wraps', count: 2 * list.cuts.length, note: 'one at each end of each piece' },
  ];
  return lines.filter((l) => l.count > 0);
}
