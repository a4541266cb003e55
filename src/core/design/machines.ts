/** A machine that is several rows: its source, its row on the load sheet, its AC side. Rows that name each other are one machine. */
import { kindOf } from './loadKind';
import { rowOf } from './rowOf';
import type { AcSource, Design, Load, Source } from './schema';

type Parts = Pick<Design, 'loads' | 'sources' | 'acSources'>;

/** Rows of the load sheet that are chargers and that no source names. */
export const untiedChargers = ({ loads, sources }: Parts): readonly Load[] => {
  const tied = new Set(sources.map((s) => s.loadId));
  return loads.filter((l) => l.group === 'charging' && !tied.has(l.id));
};

/** Whether a source has neither a row, nor cables, nor a measured way: in the case of an inverter it goes by that one's. */
export const hasNoWay = ({ loads, leads }: Pick<Design, 'loads' | 'leads'>, s: Source): boolean =>
  s.pathMohm === null &&
  rowOf(loads, s.loadId) === undefined &&
  !leads.some((l) => [l.from, l.to].some((e) => e.kind === 'source' && e.id === s.id));

/** Whether what charges goes by the DC cables of an inverter in the same case: it has none of its own, and none are proposed for it. */
export const inACase = ({ acSources }: Pick<Design, 'acSources'>, s: Source): boolean =>
  s.loadId !== null && acSources.some((a) => a.inverter?.loadId === s.loadId);

/** Sources without a row on the load sheet and without cables of their own. */
export const untiedSources = (design: Parts & Pick<Design, 'leads'>): readonly Source[] =>
  design.sources.filter((s) => s.insteadOfId === null && s.outputOf === null && hasNoWay(design, s));

/** Inverters on the load sheet that no AC source names, and AC inverters that name none. */
export const untiedInverters = ({
  loads,
  acSources,
}: Parts): { readonly loads: readonly Load[]; readonly sources: readonly AcSource[] } => {
  const tied = new Set(acSources.map((s) => s.inverter?.loadId));
  return {
    loads: loads.filter((l) => kindOf(l) === 'inverter' && !tied.has(l.id)),
    sources: acSources.filter((s) => s.inverter !== null && rowOf(loads, s.inverter.loadId) === undefined),
  };
};

const same = (a: { readonly name: string }, b: { readonly name: string }): boolean =>
  a.name.trim() !== '' && a.name.trim().toLowerCase() === b.name.trim().toLowerCase();

/** The only one of its name; undefined where there are several or none. */
function only<T extends { readonly name: string }>(rows: readonly T[], like: { readonly name: string }): T | undefined {
  const found = rows.filter((r) => same(r, like));
  return found.length === 1 ? found[0] : undefined;
}

/** Rows of one name that nobody tied are one machine: tied as a file is read. What is doubtful stays apart, and Check asks. */
export function joinMachines(design: Design): Design {
  const [sources, chargers, inverters] = [untiedSources(design), untiedChargers(design), untiedInverters(design)];
  const loadOf = new Map(
    sources.flatMap((s) => {
      const load = only(chargers, s);
      return load && only(sources, load) === s ? [[s.id, load.id] as const] : [];
    }),
  );
  const inverterOf = new Map(
    inverters.sources.flatMap((s) => {
      const load = only(inverters.loads, s);
      return load && only(inverters.sources, load) === s ? [[s.id, load.id] as const] : [];
    }),
  );
  // What charges in the case of an inverter goes by its cables.
  for (const { inverter } of design.acSources) {
    const charger = rowOf(design.sources, inverter?.chargerId);
    const row = rowOf(design.loads, inverter?.loadId);
    if (charger && row && !loadOf.has(charger.id) && hasNoWay(design, charger)) loadOf.set(charger.id, row.id);
  }
  if (loadOf.size + inverterOf.size === 0) return design;
  return {
    ...design,
    sources: design.sources.map((s) => (loadOf.has(s.id) ? { ...s, loadId: loadOf.get(s.id) ?? null } : s)),
    acSources: design.acSources.map((s) =>
      s.inverter && inverterOf.has(s.id) ? { ...s, inverter: { ...s.inverter, loadId: inverterOf.get(s.id) ?? null } } : s,
    ),
  };
}
