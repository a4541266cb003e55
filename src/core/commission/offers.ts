/** What readings say of the design: figures they may replace, offered and never taken; and tests that stay open, as findings. */
import { type About, type BoatRecord, type Design, type Finding, type Op, rowOf, setOp } from '../design';
import { bankSource } from '../bank';
import { show } from '../quantity';
import type { TestLine } from './line';
import type { Element } from './path';

export interface Offer {
  readonly id: string;
  readonly what: string;
  /** As it stands with where it came from, and as it was read. */
  readonly was: string;
  readonly is: string;
  readonly at: number;
  readonly ops: readonly Op[];
}

interface Last {
  readonly value: number;
  readonly atA: number | null;
  readonly verdict: string;
  readonly at: number;
}

/** The last reading of each test, by its id. */
export function lastReadings(records: readonly BoatRecord[]): ReadonlyMap<string, Last> {
  const out = new Map<string, Last>();
  for (const r of records) {
    if (r.kind !== 'reading' || !r.thing.startsWith('test:')) continue;
    const id = r.thing.slice(5);
    if (r.at < (out.get(id)?.at ?? 0)) continue;
    const { value, atA, verdict } = r.body;
    out.set(id, {
      value: typeof value === 'number' ? value : NaN,
      atA: typeof atA === 'number' ? atA : null,
      verdict: typeof verdict === 'string' ? verdict : '',
      at: r.at,
    });
  }
  return out;
}

/** A reading must differ by this part to be worth taking. */
const LEAST_PART = 0.03;
const amps = (x: number): string => `${Number(x.toPrecision(3))} A`;

/** What the readings would put in the place of what was estimated, typical or the maker's. @param sheet of the design as it is. */
export function offersOf(design: Design, sheet: readonly TestLine[], records: readonly BoatRecord[]): readonly Offer[] {
  const last = lastReadings(records);
  return [...drawn(design, last), ...ofParts(design, sheet, last), ...ofBanks(design, last)];
}

type Readings = ReturnType<typeof lastReadings>;
const done = (ops: readonly (Op | undefined)[]): readonly Op[] => ops.flatMap((op) => op ?? []);
const fine = (x: number): number => Number(x.toPrecision(4));
/** Read over amps, mohm; null: nothing that can be divided. */
const mohmOf = (read: Last | undefined): number | null =>
  read && read.atA !== null && read.atA > 0 && Number.isFinite(read.value) && read.value > 0 ? read.value / read.atA : null;

/** A load's amps; one load alone on its tap. */
function drawn(design: Design, last: Readings): readonly Offer[] {
  return design.circuits.flatMap((c) =>
    c.taps.flatMap((t): readonly Offer[] => {
      const read = last.get(`amps.${c.id}.${t.id}`);
      const load = t.serves.kind === 'load' ? rowOf(design.loads, t.serves.id) : undefined;
      if (!read || !Number.isFinite(read.value) || read.value <= 0 || !load) return [];
      const each = read.value / load.quantity;
      const now = load.ratingBy === 'A' ? load.rating : load.rating / load.nominalV;
      if (Math.abs(each - now) <= LEAST_PART * now && load.mark === 'measured') return [];
      return [
        {
          id: `load.${load.id}`,
          what: `what ${load.name} draws`,
          was: `${amps(now)}, ${load.mark}`,
          is: `${amps(each)}, measured`,
          at: read.at,
          ops: done([
            setOp(design, ['loads', load.id, 'rating'], fine(load.ratingBy === 'A' ? each : each * load.nominalV)),
            setOp(design, ['loads', load.id, 'mark'], 'measured'),
          ]),
        },
      ];
    }),
  );
}

/** Of a path read part by part: the resistance of each device, and how long a cable is by its own. */
function ofParts(design: Design, sheet: readonly TestLine[], last: Readings): readonly Offer[] {
  const seen = new Set<string>();
  return sheet.flatMap((line): readonly Offer[] => {
    const read = last.get(line.id);
    const mohm = mohmOf(read);
    const parts = line.id.startsWith('part.') ? (line.drop?.elements ?? []) : [];
    const [first] = parts;
    // The same switch stands on the way to several loads: once.
    if (!read || mohm === null || !first || seen.has(first.id)) return [];
    const offer = first.kind === 'device' ? ofDevice(design, first, mohm, read.at) : ofCable(design, parts, mohm, read.at);
    if (!offer) return [];
    seen.add(first.id);
    return [offer];
  });
}

function ofDevice(design: Design, e: Element, mohm: number, at: number): Offer | null {
  const c = rowOf(design.circuits, e.circuitId);
  if (!c || Math.abs(mohm - e.mohm) <= LEAST_PART * e.mohm) return null;
  const inline = c.devices.find((d) => e.id === `${c.id}.${d.id}`);
  const path = inline ? ['circuits', c.id, 'devices', inline.id, 'mohm'] : ['circuits', c.id, 'deviceMohm'];
  const known = inline ? inline.mohm : c.deviceMohm;
  return {
    id: `ohm.${e.id}`,
    what: `resistance of ${e.what}, contacts included`,
    was: `${fine(e.mohm)} mΩ, ${known === null ? 'typical' : 'as entered'}`,
    is: `${fine(mohm)} mΩ, measured`,
    at,
    ops: done([setOp(design, path, fine(mohm))]),
  };
}

/** A cable's ohms less its own two ends say how long it is; where a tape says otherwise the tape stands. */
function ofCable(design: Design, parts: readonly Element[], mohm: number, at: number): Offer | null {
  const copper = parts.find((e) => e.kind === 'copper');
  if (!copper || copper.lengthM === null || copper.mohm <= 0) return null;
  const c = rowOf(design.circuits, copper.circuitId);
  const tap = c?.taps.find((t) => copper.id.startsWith(`${c.id}.${t.id}`) && copper.id.length === c.id.length + t.id.length + 2);
  const own = parts.reduce((n, e) => n + e.mohm, 0) - copper.mohm;
  const lengthM = (copper.lengthM * (mohm - own)) / copper.mohm;
  if (!c || !tap || tap.tapedM !== null || lengthM < BOUNDS_M[0] || lengthM > BOUNDS_M[1]) return null;
  if (Math.abs(lengthM - copper.lengthM) <= LENGTH_PART * copper.lengthM) return null;
  return {
    id: `length.${c.id}.${tap.id}`,
    what: `length of the ${copper.what}, by its own ohms`,
    was: `${show(copper.lengthM, 'm', design.boat)}, estimated`,
    is: `${show(lengthM, 'm', design.boat)}, as if taped`,
    at,
    ops: done([setOp(design, ['circuits', c.id, 'taps', tap.id, 'tapedM'], fine(lengthM))]),
  };
}
/** A length by ohms is known to about this, and a run may be this long, m. */
const LENGTH_PART = 0.08;
const BOUNDS_M = [0.05, 120] as const;

/** A bank's own resistance from the fall of its posts. */
function ofBanks(design: Design, last: Readings): readonly Offer[] {
  return design.banks.flatMap((b): readonly Offer[] => {
    const read = last.get(`bankohm.${b.id}`);
    const mohm = mohmOf(read);
    const now = 1000 * bankSource(b).ohm;
    if (!read || mohm === null || Math.abs(mohm - now) <= LEAST_PART * now) return [];
    return [
      {
        id: `bank.${b.id}`,
        what: `resistance of ${b.name}`,
        was: `${fine(now)} mΩ, ${b.sheet.mohm === null ? 'typical' : 'as entered'}`,
        is: `${fine(mohm)} mΩ, measured`,
        at: read.at,
        ops: done([setOp(design, ['banks', b.id, 'sheet', 'mohm'], fine((mohm * b.strings) / b.series))]),
      },
    ];
  });
}

/** What a test, or what else was read, is of: from its id. */
export function aboutOf(design: Design, id: string): About {
  const parts = id.split('.');
  const lists = [
    ['circuit', design.circuits],
    ['bank', design.banks],
    ['source', design.sources],
    ['AC source', design.acSources],
    ['AC circuit', design.acCircuits],
    ['gauge', design.gauges],
  ] as const;
  for (const part of parts) for (const [kind, rows] of lists) if (rows.some((r) => r.id === part)) return { kind, id: part };
  return { kind: 'boat', id: 'boat' };
}

const RIGHT: ReadonlySet<string> = new Set(['pass', 'seen']);

/** Tests whose last reading was not right, as findings until they are repeated and are. @param sheet of the design as it is: what is no longer asked is no longer open. */
export function openTests(design: Design, sheet: readonly TestLine[], records: readonly BoatRecord[]): readonly Finding[] {
  const last = lastReadings(records);
  return sheet.flatMap((line): readonly Finding[] => {
    const read = last.get(line.id);
    if (!read || RIGHT.has(read.verdict)) return [];
    const figure = Number.isFinite(read.value) ? `${Number(read.value.toPrecision(4))} ${line.unit}, ` : '';
    return [
      {
        id: `test-open:${line.id}`,
        rule: 'test-open',
        severity: read.verdict === 'over the limit' || line.hazard !== '' ? 'fix' : 'note',
        about: aboutOf(design, line.id),
        title: `tested and not right: ${line.what}: ${figure}${read.verdict}`,
        why: line.working === '' ? 'It was read at the boat.' : `Expected: ${line.working}.`,
        todo: `${line.outside} Repeat it under Commission: it is open until it is right.`.trim(),
      },
    ];
  });
}
