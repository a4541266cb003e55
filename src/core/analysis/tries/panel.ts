/** Ways out of what is found on a panel or block: another kind of device in it, and further along its feeder, where a short is smaller. */
import type { Analysis } from '../analysis';
import { type Circuit, type Design, type Panel, rowOf, setOp } from '../../design';
import { noisyAt } from '../../check';
import { show, sizeName } from '../../quantity';
import { findFamily } from '../../rules';
import { servingOf } from '../../topology';
import { heavier } from './circuit';
import type { Series, Try } from './try';

/** Lengths of cable before it that are tried, m. */
const FURTHER_M = [1, 1.5, 2, 2.5, 3, 4, 5, 6, 8];

/** Sizes heavier that are tried of a feeder. */
const HEAVIER = 5;

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

/** What starts hard or ripples away from the panel, one after another and all together; and its feeder heavier. */
export function cleaner(design: Design, panel: Panel, analysis: Analysis): Series[] {
  const feeder = servingOf(design.circuits).panels.get(panel.id);
  if (!feeder) return [];
  const start = feeder.from.kind === 'panel' ? rowOf(design.panels, feeder.from.id)?.name : rowOf(design.banks, feeder.from.id)?.name;
  const noisy = noisyAt(design, panel.id);
  const away = (circuits: readonly Circuit[]): Try => ({
    id: `away-${circuits.map((c) => c.id).join('-')}`,
    say: `${circuits.map((c) => c.name).join(', ')} fed from ${start ?? 'where the feeder begins'} instead of ${panel.name}`,
    ops: circuits.map((c) => setOp(design, ['circuits', c.id, 'from'], feeder.from)),
  });
  return [
    ...noisy.map((c): Series => [away([c])]),
    noisy.length > 1 ? [away(noisy)] : [],
    heavier(design, analysis, feeder.id)
      .slice(0, HEAVIER)
      .map((s) => {
        const size = { school: s.school, size: s.size };
        return {
          id: `feeder-${s.size}`,
          say: `${sizeName(s.school, s.size)} in the feeder of ${panel.name}`,
          ops: feeder.pin.size
            ? [setOp(design, ['circuits', feeder.id, 'pin'], { ...feeder.pin, size })]
            : [setOp(design, ['circuits', feeder.id, 'together'], size)],
        };
      }),
  ];
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
