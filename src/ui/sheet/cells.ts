/** Kinds of cell the AC sheets share. */
import type { Design } from '@/core/design';
import { bare, type Kind, parseChoice, type Parsed, parseNumber, parseOptional, parseYesNo, type Units } from '@/core/quantity';
import type { Column, Tone } from './types';

export const map = <A, B>(parsed: Parsed<A>, to: (value: A) => B): Parsed<B> =>
  parsed.ok ? { ok: true, value: to(parsed.value) } : parsed;

type Named = { readonly id: string; readonly name: string };

/** Cells of rows of one kind, each by the field it stands for. */
export function cellsOf<Row extends { readonly id: string }>(units: Units) {
  type Key = keyof Row & string;
  const patch = (key: Key, value: unknown): Partial<Row> => ({ [key]: value }) as Partial<Row>;
  const at = (r: Row, key: Key): unknown => r[key];
  return {
    words: (key: Key, title: string, width: number, hint: string, needed = false, most = 120): Column<Row> => ({
      key,
      title,
      hint,
      width,
      text: (r) => String(at(r, key)),
      write: (_, text) => {
        const clean = text.trim();
        if (needed && clean === '') return { ok: false, message: 'a name is needed' };
        return clean.length > most ? { ok: false, message: `at most ${most} letters` } : { ok: true, value: patch(key, clean) };
      },
    }),
    figure: (
      key: Key,
      title: string,
      kind: Kind,
      low: number,
      high: number,
      width: number,
      hint: string,
      more: Partial<Row> = {},
    ): Column<Row> => ({
      key,
      title,
      hint,
      width,
      align: 'right',
      mono: true,
      text: (r) => bare(at(r, key) as number, kind, units),
      sort: (r) => at(r, key) as number,
      write: (_, text) => map(parseNumber(text, kind, units, low, high), (value) => ({ ...patch(key, value), ...more })),
    }),
    optional: (
      key: Key,
      title: string,
      kind: Kind,
      low: number,
      high: number,
      width: number,
      hint: string,
      tone?: (r: Row) => Tone,
    ): Column<Row> => ({
      key,
      title,
      hint,
      width,
      align: 'right',
      mono: true,
      text: (r) => bare(at(r, key) as number | null, kind, units),
      sort: (r) => (at(r, key) as number | null) ?? -1,
      ...(tone ? { tone } : {}),
      write: (_, text) => map(parseOptional(text, kind, units, low, high), (value) => patch(key, value)),
    }),
    choice: (key: Key, title: string, options: readonly string[], width: number, hint: string): Column<Row> => ({
      key,
      title,
      hint,
      width,
      options,
      text: (r) => String(at(r, key)),
      write: (_, text) => map(parseChoice(text, options), (value) => patch(key, value)),
    }),
    yesNo: (key: Key, title: string, width: number, hint: string): Column<Row> => ({
      key,
      title,
      hint,
      width,
      yesNo: true,
      options: ['yes', 'no'],
      text: (r) => (at(r, key) ? 'yes' : 'no'),
      show: (r) => (at(r, key) ? 'yes' : '·'),
      write: (_, text) => map(parseYesNo(text), (value) => patch(key, value)),
    }),
    /** One of the boat's own things, by its name; empty: none. */
    thing: (key: Key, title: string, things: readonly Named[], width: number, hint: string): Column<Row> => ({
      key,
      title,
      hint,
      width,
      options: things.map((t) => t.name),
      text: (r) => things.find((t) => t.id === at(r, key))?.name ?? '',
      write: (_, text) =>
        text.trim() === ''
          ? { ok: true, value: patch(key, null) }
          : map(
              parseChoice(
                text,
                things.map((t) => t.name),
              ),
              (name) => patch(key, things.find((t) => t.name === name)?.id ?? null),
            ),
    }),
  };
}

/** Hours a day, a column for each way of living. */
export const hoursColumns = <Row extends { readonly id: string; readonly hours: Readonly<Record<string, number>> }>(
  design: Pick<Design, 'living' | 'boat'>,
): Column<Row>[] =>
  design.living.map((way) => ({
    key: `hours-${way.id}`,
    title: way.name,
    unit: 'h',
    hint: `Hours a day ${way.name}`,
    width: 92,
    align: 'right',
    mono: true,
    text: (r) => bare(r.hours[way.id] ?? 0, 'h', design.boat),
    show: (r) => (r.hours[way.id] ? bare(r.hours[way.id] ?? 0, 'h', design.boat) : '·'),
    sort: (r) => r.hours[way.id] ?? 0,
    write: (r, text) =>
      map(
        parseOptional(text, 'h', design.boat, 0, 24),
        (value) => ({ hours: { ...r.hours, [way.id]: value ?? 0 } }) as unknown as Partial<Row>,
      ),
  }));
