/** Rules on machines of several rows: what may be one thing and is not tied. */
import { addOp, dcSideOf, idsFor, rowOf, setOp, untiedChargers, untiedInverters, untiedSources } from '../../design';
import { type Rule, SOURCES, when } from '../rule';
import type { DesignFacts } from './design';

export const MACHINE_ROW_RULES: readonly Rule<DesignFacts>[] = [
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
