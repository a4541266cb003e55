/** The hours of a day that differ in what is on: day and night, engine running or not, by way of living (docs/methods.md, M21). */
import type { Living, Load, When } from '../design';
import { hoursOf, inUse, inUseAt, windowOf } from './windows';

const STEPS = 48;
const WHENS: readonly When[] = ['any time', 'by day', 'by night', 'engine running'];

export interface DayHour {
  /** null: the boat has no way of living, and loads are on as is typical of their kind. */
  readonly livingId: string | null;
  /** "at anchor, by night". */
  readonly name: string;
  /** Part of the hour that lies within each window, 0 to 1, and how long the window is, h. */
  readonly within: Readonly<Record<When, number>>;
  readonly windowH: Readonly<Record<When, number>>;
}

const NO_WAY: DayHour = {
  livingId: null,
  name: '',
  within: { 'any time': 1, 'by day': 1, 'by night': 1, 'engine running': 1 },
  windowH: { 'any time': 24, 'by day': 24, 'by night': 24, 'engine running': 24 },
};

const byWhen = (of: (when: When) => number): Readonly<Record<When, number>> => ({
  'any time': of('any time'),
  'by day': of('by day'),
  'by night': of('by night'),
  'engine running': of('engine running'),
});

function ofLiving(living: Living): DayHour[] {
  const windows = new Map(WHENS.map((when) => [when, windowOf(living, when, STEPS)]));
  const part = (when: When, step: number): number => windows.get(when)?.[step] ?? 0;
  const windowH = byWhen((when) => hoursOf(windows.get(when) ?? new Float64Array(1)));
  const seen = new Set<string>();
  const out: DayHour[] = [];
  for (let step = 0; step < STEPS; step++) {
    const [day, engine] = [part('by day', step) >= 0.5, part('engine running', step) >= 0.5];
    const key = `${day} ${engine}`;
    if (seen.has(key)) continue;
    seen.add(key);
    const within = byWhen((when) => (when === 'any time' || (when === 'engine running' ? engine : day === (when === 'by day')) ? 1 : 0));
    out.push({
      livingId: living.id,
      name: `${living.name}, ${day ? 'by day' : 'by night'}${engine ? ', engine running' : ''}`,
      within,
      windowH,
    });
  }
  return out;
}

/** Every hour of every way of living in which another set of loads may be on; one without a name where there is no way of living. */
export function dayHours(ways: readonly Living[]): readonly DayHour[] {
  const out = ways.flatMap(ofLiving);
  return out.length > 0 ? out : [NO_WAY];
}

/** Part of the time a kind of load is on while another runs, where no hours are entered. Typical. */
const BY_GROUP: Readonly<Record<Load['group'], number>> = {
  navigation: 1,
  lights: 0.3,
  electronics: 0.1,
  pump: 0.03,
  blower: 0.03,
  refrigeration: 0.4,
  deck: 0.03,
  comfort: 0.25,
  heavy: 0.03,
  charging: 0,
  other: 0.25,
};

/** What it draws is drawn on and on once it is on; a refrigerator's compressor comes and goes. */
const onAndOn = (load: Load): boolean => load.runsLong && load.group !== 'refrigeration';

/**
 * Probability that a load is in use, hour by hour, 0 to 1: its hours over those they fall in; 1 where it runs on and on; without hours in any way of
 * living the typical one of its kind.
 */
export function inUseBy(load: Load, hours: readonly DayHour[]): readonly number[] {
  const typical = onAndOn(load) ? 1 : BY_GROUP[load.group];
  const entered = hours.some((h) => h.livingId !== null && (load.hours[h.livingId] ?? 0) > 0);
  return hours.map((hour) => {
    if (!entered || hour.livingId === null) return typical;
    const own = Math.min(24, load.hours[hour.livingId] ?? 0);
    if (own <= 0) return 0;
    const when = load.when[hour.livingId] ?? 'any time';
    const part = inUseAt(inUse(own, hour.windowH[when]), hour.within[when]);
    return onAndOn(load) && part > 0 ? 1 : part;
  });
}
