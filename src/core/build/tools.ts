/** Tools and dies a job asks for, consumables, and what its parts come to by group (docs/methods.md, "Tools and consumables"). */
import { type Design, rowOf } from '../design';
import { round3, show, sizeName, small, unitOf, type Units } from '../quantity';
import { CLIP_EVERY_M, findConductor } from '../rules';
import type { CutList, TracedLine } from './cutList';
import { clipsOf, pulledThrough } from './runs';
import type { MadePiece } from './made';
import type { CircuitResult } from '../circuit';

const summed = (of: readonly { readonly count: number }[]): number => of.reduce((n, x) => n + x.count, 0);

/** Sizes the firm's own tools do not crimp, with their ends. @param largest null: nobody has said. */
function beyond(made: readonly MadePiece[], largest: Design['house']['largestCrimp']): readonly TracedLine[] {
  const most = largest === null ? undefined : findConductor(largest.school, largest.size)?.areaMm2;
  if (most === undefined) return [];
  const by = new Map<string, { of: TracedLine['of'][number][]; areaMm2: number }>();
  for (const { cut, ends } of made) {
    const crimped = ends.filter((e) => e.die !== '').length * cut.cores;
    const name = sizeName(cut.school, cut.conductor);
    if (cut.areaMm2 > most + 1e-9 && crimped > 0)
      by.set(name, { of: [...(by.get(name)?.of ?? []), { what: cut.label, count: crimped }], areaMm2: cut.areaMm2 });
  }
  const heaviest = [...by].sort(([, a], [, b]) => b.areaMm2 - a.areaMm2);
  return heaviest.map(([name, { of }]) => ({
    item: `no tool of the firm’s crimps ${name}`,
    count: summed(of),
    of,
    note: 'ends: hire the tool and its die, or have these pieces made up from their cards',
  }));
}

/**
 * Dies and tools for the ends to be made, with how many ends each makes, and the wrench they are tightened with; first what the firm's tools cannot.
 * @param largest size they crimp; null: nobody has said.
 */
export function toolsOf(made: readonly MadePiece[], units: Units, largest: Design['house']['largestCrimp'] = null): readonly TracedLine[] {
  const open = made.filter((p) => !['made', 'landed'].includes(p.stage));
  const ends = open.flatMap((p) => p.ends.map((e) => ({ e, cores: p.cut.cores, label: p.cut.label })));
  const by = new Map<string, { readonly what: string; readonly count: number }[]>();
  for (const { e, cores, label } of ends)
    if (e.die !== '') by.set(e.die, [...(by.get(e.die) ?? []), { what: `${label}, ${e.terminal}`, count: cores }]);
  const torqued = ends.flatMap(({ e, label }) => (e.torque ? [{ nm: e.torque.nm, label }] : []));
  const torques = torqued.map((t) => t.nm);
  const sizes = [...new Set(made.map((p) => p.cut.size))];
  return [
    ...beyond(open, largest),
    ...[...by]
      .map(([item, of]) => ({ item, count: summed(of), of, note: 'ends; die and terminal of one maker, or as the terminal’s maker says' }))
      .sort((a, b) => a.item.localeCompare(b.item, 'en', { numeric: true })),
    ...(torques.length > 0
      ? [
          {
            item: 'torque wrench, insulated',
            count: torques.length,
            of: torqued.map((t) => ({ what: `${t.label}: ${show(t.nm, 'Nm', units)}`, count: 1 })),
            note: `studs, ${round3(unitOf('Nm', units).to(Math.min(...torques)))} to ${show(Math.max(...torques), 'Nm', units)}`,
          },
        ]
      : []),
    ...(ends.length > 0
      ? [
          {
            item: 'pull-test scale',
            count: sizes.length,
            of: sizes.map((what) => ({ what, count: 1 })),
            note: 'sizes, one sample of each a day',
          },
          {
            item: 'meter, and what proves it',
            count: 1,
            of: [{ what: 'for every job on a live boat', count: 1 }],
            note: 'before and after each proof that something is dead',
          },
        ]
      : []),
  ];
}

/** Clips or ties along what lies in the open, two wraps of label a piece, and a strip of tape for each sleeve colour. */
export function consumablesOf(design: Design, circuits: readonly CircuitResult[], list: CutList): readonly TracedLine[] {
  const runs = circuits.flatMap((r) => {
    const c = rowOf(design.circuits, r.id);
    const clips = !c || r.own.ladder.kept ? 0 : clipsOf(pulledThrough(design, c, r.lengthM), c);
    return c && clips > 0 ? [{ what: `${c.no} ${c.name}`.trim(), count: clips }] : [];
  });
  const bars = list.cuts.filter((c) => c.no === '').reduce((m, c) => m + c.lengthM, 0) / CLIP_EVERY_M;
  const clipped = [...runs, ...(bars > 0 ? [{ what: 'battery cables and small leads', count: bars }] : [])];
  const lines = [
    {
      item: 'clips or ties with their screws',
      count: Math.ceil(summed(clipped) - 1e-9),
      of: clipped.map((x) => ({ ...x, count: Math.round(10 * x.count) / 10 })),
      note: `every ${small(1000 * CLIP_EVERY_M, design.boat)} of what lies in the open`,
    },
    {
      item: 'label wraps',
      count: 2 * list.cuts.length,
      of: [{ what: 'pieces of the cut list, both ends', count: 2 * list.cuts.length }],
      note: 'one at each end of each piece',
    },
  ];
  return lines.filter((l) => l.count > 0);
}
