/** Measured days of a bank as they come from a file: read by columns, in order, gaps told, the sign of the current found (docs/methods.md, M19). */

export const COLUMNS = ['time', 'volts', 'amps', 'soc'] as const;
export type Column = (typeof COLUMNS)[number];
/** What else a file may hold: speed of the engine, 1/min; what a source gives, A, and volts at its terminals, by its id. */
export type Further = 'rpm' | `amps of ${string}` | `volts of ${string}`;
/** Which column of the file holds what; null: none does. */
export type Matching = Readonly<Record<Column, number | null>> & { readonly further: Readonly<Partial<Record<Further, number>>> };

export interface Measured {
  /** ms since 1970, rising. */
  readonly at: Float64Array;
  readonly volts: Float64Array;
  /** Into the bank. */
  readonly amps: Float64Array;
  /** 0 to 1; NaN where it was not said. */
  readonly soc: Float64Array;
  /** Of each time too; NaN where it was not said. */
  readonly further: Readonly<Partial<Record<Further, Float64Array>>>;
}

export interface Read {
  readonly series: Measured;
  readonly rows: number;
  /** Rows that were no reading. */
  readonly dropped: number;
  /** Steps back in time, or onto the same time: left out. */
  readonly back: number;
  /** Holes of more than three usual steps. */
  readonly gaps: readonly { readonly from: number; readonly to: number }[];
  /** Usual step, s. */
  readonly stepS: number;
  /** found: amps and volts rise together, or against each other; unclear: it is to be asked. */
  readonly sign: 'into the bank' | 'out of the bank' | 'unclear';
}

const NAMES: Readonly<Record<Column, RegExp>> = {
  time: /time|date|datum|stamp|zeit|uhr/i,
  volts: /volt|spannung|^u\b|^v\b|\(v\)/i,
  amps: /amp|current|strom|^i\b|^a\b|\(a\)/i,
  soc: /soc|charge|ladung|%/i,
};

const RPM = /rpm|revolution|engine speed|drehzahl|tr\/min/i;

/** What the heads suggest: shown, and changed by hand. @param sources that may have columns of their own, named by name or id. */
export function matchHeads(heads: readonly string[], sources: readonly { readonly id: string; readonly name: string }[] = []): Matching {
  const taken = new Set<number>();
  const further: Partial<Record<Further, number>> = {};
  const own = (key: Further, fits: (head: string) => boolean) => {
    const i = heads.findIndex((h, k) => !taken.has(k) && fits(h.trim()));
    if (i < 0) return;
    taken.add(i);
    further[key] = i;
  };
  own('rpm', (h) => RPM.test(h));
  for (const { id, name } of sources) {
    const its = (h: string) =>
      h.endsWith(` of ${id}`) || (name.trim() !== '' && h.toLowerCase().includes(name.trim().toLowerCase()) && !NAMES.time.test(h));
    own(`amps of ${id}`, (h) => its(h) && NAMES.amps.test(h));
    own(`volts of ${id}`, (h) => its(h) && NAMES.volts.test(h));
  }
  const find = (c: Column): number | null => {
    const i = heads.findIndex((h, k) => !taken.has(k) && NAMES[c].test(h.trim()));
    if (i < 0) return null;
    taken.add(i);
    return i;
  };
  return { time: find('time'), volts: find('volts'), amps: find('amps'), soc: find('soc'), further };
}

/** A time as it is written: ISO, "2026-05-31 14:00", s or ms since 1970; NaN: none. Without a zone it is UTC. */
export function timeOf(text: string): number {
  const t = text.trim();
  if (/^\d{10}(\.\d+)?$/.test(t)) return Number(t) * 1000;
  if (/^\d{13}$/.test(t)) return Number(t);
  const iso = /^(\d{4}-\d{2}-\d{2})[T ](\d{2}:\d{2}(?::\d{2}(?:\.\d+)?)?)(Z|[+-]\d{2}:?\d{2})?$/.exec(t);
  return iso ? Date.parse(`${iso[1] ?? ''}T${iso[2] ?? ''}${iso[3] ?? 'Z'}`) : NaN;
}

/** A figure with a point or a comma; NaN: none. */
const figure = (text: string | undefined): number => {
  const t = (text ?? '').trim().replace(',', '.');
  return t === '' ? NaN : Number(t);
};

const LEAST_TOGETHER = 0.2;
/** Pairs looked at for the sign, at the most. */
const MOST_PAIRS = 50_000;

/** Correlation of the changes of volts and amps from one reading to the next. */
function together(volts: Float64Array, amps: Float64Array): number {
  let [n, sv, sa, svv, saa, sva] = [0, 0, 0, 0, 0, 0];
  const step = Math.max(1, Math.floor(volts.length / MOST_PAIRS));
  for (let i = step; i < volts.length; i += step) {
    const dv = (volts[i] ?? 0) - (volts[i - step] ?? 0);
    const da = (amps[i] ?? 0) - (amps[i - step] ?? 0);
    n++;
    sv += dv;
    sa += da;
    svv += dv * dv;
    saa += da * da;
    sva += dv * da;
  }
  const [vv, aa] = [svv - (sv * sv) / n, saa - (sa * sa) / n];
  return vv > 0 && aa > 0 ? (sva - (sv * sa) / n) / Math.sqrt(vv * aa) : 0;
}

/**
 * Rows as a spreadsheet has them, without the heads.
 * @param turn the amps of the file run out of the bank: they are turned; null: as is found.
 */
export function readRows(rows: readonly (readonly string[])[], match: Matching, turn: boolean | null = null): Read {
  const most = rows.length;
  const [at, volts, amps, soc] = [new Float64Array(most), new Float64Array(most), new Float64Array(most), new Float64Array(most)];
  const more = (Object.entries(match.further) as [Further, number][]).map(([key, column]) => ({
    key,
    column,
    values: new Float64Array(most),
  }));
  let [n, dropped, back] = [0, 0, 0];
  const cell = (row: readonly string[], c: Column): string | undefined => (match[c] === null ? undefined : row[match[c]]);
  for (const row of rows) {
    const t = timeOf(cell(row, 'time') ?? '');
    const [u, i, s] = [figure(cell(row, 'volts')), figure(cell(row, 'amps')), figure(cell(row, 'soc'))];
    if (!Number.isFinite(t) || !Number.isFinite(u) || !Number.isFinite(i)) {
      dropped++;
      continue;
    }
    if (n > 0 && t <= (at[n - 1] ?? 0)) {
      back++;
      continue;
    }
    at[n] = t;
    volts[n] = u;
    amps[n] = i;
    soc[n] = s > 1.5 ? s / 100 : s;
    for (const { column, values } of more) values[n] = figure(row[column]);
    n++;
  }
  const further = Object.fromEntries(more.map(({ key, values }) => [key, values.slice(0, n)]));
  const cut = { at: at.slice(0, n), volts: volts.slice(0, n), amps: amps.slice(0, n), soc: soc.slice(0, n), further };
  const corr = together(cut.volts, cut.amps);
  const sign = corr > LEAST_TOGETHER ? 'into the bank' : corr < -LEAST_TOGETHER ? 'out of the bank' : 'unclear';
  if (turn ?? sign === 'out of the bank') for (let k = 0; k < n; k++) cut.amps[k] = -(cut.amps[k] ?? 0);
  const steps = Array.from({ length: Math.max(0, n - 1) }, (_, k) => (cut.at[k + 1] ?? 0) - (cut.at[k] ?? 0)).sort((a, b) => a - b);
  const usual = steps[Math.floor(steps.length / 2)] ?? 60_000;
  const gaps: { from: number; to: number }[] = [];
  for (let k = 1; k < n; k++) {
    const [from, to] = [cut.at[k - 1] ?? 0, cut.at[k] ?? 0];
    if (to - from > 3 * usual) gaps.push({ from, to });
  }
  return { series: cut, rows: most, dropped, back, gaps, stepS: usual / 1000, sign };
}

/** Readings as they were heard, as a series: what tells no volts or no amps is left out, and what runs back in time. Amps into the bank, charge 0 to 1. */
export function ofHeard(
  heard: readonly { readonly at: number; readonly volts: number | null; readonly amps: number | null; readonly soc: number | null }[],
): Measured {
  let last = -Infinity;
  const told = heard.filter((h) => {
    const is = h.volts !== null && h.amps !== null && h.at > last;
    if (is) last = h.at;
    return is;
  });
  const list = (of: (h: (typeof told)[number]) => number | null) => Float64Array.from(told, (h) => of(h) ?? NaN);
  return { at: list((h) => h.at), volts: list((h) => h.volts), amps: list((h) => h.amps), soc: list((h) => h.soc), further: {} };
}

/** As it is kept: time in s, volts, amps into the bank, charge, what else there is; one reading a line. What was left out on reading stays out. */
export function asCsv({ at, volts, amps, soc, further }: Measured): string {
  const more = Object.values(further).filter((x) => x !== undefined);
  const written = (x: number, digits: number) => (Number.isFinite(x) ? `${Number(x.toFixed(digits))}` : '');
  const lines = [['time', 'volts', 'amps', 'soc', ...Object.keys(further)].join()];
  for (let k = 0; k < at.length; k++) {
    lines.push(
      [
        written((at[k] ?? 0) / 1000, 1),
        written(volts[k] ?? 0, 3),
        written(amps[k] ?? 0, 3),
        written(soc[k] ?? NaN, 4),
        ...more.map((values) => written(values[k] ?? NaN, 3)),
      ].join(),
    );
  }
  return `${lines.join('\n')}\n`;
}
