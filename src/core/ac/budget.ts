/** What the AC side leaves for charging, and what an inverter's appliances draw from its bank (docs/methods.md, M12, energy). */
import { chargerAcA } from '../charging';
import { type AcLoad, type AcSource, type Living, type Load, machineOfOutput, type Source, type Span, partsRead, rowOf } from '../design';
import { spanH, spansOf } from '../demand';
import { rowsOn, vaOf } from './consumers';
import { type AcSupplyParts, DAY_LOAD_READS, type DayLoadParts } from './parts';
import { limitOf, SERVICES, wholeInverter } from './services';

/** Hours of a way of living in which shore or a generator is there. */
export function mainsH(living: Living): number {
  const spans = [...spansOf(living, 'shore'), ...spansOf(living, 'generator')].sort((a, b) => a.fromH - b.fromH);
  let [hours, upTo] = [0, 0];
  for (const s of spans) {
    hours += Math.max(0, s.toH - Math.max(s.fromH, upTo));
    upTo = Math.max(upTo, s.toH);
  }
  return hours;
}

/** The source of a span: the first of its kind. */
const sourceOf = (design: AcSupplyParts, span: Span): AcSource | undefined =>
  design.acSources.find((s) => s.kind === (span.what === 'shore' ? 'shore' : 'generator'));

/** Mean amps that appliances, chargers left out, take of a source while it is there: appliances run then first. */
export function appliancesA(design: AcSupplyParts, living: Living, source: AcSource): number {
  const there = mainsH(living);
  if (there <= 0) return 0;
  const { volts, legs } = SERVICES[source.service];
  return rowsOn(design, source.id)
    .filter((l) => l.chargerId === null)
    .reduce((sum, l) => sum + (vaOf(design, l) / (volts * legs)) * Math.min(1, (l.hours[living.id] ?? 0) / there), 0);
}

/**
 * Amps AC a charger may take in a span: what is typed there, and no more than the inlet or the generator leaves beside the appliances on it;
 * several chargers share in proportion. Infinity: no limit is known.
 */
export function acFor(design: AcSupplyParts, living: Living, span: Span, output: Source): number {
  const charger = machineOfOutput(design.sources, output);
  const typed = span.level > 0 ? span.level : Infinity;
  const source = sourceOf(design, span);
  if (!source || spanH(span) <= 0) return typed;
  const { volts } = SERVICES[source.service];
  const limit = limitOf(design, source, null);
  const most = Math.min(limit.amps, limit.kva === null ? Infinity : (1000 * limit.kva) / (volts * limit.legs));
  const left = Math.max(0, most - appliancesA(design, living, source));
  const chargers = design.sources.filter((s) => s.kind === 'shore charger' && s.outputOf === null);
  const all = chargers.reduce((sum, s) => sum + chargerAcA(design, s), 0);
  const own = chargerAcA(design, charger);
  return Math.min(typed, all > left && own > 0 && chargers.includes(charger) ? (left * own) / all : left);
}

const SEPARATOR = '~';
/** The row of the load sheet a load of the day belongs to: an inverter's appliances stand for themselves. */
export function hostOf(loadId: string): string {
  const at = loadId.indexOf(SEPARATOR);
  return at < 0 ? loadId : loadId.slice(0, at);
}

/** Watts an inverter takes while nothing draws. */
export function restW(source: AcSource): number {
  const i = wholeInverter(source);
  if (!i || i.rest === 'switched off') return 0;
  return i.rest === 'sleeps' ? (i.sleepW ?? i.idleW) : i.idleW;
}

/** Hours an appliance runs on battery in a way of living: those beyond the hours there is shore or a generator it can reach. */
export function onBatteryH(design: AcSupplyParts, row: AcLoad, living: Living): number {
  const hours = Math.min(24, row.hours[living.id] ?? 0);
  const mains = design.acSources.some((s) => s.kind !== 'inverter' && rowsOn(design, s.id).includes(row)) ? mainsH(living) : 0;
  return Math.max(0, hours - mains);
}

/** AC watts of a row seen from the inverter's battery side: its efficiency, and its own idling where it is off otherwise. */
function batteryW(design: AcSupplyParts, inverter: AcSource, row: AcLoad): number {
  const i = wholeInverter(inverter);
  const awake = i?.rest === 'left on' ? 0 : (i?.idleW ?? 0);
  return row.watts / (i?.efficiency ?? 1) + awake;
}

const known = new WeakMap<readonly Load[], { readonly deps: readonly unknown[]; readonly loads: readonly Load[] }>();

/**
 * The loads of a day: an inverter's row on the load sheet gives way to the appliances behind it and to what it idles at. An appliance within
 * reach of several inverters counts on the first. Inverters without a row or without appliances leave everything as it is.
 */
export function dayLoads(design: DayLoadParts): readonly Load[] {
  const { loads } = design;
  const deps = partsRead(design, DAY_LOAD_READS);
  const before = known.get(loads);
  if (before?.deps.every((d, i) => d === deps[i])) return before.loads;
  const result = computed(design);
  known.set(loads, { deps, loads: result });
  return result;
}

function computed(design: DayLoadParts): readonly Load[] {
  const taken = new Set<string>();
  const extra: Load[] = [];
  const rests = new Map<string, number>();
  for (const source of design.acSources) {
    const host = source.inverter && rowOf(design.loads, source.inverter?.loadId);
    const rows = host ? rowsOn(design, source.id).filter((l) => !taken.has(l.id)) : [];
    if (!host || rows.length === 0) continue;
    rests.set(host.id, restW(source) / host.nominalV);
    for (const row of rows) {
      taken.add(row.id);
      const hours = Object.fromEntries(design.living.map((l) => [l.id, onBatteryH(design, row, l)]));
      if (Object.values(hours).every((h) => h <= 0)) continue;
      extra.push({
        ...host,
        id: `${host.id}${SEPARATOR}${row.id}`,
        name: `${row.name}, on the inverter`,
        quantity: 1,
        ratingBy: 'W',
        rating: batteryW(design, source, row),
        behaviour: 'power',
        hours,
        standbyA: null,
        when: {},
        mark: row.mark,
      });
    }
  }
  if (rests.size === 0) return design.loads;
  return [...design.loads.map((l) => (rests.has(l.id) ? { ...l, hours: {}, standbyA: rests.get(l.id) || null } : l)), ...extra];
}
