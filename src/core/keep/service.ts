/** What a boat wants looked at, when it was last done, and when it is due (docs/methods.md, M19). Intervals are typical; the makers' rule. */
import { asDecided, type BoatRecord, type Design, kindOf, rowOf } from '../design';
import { findFamily } from '../rules';

export interface ServiceItem {
  readonly id: string;
  readonly what: string;
  readonly everyMonths: number;
  readonly why: string;
}

export interface Due extends ServiceItem {
  /** When it was last done, ms; null: nobody has said. */
  readonly last: number | null;
  /** When it is due, ms. Never done: now. */
  readonly due: number;
  readonly overdue: boolean;
}

const item = (id: string, what: string, everyMonths: number, why: string): ServiceItem => ({ id, what, everyMonths, why });

/** Only what this boat has. */
export function serviceItems(whole: Design): readonly ServiceItem[] {
  const design = asDecided(whole);
  const wet = new Set(design.places.filter((p) => p.wet).map((p) => p.id));
  return [
    ...design.banks.flatMap((b) => [
      item(`torque-${b.id}`, `torque of the posts of ${b.name}`, 12, 'lugs settle: the first time after 50 hours of use, then once a year'),
      item(`capacity-${b.id}`, `capacity test of ${b.name}`, b.chemistry === 'lfp' ? 24 : 12, 'what it holds now, not what its label says'),
      ...(b.chemistry === 'flooded'
        ? [item(`water-${b.id}`, `water of ${b.name}`, 2, 'plates that fall dry are lost; more often in the heat')]
        : []),
    ]),
    ...design.panels
      // Fuses are not worked by hand.
      .filter((p) => findFamily(p.family ?? '')?.kind === 'breaker')
      .map((p) => item(`exercise-${p.id}`, `every breaker of ${p.name} worked by hand`, 6, 'contacts and springs that never move stick')),
    ...design.places
      .filter((p) => wet.has(p.id))
      .map((p) => item(`corrosion-${p.id}`, `ends and plugs in ${p.name} looked at`, 6, 'it is wet there: green first, then warm')),
    ...design.sources.flatMap((s) => [
      ...(s.kind === 'alternator'
        ? [item(`belt-${s.id}`, `belt and brushes of ${s.name}`, 12, 'dust under the belt, a shine on its flanks, play')]
        : []),
      ...(s.regulator.sensor !== 'none'
        ? [item(`sensor-${s.id}`, `temperature sensor of ${s.name}`, 12, 'one that is off its post reads the air')]
        : []),
    ]),
    ...design.acSources.flatMap((s) => [
      ...(s.kind !== 'inverter'
        ? [item(`trip-${s.id}`, `residual device of ${s.name}, by its button`, 1, 'one that sticks protects nobody')]
        : []),
      ...(s.kind === 'shore' ? [item(`cord-${s.id}`, `ends of the cord of ${s.name}`, 6, 'brown pins, soft plastic: new ones')] : []),
      ...(s.shore?.isolation === 'galvanic isolator'
        ? [item(`isolator-${s.id}`, `galvanic isolator of ${s.name}`, 12, 'a shorted one is none, an open one is no earth')]
        : []),
    ]),
    ...(design.acCircuits.length > 0
      ? [item('insulation', 'insulation of the AC circuits', 24, 'damp and chafe, before a leak is felt')]
      : []),
    ...design.gauges
      .filter((g) => g.kind === 'counting')
      .map((g) => item(`zero-${g.id}`, `zero of ${g.name}`, 12, 'a tenth of an ampere is 2.4 Ah a day')),
    ...(design.gauges.length > 0 ? [item('alarms', 'every alarm proved', 6, 'one nobody has heard for a year is not believed')] : []),
    ...design.loads
      .filter((l) => kindOf(l) === 'bilge pump')
      .map((l) => item(`bilge-${l.id}`, `${l.name}: float lifted by hand`, 1, 'the pump that is needed once must run that once')),
    ...design.loads
      .filter((l) => ['gas alarm', 'smoke alarm', 'high-water alarm'].includes(kindOf(l)))
      .map((l) => item(`alarm-${l.id}`, `${l.name}: tested`, 3, 'by its button or test gas, as its maker says')),
  ];
}

/** A month later or more, by the calendar. */
export function addMonths(at: number, months: number): number {
  const d = new Date(at);
  const day = d.getUTCDate();
  d.setUTCDate(1);
  d.setUTCMonth(d.getUTCMonth() + months);
  const last = new Date(Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + 1, 0)).getUTCDate();
  d.setUTCDate(Math.min(day, last));
  return d.getTime();
}

/** @param records in any order; what was done last counts. @param now ms. */
export function servicePlan(design: Design, records: readonly BoatRecord[], now: number): readonly Due[] {
  const last = new Map<string, number>();
  for (const r of records)
    if (r.kind === 'entry' && r.thing.startsWith('service:')) {
      const id = r.thing.slice(8);
      last.set(id, Math.max(last.get(id) ?? 0, r.at));
    }
  return serviceItems(design)
    .map((i): Due => {
      const done = last.get(i.id) ?? null;
      const due = done === null ? now : addMonths(done, i.everyMonths);
      return { ...i, last: done, due, overdue: due <= now };
    })
    .sort((a, b) => a.due - b.due || a.what.localeCompare(b.what));
}

/** What a record is about, as a person would say it. */
export function thingName(design: Design, thing: string): string {
  const [kind = '', rest = ''] = [thing.slice(0, thing.indexOf(':')), thing.slice(thing.indexOf(':') + 1)];
  const id = rest.split(/[.:]/)[0] ?? rest;
  const row =
    rowOf(design.circuits, id) ??
    rowOf(design.leads, id) ??
    rowOf(design.loads, id) ??
    rowOf(design.banks, id) ??
    rowOf(design.panels, id) ??
    rowOf(design.sources, id) ??
    rowOf(design.acSources, id) ??
    rowOf(design.places, id) ??
    rowOf(design.acCircuits, id);
  if (kind === 'service') return serviceItems(design).find((i) => i.id === rest)?.what ?? 'service';
  return row?.name ?? (kind === 'boat' ? design.boat.name : '');
}
