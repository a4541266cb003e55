/** Generic AC appliances of cruising boats with typical figures of our own; every one is editable and marked typical. */
import { blankAcLoad } from './blankAc';
import type { AcLoad, Design } from './schema';

interface AcAppliance {
  readonly name: string;
  readonly watts: number;
  readonly powerFactor: number;
  /** While it starts: times its running VA, and seconds. */
  readonly surge: readonly [times: number, seconds: number] | null;
  readonly runsLong: boolean;
  readonly keep: number;
  /** Hours a day at anchor and alongside. */
  readonly hours: readonly [anchor: number, alongside: number];
  readonly place: string;
}

const item = (
  name: string,
  place: string,
  watts: number,
  keep: number,
  hours: AcAppliance['hours'],
  more: Partial<AcAppliance> = {},
): AcAppliance => ({ name, place, watts, keep, hours, powerFactor: 1, surge: null, runsLong: false, ...more });

export const AC_APPLIANCES: readonly AcAppliance[] = [
  item('Water heater', 'engine', 1200, 2, [0, 3], { runsLong: true }),
  item('Kettle', 'galley', 1800, 4, [0.2, 0.3]),
  item('Toaster', 'galley', 900, 4, [0.1, 0.1]),
  item('Microwave oven', 'galley', 1250, 4, [0.1, 0.2], { powerFactor: 0.92 }),
  item('Induction hob, one ring', 'galley', 1800, 5, [0.4, 0.6], { powerFactor: 0.97 }),
  item('Coffee machine', 'galley', 1300, 3, [0.1, 0.2]),
  item('Air conditioner', 'saloon', 900, 3, [0, 6], { powerFactor: 0.85, surge: [5, 0.8], runsLong: true }),
  item('Fan heater', 'saloon', 1500, 3, [0, 4], { runsLong: true }),
  item('Refrigerator, AC', 'galley', 120, 8, [8, 8], { powerFactor: 0.7, surge: [6, 0.5], runsLong: true }),
  item('Washing machine', 'fore', 1100, 2, [0, 0.7], { powerFactor: 0.8, surge: [3, 1] }),
  item('Watermaker, AC', 'lazarette', 1000, 5, [1, 0], { powerFactor: 0.8, surge: [5, 1] }),
  item('Dive compressor', 'lazarette', 2200, 1, [0, 0], { powerFactor: 0.82, surge: [6, 1.5] }),
  item('Vacuum cleaner', 'saloon', 800, 3, [0, 0.1], { powerFactor: 0.9, surge: [2, 0.5] }),
  item('Hair dryer', 'fore', 1400, 3, [0.05, 0.1]),
  item('Power tools', 'saloon', 700, 2, [0, 0.2], { powerFactor: 0.85, surge: [3, 0.5] }),
  item('Television', 'saloon', 60, 5, [1.5, 2], { powerFactor: 0.9 }),
  item('Laptop supplies', 'chart', 130, 7, [3, 3], { powerFactor: 0.6 }),
  item('Dehumidifier', 'saloon', 250, 2, [0, 12], { powerFactor: 0.8, surge: [4, 0.5], runsLong: true }),
  item('Battery chargers of tools', 'chart', 80, 6, [1, 2], { powerFactor: 0.6 }),
];

/** A row from the list. @param places those aboard: an unknown usual place is left open. */
export function acLoadFrom(name: string, id: string, design: Pick<Design, 'places' | 'living'>): AcLoad | undefined {
  const a = AC_APPLIANCES.find((x) => x.name === name);
  if (!a) return undefined;
  const ways = new Set(design.living.map((l) => l.id));
  const [anchor, alongside] = a.hours;
  const hours = Object.fromEntries(
    Object.entries({ anchor, passage: anchor / 2, motoring: anchor, alongside }).filter(([way, h]) => ways.has(way) && h > 0),
  );
  return {
    ...blankAcLoad(id),
    name: a.name,
    placeId: design.places.some((p) => p.id === a.place) ? a.place : null,
    watts: a.watts,
    powerFactor: a.powerFactor,
    surgeVa: a.surge ? Math.round((a.watts / a.powerFactor) * a.surge[0]) : null,
    surgeS: a.surge?.[1] ?? null,
    motor: a.surge !== null,
    runsLong: a.runsLong,
    keep: a.keep,
    hours,
    mark: 'typical',
  };
}
