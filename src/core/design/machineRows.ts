/** A machine and its rows: made together, renamed and moved together, taken away together. */
import { SERVICE_V } from './ac';
import { APPLIANCES } from './appliances';
import { blankLoad } from './blank';
import { blankAcLoad, blankAcSource, usualInletA } from './blankAc';
import { blankSource, typicalCurve } from './blankCharging';
import { addOp, applyEdit, dropOps, type Op, setOp } from './edit';
import { kindOf } from './loadKind';
import { alike, machineFigures, machineFollows, rowFollows, withFigure } from './machineFigures';
import { hasNoWay, untiedSources } from './machines';
import { furtherOutputs, outputA } from './outputs';
import { removeAcLoads, removeLoads, removeSource } from './operations';
import { rowOf } from './rowOf';
import type { AcLoad, AcSource, Boat, Design, Load, Source } from './schema';

export interface MachineRow {
  readonly list: 'sources' | 'loads' | 'acSources' | 'acLoads';
  readonly id: string;
}

type Rows = Pick<Design, 'sources' | 'loads' | 'acSources' | 'acLoads'>;

/** Rows that name a row, or are named by it. */
function beside(design: Rows, { list, id }: MachineRow): MachineRow[] {
  const row = (l: MachineRow['list'], of: string | null | undefined): MachineRow[] =>
    of && design[l].some((r) => r.id === of) ? [{ list: l, id: of }] : [];
  if (list === 'sources')
    return [
      ...row('loads', rowOf(design.sources, id)?.loadId),
      // Its further outputs go with it, and it not with them.
      ...furtherOutputs(design.sources, id).map((s): MachineRow => ({ list: 'sources', id: s.id })),
      ...design.acLoads.flatMap((l) => (l.chargerId === id ? row('acLoads', l.id) : [])),
      ...design.acSources.flatMap((s) => (s.inverter?.chargerId === id ? row('acSources', s.id) : [])),
    ];
  if (list === 'acLoads') return row('sources', rowOf(design.acLoads, id)?.chargerId);
  if (list === 'acSources') {
    const inverter = rowOf(design.acSources, id)?.inverter;
    return [...row('loads', inverter?.loadId), ...row('sources', inverter?.chargerId)];
  }
  return [
    ...design.sources.flatMap((s) => (s.loadId === id ? row('sources', s.id) : [])),
    ...design.acSources.flatMap((s) => (s.inverter?.loadId === id ? row('acSources', s.id) : [])),
  ];
}

/** Every row of the machine a row belongs to, that row first. */
export function machineOf(design: Rows, row: MachineRow): readonly MachineRow[] {
  const all = [row];
  for (const at of all)
    for (const next of beside(design, at)) if (!all.some((r) => r.list === next.list && r.id === next.id)) all.push(next);
  return all;
}

const LISTS: ReadonlySet<string> = new Set<MachineRow['list']>(['sources', 'loads', 'acSources', 'acLoads']);
const SHARED: ReadonlySet<string> = new Set(['name', 'placeId']);

/** Fields by which a machine's figure is told: amps or watts of its row, of a source, of an inverter. */
const FIGURES: Readonly<Record<string, ReadonlySet<string>>> = {
  loads: new Set(['rating', 'ratingBy', 'quantity', 'nominalV']),
  sources: new Set(['ratedA', 'charger']),
  acSources: new Set(['inverter']),
};

/** What a machine and its row told alike they go on telling alike: the other side follows the one that was set. Where both were set, neither. */
function figuresTogether(design: Design, ops: readonly Op[]): readonly Op[] {
  if (!ops.some(({ path: [list, , key] }) => list !== undefined && key !== undefined && FIGURES[list]?.has(key))) return [];
  const next = applyEdit(design, { ops: [...ops] });
  if (!next.ok) return [];
  const was = new Map(machineFigures(design).map((f) => [`${f.row.id} ${f.machine.source.id}`, f]));
  return machineFigures(next.design).flatMap((f): Op[] => {
    const before = was.get(`${f.row.id} ${f.machine.source.id}`);
    if (!before || !alike(before.rowSays, before.machineSays) || alike(f.rowSays, f.machineSays)) return [];
    const [rowSet, machineSet] = [f.rowSays !== before.rowSays, f.machineSays !== before.machineSays];
    if (rowSet && machineSet) return [];
    return (rowSet ? machineFollows : rowFollows)(next.design, f).flatMap((op) => op ?? []);
  });
}

/**
 * Ops with what they say of a whole machine: a name or a place set on one of its rows is set on those that had the same, and what it gives on
 * the load sheet and with the machine. A row that an op of the same edit sets by itself is left to that.
 */
export function ofWholeMachines(design: Design, ops: readonly Op[]): readonly Op[] {
  const own = new Set(ops.map((op) => op.path.join('/')));
  const more = ops.flatMap((op): Op[] => {
    const [list, id, key] = op.path;
    if (op.op !== 'set' || op.path.length !== 3 || !list || !id || !key || !LISTS.has(list) || !SHARED.has(key)) return [];
    const from = list as MachineRow['list'];
    return machineOf(design, { list: from, id }).flatMap((r) => {
      const row = rowOf<{ readonly id: string }>(design[r.list], r.id) as Readonly<Record<string, unknown>> | undefined;
      if ((r.list === from && r.id === id) || own.has([r.list, r.id, key].join('/')) || row?.[key] !== op.from) return [];
      return setOp(design, [r.list, r.id, key], op.to) ?? [];
    });
  });
  const all = more.length > 0 ? [...ops, ...more] : ops;
  const figures = figuresTogether(design, all);
  return figures.length > 0 ? [...all, ...figures] : all;
}

/** The row among AC appliances of what charges from them: its watts follow from its amps; dropped last but one, and turned down first. */
export const chargerRow = (source: Source, id: string): AcLoad => ({
  ...blankAcLoad(id),
  name: source.name,
  placeId: source.placeId,
  chargerId: source.id,
  powerFactor: source.charger?.powerFactor ?? 1,
  runsLong: true,
  keep: 8,
  mark: source.mark,
});

/** The AC side of an inverter on the load sheet: continuous watts as VA, typical surges. */
export function inverterOf(row: Load, id: string, boat: Pick<Boat, 'acRegion' | 'ruleSet' | 'systemV'>): AcSource {
  const va = row.ratingBy === 'W' ? row.rating : row.rating * row.nominalV;
  const blank = blankAcSource(id, 'inverter', boat);
  return {
    ...blank,
    name: row.name,
    placeId: row.placeId,
    ratedA: Math.ceil(va / SERVICE_V[blank.service]),
    inverter: blank.inverter && {
      ...blank.inverter,
      va,
      precharge: row.nominalV >= 24,
      surges: [
        { id: 's1', s: 1, va: 2 * va },
        { id: 's2', s: 60, va: Math.round(1.3 * va) },
      ],
      loadId: row.id,
    },
  };
}

/** The DC side of an AC inverter: what it draws for its continuous VA, a heavy load with its own name. */
export const dcSideOf = (source: AcSource, id: string, systemV: number): Load => ({
  ...blankLoad(id, systemV),
  name: source.name,
  group: 'heavy',
  kind: 'inverter',
  rating: (source.inverter?.va ?? 0) * (source.inverter?.units ?? 1),
  supply: 'house switch',
  connection: 'M8',
  shutFirst: true,
  placeId: source.placeId,
  mark: source.mark,
});

/** A new source with its row on the AC side, where it charges from there. */
export const addSourceOps = (design: Design, source: Source, freshId: (prefix: string) => string): readonly (Op | undefined)[] => [
  addOp(design, 'sources', source),
  ...(source.kind === 'shore charger' || source.kind === 'portable' ? [addOp(design, 'acLoads', chargerRow(source, freshId('al')))] : []),
];

/** A new AC source; an inverter with its DC side: the one inverter of the load sheet that no other names, or a row of its own. */
export function addAcSourceOps(design: Design, source: AcSource, freshId: (prefix: string) => string): readonly (Op | undefined)[] {
  if (!source.inverter) return [addOp(design, 'acSources', source)];
  const known = new Set(design.acSources.map((s) => s.inverter?.loadId));
  const loose = design.loads.filter((l) => kindOf(l) === 'inverter' && !known.has(l.id));
  const [only, another] = loose;
  // Where several are loose it is for a person to say which.
  if (another) return [addOp(design, 'acSources', source)];
  if (only) return [addOp(design, 'acSources', inverterOf(only, source.id, design.boat))];
  const row = dcSideOf(source, freshId('L'), design.boat.systemV);
  return [addOp(design, 'loads', row), addOp(design, 'acSources', { ...source, inverter: { ...source.inverter, loadId: row.id } })];
}

/** Watts an inverter-charger charges with, of its VA. Typical. */
const CHARGES_PART = 0.48;

/** A new inverter that charges too: one case, one pair of DC cables, a source on Charging, an appliance on AC. */
export function addInverterChargerOps(design: Design, source: AcSource, freshId: (prefix: string) => string): readonly (Op | undefined)[] {
  if (!source.inverter) return [];
  const { systemV } = design.boat;
  const row = dcSideOf(source, freshId('L'), systemV);
  const house = design.banks.find((b) => b.job === 'house') ?? design.banks[0];
  const blank = blankSource(freshId('q'), 'shore charger', systemV, house?.id ?? null);
  const { name, placeId } = source;
  const ratedA = 5 * Math.round((CHARGES_PART * source.inverter.va) / systemV / 5);
  const inlet = design.acSources.find((s) => s.kind === 'shore');
  const inverter = {
    ...source.inverter,
    loadId: row.id,
    chargerId: blank.id,
    passA: inlet?.ratedA ?? usualInletA(source.service),
    opensNeutral: true,
  };
  return [
    addOp(design, 'loads', row),
    ...addSourceOps(design, { ...blank, name, placeId, ratedA, loadId: row.id }, freshId),
    addOp(design, 'acSources', { ...source, inverter }),
  ];
}

/** A charger and an inverter in one case share its DC cables: the charger goes by the inverter's row where it has no way of its own. null: they are two. */
export function sameCaseOps(design: Design, acSourceId: string, chargerId: string | null): readonly (Op | undefined)[] {
  const inverter = rowOf(design.acSources, acSourceId)?.inverter;
  if (!inverter) return [];
  const [was, next] = [rowOf(design.sources, inverter.chargerId), rowOf(design.sources, chargerId)];
  return [
    setOp(design, ['acSources', acSourceId, 'inverter', 'chargerId'], next?.id ?? null),
    was && was.id !== next?.id && was.loadId === inverter.loadId ? setOp(design, ['sources', was.id, 'loadId'], null) : undefined,
    next && hasNoWay(design, next) ? setOp(design, ['sources', next.id, 'loadId'], inverter.loadId) : undefined,
  ];
}

const MADE_BY = new Map(APPLIANCES.map((a) => [a.name, a.makes]));

/**
 * New rows of the load sheet; what of them is a machine of the list comes with its other sides: an inverter with its AC side, what charges with
 * its source, tied to the one source of its kind that has neither row nor cables. What only its name may tell is asked by Check.
 */
export function addLoadsOps(design: Design, loads: readonly Load[], freshId: (prefix: string) => string): readonly (Op | undefined)[] {
  const ops: (Op | undefined)[] = [];
  const taken = new Set<string>();
  let after = design.loads[design.loads.length - 1]?.id ?? null;
  for (const load of loads) {
    const kind = MADE_BY.get(load.name) ?? null;
    const [only, another] = kind === null ? [] : untiedSources(design).filter((s) => s.kind === kind && !taken.has(s.id));
    // Of a machine that is there already the row says what it gives.
    ops.push(addOp(design, 'loads', only && !another ? withFigure(load, 'A', outputA(only)) : load, after));
    after = load.id;
    if (load.kind === 'inverter' && APPLIANCES.some((a) => a.name === load.name))
      ops.push(addOp(design, 'acSources', inverterOf(load, freshId('as'), design.boat)));
    if (kind === null) continue;
    if (only && !another) {
      taken.add(only.id);
      ops.push(setOp(design, ['sources', only.id, 'loadId'], load.id));
      continue;
    }
    const house = design.banks.find((b) => b.job === 'house') ?? design.banks[0];
    const blank = blankSource(freshId('q'), kind, design.boat.systemV, house?.id ?? null);
    const { name, placeId } = load;
    const ratedA = Math.round((load.quantity * load.rating) / (load.ratingBy === 'W' ? load.nominalV : 1));
    const alternator = blank.alternator && { ...blank.alternator, curve: typicalCurve(ratedA) };
    ops.push(...addSourceOps(design, { ...blank, name, placeId, ratedA, alternator, loadId: load.id }, freshId));
  }
  return ops;
}

const WHERE = { sources: 'Charging', loads: 'Loads', acSources: 'AC sources', acLoads: 'AC appliances' } as const;

/** Rows that go with some rows of a list, those first: all of each machine. A source whose place a candidate takes leaves the others to that. */
function withTheirMachines(design: Rows, list: MachineRow['list'], ids: readonly string[]): readonly MachineRow[] {
  const rows = ids.map((id): MachineRow => ({ list, id }));
  const all = [...rows];
  for (const row of rows) {
    const machine = machineOf(design, row);
    if (design.sources.some((s) => machine.some((r) => r.list === 'sources' && r.id === s.insteadOfId))) continue;
    for (const r of machine) if (!all.some((x) => x.list === r.list && x.id === r.id)) all.push(r);
  }
  return all;
}

/** Without some rows and what else of their machines there is. */
export function removeMachines(design: Design, list: MachineRow['list'], ids: readonly string[]): readonly (Op | undefined)[] {
  const rows = withTheirMachines(design, list, ids);
  const of = (wanted: MachineRow['list']) => rows.flatMap((r) => (r.list === wanted ? [r.id] : []));
  return [
    ...removeLoads(design, of('loads')),
    ...of('sources').flatMap((id) => removeSource(design, id)),
    ...removeAcLoads(design, of('acLoads')),
    ...dropOps(design, 'acSources', of('acSources')),
  ];
}

/** What of the machines of some rows goes with them, as a label goes on: ", on Charging and AC appliances too"; empty: nothing. */
export function andTheirRows(design: Design, list: MachineRow['list'], ids: readonly string[]): string {
  const where = [...new Set(withTheirMachines(design, list, ids).flatMap((r) => (r.list === list ? [] : [WHERE[r.list]])))];
  return where.length > 0 ? `, on ${where.join(' and ')} too` : '';
}
