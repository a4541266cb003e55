/** Measured days read from a file, held beside the boat's own and learned from, off the pointer's thread. */
import { expose } from 'comlink';
import Papa from 'papaparse';
import type { Design, Source } from '@/core/design';
import {
  asCsv,
  besideDays,
  type DayBeside,
  learn,
  type Learned,
  type Matching,
  matchHeads,
  type Measured,
  type Read,
  readRows,
  type Residual,
  residuals,
  type Stretch,
  stretchOf,
} from '@/core/measured';

export interface Heads {
  readonly heads: readonly string[];
  readonly match: Matching;
  readonly rows: number;
  readonly first: readonly (readonly string[])[];
}

export interface MeasuredAnswer {
  readonly read: Omit<Read, 'series'>;
  readonly days: readonly DayBeside[];
  readonly learned: Learned;
  readonly residuals: readonly Residual[];
  readonly from: number;
  readonly to: number;
}

let rows: string[][] = [];
let heads: string[] = [];
/** As it was last read by its columns. */
let last: Measured | null = null;
/** What they were last held beside: a stretch is of the same design and bank as the days that are told. */
let beside: { readonly design: Design; readonly bankId: string; readonly days: readonly DayBeside[] } | null = null;

/** A source that may have columns of its own. */
type Named = Pick<Source, 'id' | 'name'>;

/** What the deltas tell of a source, by its id: groups of the model in which sources stand. */
const SOURCE_GROUPS = ['alternators', 'solar', 'chargers', 'inverters'];
/** Turns a second of an engine, whatever it is called. */
const TURNS = /^propulsion\.[^.]+\.revolutions$/;

/** JSON deltas, one a line, as rows of a spreadsheet; null: it is none. */
function ofDeltas(text: string, bankId: string, sources: readonly Named[]): string[][] | null {
  const out: string[][] = [['time', 'volts', 'amps', 'soc', 'rpm', ...sources.flatMap(({ id }) => [`amps of ${id}`, `volts of ${id}`])]];
  for (const line of text.split('\n')) {
    let value: { updates?: { timestamp?: string; values?: { path?: string; value?: unknown }[] }[] };
    try {
      value = JSON.parse(line) as typeof value;
    } catch {
      continue;
    }
    for (const u of value.updates ?? []) {
      const of = (tail: string): string => {
        const x = u.values?.find((w) => w.path === `electrical.batteries.${bankId}.${tail}`)?.value;
        return typeof x === 'number' ? String(x) : '';
      };
      const figure = (fits: (path: string) => boolean, times = 1): string => {
        const x = u.values?.find((w) => fits(w.path ?? ''))?.value;
        return typeof x === 'number' ? String(times * x) : '';
      };
      const its = (id: string, tail: string) => figure((p) => SOURCE_GROUPS.some((g) => p === `electrical.${g}.${id}.${tail}`));
      out.push([
        u.timestamp ?? '',
        of('voltage'),
        of('current'),
        of('capacity.stateOfCharge'),
        figure((p) => TURNS.test(p), 60),
        ...sources.flatMap(({ id }) => [its(id, 'current'), its(id, 'voltage')]),
      ]);
    }
  }
  if (out.length < 2) return null;
  // A column that says nothing is none.
  const there = (out[0] ?? []).map((_, c) => c < FIRST_COLUMNS || out.some((row, r) => r > 0 && row[c] !== ''));
  return out.map((row) => row.filter((_, c) => there[c]));
}
const FIRST_COLUMNS = 4;

const api = {
  /** Takes a file in. @param sources that may have columns of their own. @param told how far it is, 0 to 1. */
  async take(file: File, bankId: string, sources: readonly Named[], told: (part: number) => void): Promise<Heads> {
    const deltas = (await file.slice(0, 64).text()).trimStart().startsWith('{') ? ofDeltas(await file.text(), bankId, sources) : null;
    if (deltas) [heads = [], ...rows] = deltas;
    else {
      rows = [];
      heads = [];
      await new Promise<void>((resolve, reject) => {
        Papa.parse<string[], File>(file, {
          skipEmptyLines: true,
          chunk: ({ data, meta }) => {
            for (const row of data) {
              if (heads.length === 0) heads = row;
              else rows.push(row);
            }
            told(meta.cursor / Math.max(1, file.size));
          },
          complete: () => resolve(),
          error: reject,
        });
      });
    }
    return { heads, match: matchHeads(heads, sources), rows: rows.length, first: rows.slice(0, 3) };
  },
  /** Reads it by its columns, and answers. */
  answer(design: Design, bankId: string, match: Matching, turn: boolean | null): MeasuredAnswer {
    const { series, ...read } = readRows(rows, match, turn);
    last = series;
    const days = besideDays(design, bankId, series);
    beside = { design, bankId, days };
    const learned = learn(design, bankId, series);
    return {
      read: { ...read, gaps: read.gaps.slice(0, 50) },
      days,
      learned,
      residuals: residuals(design, bankId, series, days, learned),
      from: series.at[0] ?? 0,
      to: series.at[series.at.length - 1] ?? 0,
    };
  },
  /** A stretch of what was last answered. @param from, to ms. null: nothing was read. */
  stretch: (from: number, to: number): Stretch | null =>
    last && beside && stretchOf(beside.design, beside.bankId, last, beside.days, from, to),
  /** What was last read as a gzipped CSV; null: nothing was. */
  async folded(): Promise<Uint8Array | null> {
    if (!last) return null;
    const stream = new Blob([asCsv(last)]).stream().pipeThrough(new CompressionStream('gzip'));
    return new Uint8Array(await new Response(stream).arrayBuffer());
  },
  /** Takes in what was kept. */
  async unfold(bytes: ArrayBuffer, sources: readonly Named[], told: (part: number) => void): Promise<Heads> {
    const stream = new Blob([bytes]).stream().pipeThrough(new DecompressionStream('gzip'));
    return api.take(new File([await new Response(stream).blob()], 'kept.csv'), '', sources, told);
  },
};

export type MeasuredApi = typeof api;
expose(api);
