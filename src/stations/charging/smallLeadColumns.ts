/** Columns of the small leads: what each is for, where it ends, its fuse and diode, its run against its maker's longest, what is lost in it. */
import type { SmallLeadResult } from '@/core/charging';
import { type Design, madeUp, parseSize, SMALL_PURPOSES, type SmallLead } from '@/core/design';
import { bare, parseChoice, parseOptional, round3, show, sizeName, unitOf } from '@/core/quantity';
import { cellsOf, map } from '@/ui/sheet/cells';
import type { Column } from '@/ui/sheet/types';

export interface SmallLeadRow extends SmallLead {
  readonly result: SmallLeadResult | undefined;
}

type Ended = Pick<Design, 'banks' | 'panels' | 'places' | 'sources' | 'boat'>;

export function smallLeadColumns(design: Ended): Column<SmallLeadRow>[] {
  const units = design.boat;
  const c = cellsOf<SmallLeadRow>(units);
  const ends = [
    ...design.banks.map((b) => ({ to: { kind: 'bank' as const, id: b.id }, name: b.name })),
    ...design.panels.map((p) => ({ to: { kind: 'panel' as const, id: p.id }, name: p.name })),
    ...design.places.map((p) => ({ to: { kind: 'place' as const, id: p.id }, name: p.name })),
  ];
  const endOf = (r: SmallLeadRow) => ends.find((e) => e.to.kind === r.to?.kind && e.to.id === r.to.id);
  return [
    c.words('name', 'lead', 230, 'One row is one small conductor, or one cable of its maker', true),
    c.choice('purpose', 'for', SMALL_PURPOSES, 96, 'What it is for: rules and colours go by it'),
    c.thing('sourceId', 'of', design.sources, 150, 'The machine it belongs to; empty: a gauge’s'),
    {
      key: 'to',
      title: 'to',
      hint: 'Its other end: a bank, a panel, a place',
      width: 128,
      options: ends.map((e) => e.name),
      text: (r) => endOf(r)?.name ?? '',
      show: (r) => (r.to === null ? 'not said' : (endOf(r)?.name ?? 'gone')),
      tone: (r) => (r.to !== null && !endOf(r) ? 'breaks' : undefined),
      write: (_, text) =>
        text.trim() === ''
          ? { ok: true, value: { to: null } }
          : map(
              parseChoice(
                text,
                ends.map((e) => e.name),
              ),
              (name) => ({ to: ends.find((e) => e.name === name)?.to ?? null }),
            ),
    },
    c.optional('fuseA', 'fuse, A', 'A', 0.1, 30, 58, 'In line, right at the tap; empty: none'),
    c.yesNo('diode', 'diode', 48, 'So that nothing feeds back'),
    {
      key: 'lengthM',
      title: 'run',
      unit: unitOf('m', units).name,
      hint: 'One way. A typed length is a taped one; empty goes back to the estimate',
      width: 52,
      align: 'right',
      mono: true,
      text: (r) => bare(r.lengthM, 'm', units),
      show: (r) => (r.result ? show(r.result.lengthM, 'm', units).replace(/ .*/, '') : '–'),
      tone: (r) => (r.mostM !== null && (r.result?.lengthM ?? 0) > r.mostM ? 'breaks' : r.lengthM === null ? 'estimated' : 'measured'),
      sort: (r) => r.result?.lengthM ?? 0,
      write: (_, text) => map(parseOptional(text, 'm', units, 0.05, 120), (lengthM) => ({ lengthM })),
    },
    c.optional('mostM', 'at most', 'm', 0.05, 120, 56, 'The longest its maker allows; empty: not read'),
    {
      key: 'size',
      title: 'wire',
      hint: 'The least of the school; type a size of your own, empty to go back',
      width: 92,
      mono: true,
      text: (r) => (r.size ? sizeName(r.size.school, r.size.size) : ''),
      show: (r) =>
        r.result?.conductor ? sizeName(r.result.conductor.school, r.result.conductor.size) : madeUp(r.purpose) ? 'its maker’s' : '–',
      tone: (r) => (r.size ? 'pinned' : undefined),
      write: (_, text) => (text.trim() === '' ? { ok: true, value: { size: null } } : map(parseSize(text, units), (size) => ({ size }))),
    },
    {
      ...c.optional('amps', 'A', 'A', 0, 30, 52, 'What it carries; empty: typical of what it is for'),
      show: (r) => (r.result ? round3(r.result.amps) : '–'),
      tone: (r) => (r.amps === null ? 'estimated' : 'measured'),
    },
    {
      key: 'drop',
      title: 'loses, mV',
      hint: 'In the one conductor. What a sense lead loses, the battery is charged too high by',
      width: 68,
      align: 'right',
      mono: true,
      text: (r) => (r.result?.conductor ? round3(1000 * r.result.dropV) : '–'),
      sort: (r) => r.result?.dropV ?? 0,
    },
    c.words('note', 'note', 160, 'Terminals, colours as found, anything', false, 2000),
  ];
}
