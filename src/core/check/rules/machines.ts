/** Rules on machines of several rows: what may be one thing and is not tied, and what is one and told twice in different words. */
import {
  addOp,
  alike,
  dcSideOf,
  idsFor,
  type MachineFigure,
  machineFigures,
  rowFollows,
  rowOf,
  setOp,
  untiedChargers,
  untiedInverters,
  untiedSources,
} from '../../design';
import { round3, show } from '../../quantity';
import { type Rule, SOURCES, when } from '../rule';
import type { DesignFacts } from './design';

/** Of its VA, watts an inverter gives at the least: the poorest of makers' continuous ratings at 25 °C. Typical. */
const WATTS_OF_VA = 0.75;
/** A cable for so much more than the machine gives is worth a word. */
const MORE = 1.25;

/** How a row of the load sheet misses what its machine gives; null where the two go together. */
function missed({ unit, rowSays, machineSays }: MachineFigure): 'less' | 'more' | null {
  if (alike(rowSays, machineSays)) return null;
  if (rowSays < machineSays * (unit === 'W' ? WATTS_OF_VA : 1)) return 'less';
  return rowSays > machineSays * (unit === 'W' ? 1 : MORE) ? 'more' : null;
}

export const MACHINE_ROW_RULES: readonly Rule<DesignFacts>[] = [
  {
    id: 'machine-figures',
    about: 'load',
    severity: 'fix',
    reads: ['loads.rating', 'sources.ratedA', 'acSources.inverter.va', 'sources.charger.firstA'],
    when: 'a machine’s row on the load sheet says less than the machine gives, or much more',
    why: 'Its cable, fuse and bus are sized by the row, days and settings go by the machine: the cable runs hot, or its fuse opens on a sound boat.',
    todo: 'Read its plate, and enter the one figure on both.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.maker,
    find: ({ design }) =>
      machineFigures(design).flatMap((f) => {
        const how = missed(f);
        const gives = f.unit === 'W' ? `${round3(f.machineSays)} VA` : show(f.machineSays, 'A', design.boat);
        return when(how !== null, () => ({
          id: f.row.id,
          severity: how === 'less' ? 'fix' : 'note',
          title: `is entered with ${show(f.rowSays, f.unit, design.boat)}, and ${f.machine.source.name} gives ${gives}`,
          ...(how === 'more' ? { why: 'Its cable, fuse and bus are sized by the row: for more than the machine gives.' } : {}),
        }));
      }),
    cure: (design, { about }) => {
      const figure = machineFigures(design).find((f) => f.row.id === about.id && missed(f) !== null);
      return figure ? rowFollows(design, figure) : null;
    },
  },
  {
    id: 'ac-no-dc',
    about: 'AC source',
    severity: 'fix',
    reads: ['acSources.inverter.loadId', 'loads'],
    when: 'an inverter names no row of the load sheet',
    why: 'Its cable, fuse and disconnect are calculated from its row on the load sheet; none is named.',
    todo: 'Name its row of the load sheet on AC, sources: several there may be it.',
    hazard: 'fire',
    confirm: 'nothing',
    source: SOURCES.data,
    find: ({ design }) =>
      design.acSources.flatMap(({ id, inverter }) =>
        when(inverter !== null && !rowOf(design.loads, inverter.loadId), () => ({ id, title: 'has no DC side' })),
      ),
    cure: (design, { about }) => {
      const [load, another] = untiedInverters(design).loads;
      const source = rowOf(design.acSources, about.id);
      if (another || !source?.inverter) return null;
      const row = load ?? dcSideOf(source, idsFor(design)('L'), design.boat.systemV);
      return [load ? undefined : addOp(design, 'loads', row), setOp(design, ['acSources', about.id, 'inverter', 'loadId'], row.id)];
    },
  },
  {
    id: 'machine-apart',
    about: 'load',
    severity: 'fix',
    reads: ['loads.group', 'sources.loadId', 'leads'],
    when: 'a charger on the load sheet is named by no source, and a source has neither a row there nor cables',
    why: 'If the two are one machine it is counted twice, and its cable is sized without what it gives.',
    todo: 'Charging, sources: name its row on the load sheet; or take one of the two off.',
    hazard: 'none',
    confirm: 'eyes',
    source: SOURCES.data,
    find: ({ design }) => {
      const sources = untiedSources(design);
      return sources.length === 0
        ? []
        : untiedChargers(design).map((l) => ({
            id: l.id,
            title: `may be the same machine as ${sources.map((s) => s.name).join(' or ')}`,
          }));
    },
    cure: (design, { about }) => {
      const [source, another] = untiedSources(design);
      return source && !another ? [setOp(design, ['sources', source.id, 'loadId'], about.id)] : null;
    },
  },
];
