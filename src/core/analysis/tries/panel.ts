/** Ways out of what is found on a panel or block: another kind of device in it, and further along its feeder, where a short is smaller. */
import type { Analysis } from '../analysis';
import { type Design, type Panel, rowOf, setOp } from '../../design';
import { show } from '../../quantity';
import { findFamily } from '../../rules';
import { servingOf } from '../../topology';
import type { Series } from './try';

/** Lengths of cable before it that are tried, m. */
const FURTHER_M = [1, 1.5, 2, 2.5, 3, 4, 5, 6, 8];

/** Its block or panel further along its feeder. */
export function further(design: Design, panel: Panel, analysis: Analysis): Series {
  const feeder = servingOf(design.circuits).panels.get(panel.id);
  const tap = feeder?.taps.find((t) => t.serves.kind === 'panel' && t.serves.id === panel.id);
  const now = rowOf(rowOf(analysis.circuits, feeder?.id)?.taps ?? [], tap?.id)?.lengthM;
  if (!feeder || !tap || now === undefined) return [];
  return FURTHER_M.filter((m) => m > now + 0.05).map((m) => ({
    id: `further-${m}`,
    say: `${panel.name} ${show(m, 'm', design.boat)} of cable from its source instead of ${show(now, 'm', design.boat)}: a short there is smaller`,
    ops: [setOp(design, ['circuits', feeder.id, 'taps', tap.id, 'tapedM'], m)],
  }));
}

export const ofPanel = (design: Design, panel: Panel, analysis: Analysis): Series[] => [
  further(design, panel, analysis),
  ...['blade', 'maxi-blade', 'panel-breaker']
    .filter((id) => panel.kind === 'panel' && id !== panel.family)
    .map((id): Series => [
      {
        id: `panel-${id}`,
        say: `${panel.name} with ${findFamily(id)?.name ?? id}s`,
        ops: [setOp(design, ['panels', panel.id, 'family'], id)],
      },
    ]),
];
