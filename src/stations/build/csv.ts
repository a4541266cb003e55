import type { CutList } from '@/core';
import type { Held } from '@/core/build';
import { toCsv } from '@/core/format';
import { bare, unitOf, type Units } from '@/core/quantity';

/** The whole cut list as one CSV: what kind of line it is stands in the first column. */
export function cutListCsv(list: CutList, units: Units, held: Held): string {
  const metres = unitOf('m', units).name;
  const mass = unitOf('kg', units).name;
  const head = [
    'line',
    'label or item',
    'size',
    'colour',
    `length, ${metres}`,
    'taped',
    'from end',
    'far end',
    'count',
    `mass, ${mass}`,
    'note',
  ];
  const length = (m: number) => Number(bare(m, 'm', units)).toFixed(2);
  const counts = (line: string, rows: readonly { item: string; count: number; note: string }[]) =>
    rows.map((r) => [line, r.item, '', '', '', '', '', '', String(r.count), '', r.note]);
  return toCsv([
    head,
    ...held.stops.map((f) => ['NOT TO BE BUILT', f.title, '', '', '', '', '', '', '', '', f.todo]),
    ...list.cuts.map((c) => [
      'piece',
      c.label,
      c.size,
      c.colour,
      length(c.lengthM),
      c.taped ? 'yes' : 'no',
      c.fromEnd,
      c.toEnd,
      '1',
      '',
      [...(held.against.get(c.circuitId) ?? []).map((f) => `NOT TO BE CUT: ${f.title}`), ...(c.note ? [c.note] : [])].join('; '),
    ]),
    ...list.reels.map((r) => [
      'cable',
      '',
      r.size,
      r.colour,
      length(r.netM),
      r.estimated ? 'no' : 'yes',
      '',
      '',
      String(r.pieces),
      Number(bare(r.massKg, 'kg', units)).toFixed(2),
      `to order ${length(r.orderM)} ${metres}`,
    ]),
    ...counts('terminal', list.terminals),
    ...counts('heat shrink', list.shrink),
    ...counts('protection', list.protection),
    ...counts('bus bar', list.bars),
    ...counts('maker’s own cable', list.makers),
    ...counts('label', list.labels),
    [
      'total',
      '',
      '',
      '',
      length(list.totalM),
      '',
      '',
      '',
      String(list.cuts.length),
      Number(bare(list.totalKg, 'kg', units)).toFixed(2),
      '',
    ],
  ]);
}
