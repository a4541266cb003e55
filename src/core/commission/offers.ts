/** What readings say of the design: figures they may replace, offered and never taken; and tests that stay open, as findings. */
import { type About, type BoatRecord, type Design, type Finding, type Op, rowOf, setOp } from '../design';
import type { TestLine } from './line';

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

/** A reading must differ by this to be worth taking. */
const LEAST_PART = 0.03;
const amps = (x: number): string => `${Number(x.toPrecision(3))} A`;

/** What the readings would put in the place of what was estimated, typical or the maker's: a load's amps; one load alone on its tap. */
export function offersOf(design: Design, records: readonly BoatRecord[]): readonly Offer[] {
  const last = lastReadings(records);
  return design.circuits.flatMap((c) =>
    c.taps.flatMap((t): readonly Offer[] => {
      const read = last.get(`amps.${c.id}.${t.id}`);
      const load = t.serves.kind === 'load' ? rowOf(design.loads, t.serves.id) : undefined;
      if (!read || !Number.isFinite(read.value) || read.value <= 0 || !load) return [];
      const each = read.value / load.quantity;
      const now = load.ratingBy === 'A' ? load.rating : load.rating / load.nominalV;
      if (Math.abs(each - now) <= LEAST_PART * now && load.mark === 'measured') return [];
      const rating = Number((load.ratingBy === 'A' ? each : each * load.nominalV).toPrecision(4));
      return [
        {
          id: `load.${load.id}`,
          what: `what ${load.name} draws`,
          was: `${amps(now)}, ${load.mark}`,
          is: `${amps(each)}, measured`,
          at: read.at,
          ops: [setOp(design, ['loads', load.id, 'rating'], rating), setOp(design, ['loads', load.id, 'mark'], 'measured')].flatMap(
            (op) => op ?? [],
          ),
        },
      ];
    }),
  );
}

/** What a test is of, from its id. */
function aboutOf(design: Design, id: string): About {
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
