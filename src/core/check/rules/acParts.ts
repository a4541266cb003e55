/** What the files of AC rules share: rules asked of every source, run, appliance or panel, and single edits that cure. */
import type { AcParts } from '../../ac';
import { type AcCircuit, type AcLoad, type AcPanel, type AcSource, setOp } from '../../design';
import { type Rule, type Said, SOURCES } from '../rule';

export type AcRule = Rule<AcParts>;
export type AcRow = Omit<AcRule, 'find' | 'about' | 'source'> & { readonly source?: string };

export const AC_LAW = 'Local code, the maker’s instructions and licensed practice come first.';

function of<T extends { readonly id: string }>(about: AcRule['about'], rows: (design: AcParts) => readonly T[]) {
  return (row: AcRow, told: (thing: T, design: AcParts) => readonly Said[]): AcRule => ({
    source: SOURCES.ac,
    ...row,
    about,
    find: (design) => rows(design).flatMap((x) => told(x, design).map((t) => ({ ...t, id: x.id }))),
  });
}

export const acSource = of<AcSource>('AC source', (d) => d.acSources);
export const acPanel = of<AcPanel>('AC panel', (d) => d.acPanels);
export const acLoad = of<AcLoad>('AC load', (d) => d.acLoads);
export const acRun = of<AcCircuit>('AC circuit', (d) => d.acCircuits);

/** A rule on the AC side as a whole. */
export const acWhole = (row: AcRow, told: (design: AcParts) => readonly Said[]): AcRule => ({
  source: SOURCES.ac,
  ...row,
  about: 'boat',
  find: (design) => told(design).map((t) => ({ ...t, id: 'ac' })),
});

/** Sets one field of the thing a finding is about. */
export const set =
  (list: 'acSources' | 'acPanels' | 'acLoads' | 'acCircuits', path: readonly string[], value: unknown): NonNullable<AcRule['cure']> =>
  (design, { about }) => [setOp(design, [list, about.id, ...path], value)];
