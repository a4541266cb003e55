/** The working of a set that runs together on an AC source: watts, volt-amperes, and what every breaker then carries (docs/methods.md, M12). */
import { consumersOn, type Loaded, loadedOf, settingsOf, withBreakers } from '../ac';
import { type Design, rowOf } from '../design';
import { round3, type Units } from '../quantity';
import { liner, plainWorking } from './parts';
import type { Working, WorkingLine } from './types';

const LONG = 'what runs for more than three hours';

/** @param settingId as in `settingsOf`; @param ids of the appliances that run. @returns undefined where there is no such setting. */
export function acSetWorking(design: Design, settingId: string, ids: readonly string[], units: Units): Working | undefined {
  const setting = withBreakers(design, settingsOf(design)).find((s) => s.id === settingId);
  if (!setting) return undefined;
  const line = liner(units);
  const { limit } = setting;
  const runs = consumersOn(design, setting).able.filter((l) => ids.includes(l.id));
  const watts = runs.reduce((sum, l) => sum + l.watts, 0);
  const vars = runs.reduce((sum, l) => sum + l.watts * Math.tan(Math.acos(l.powerFactor)), 0);
  const va = Math.hypot(watts, vars);
  const name = (id: string) => rowOf(design.acLoads, id)?.name ?? id;
  const leg = (n: number) => (limit.legs === 2 ? `, leg ${n + 1}` : '');
  const carried = (l: Loaded): WorkingLine[] => l.legA.flatMap((a, n) => (a > 0 ? onLeg(l, a, n) : []));
  const onLeg = (l: Loaded, a: number, n: number): WorkingLine[] => [
    line(`${l.name ?? 'the source itself'}${leg(n)}`, a, 'A', {
      formula: `of ${round3(l.ofA)} A`,
      source: l.name === null ? 'everything' : l.ids.map(name).join(', '),
      breaks: a > l.ofA + 1e-6,
    }),
    ...(l.longOfA < l.ofA - 1e-9 && (l.longA[n] ?? 0) > 0
      ? [
          line(`${l.name ?? 'the source itself'}${leg(n)}, for long`, l.longA[n] ?? 0, 'A', {
            formula: `of ${round3(l.longOfA)} A`,
            source: LONG,
            breaks: (l.longA[n] ?? 0) > l.longOfA + 1e-6,
          }),
        ]
      : []),
  ];
  return plainWorking(`Together on ${setting.name}`, [
    {
      title: 'What runs',
      lines: [
        ...runs.map((l) =>
          line(name(l.id), l.watts, 'W', {
            source: `power factor ${round3(l.powerFactor)}${l.continuous ? ', runs long' : ''}`,
            mark: rowOf(design.acLoads, l.id)?.mark ?? 'estimated',
          }),
        ),
        line('together', watts, 'W', {
          ...(limit.kw === null ? {} : { formula: `of ${round3(1000 * limit.kw)} W`, breaks: watts > 1000 * limit.kw + 1e-6 }),
        }),
        line('together, VA', va, 'none', {
          formula: `√(${round3(watts)}² W + ${round3(vars)}² var)${limit.kva === null ? '' : ` of ${round3(1000 * limit.kva)} VA`}`,
          breaks: limit.kva !== null && va > 1000 * limit.kva + 1e-6,
        }),
      ],
    },
    { title: 'What its breakers carry then', lines: loadedOf(runs, limit).flatMap(carried) },
  ]);
}
