/** The main side's columns: from, to, through what; what it carries and what that asks for. */
import type { BatteryCableResult } from '@/core';
import {
  type Bar,
  BAR_KINDS,
  blankDevice,
  type Design,
  type BatteryCable,
  type BatteryCableEnd,
  parseSize,
  parseThrough,
  RAILS,
  showThrough,
  rowOf,
} from '@/core/design';
import { type Ended, endName, endsOf } from '@/core/topology';
import { bare, parseChoice, parseOptional, round3, show, sizeName, unitOf } from '@/core/quantity';
import { STUDS } from '@/core/rules';
import type { Column } from '@/ui/sheet';

export interface LeadRow extends BatteryCable {
  readonly result: BatteryCableResult | undefined;
}

const studs = STUDS.map((s) => s.metric);

/** An end without its rail: the row says which. */
const label = (design: Ended, end: BatteryCableEnd): string => (endName(design, { rail: 'earth' }, end) ?? 'gone').replace(/ −$/, '');

function endColumn(design: Ended, key: 'from' | 'to', title: string): Column<LeadRow> {
  const ends = endsOf(design).map((end) => ({ end, name: label(design, end) }));
  return {
    key,
    title,
    width: 122,
    options: ends.map((e) => e.name),
    text: (r) => label(design, r[key]),
    show: (r) => endName(design, r, r[key]) ?? 'nothing',
    tone: (r) => (endName(design, r, r[key]) === null ? 'breaks' : undefined),
    write: (_, text) => {
      const chosen = parseChoice(
        text,
        ends.map((e) => e.name),
      );
      if (!chosen.ok) return chosen;
      const end = ends.find((e) => e.name === chosen.value)?.end;
      return end ? { ok: true, value: { [key]: end } } : { ok: false, message: 'there is no such end' };
    },
  };
}

export function leadColumns(
  design: Pick<Design, 'boat' | 'banks' | 'panels' | 'bars' | 'joins' | 'sources' | 'loads' | 'places'>,
  freshId: (prefix: string) => string,
): Column<LeadRow>[] {
  const units = design.boat;
  const { name: length } = unitOf('m', units);
  return [
    {
      key: 'name',
      title: 'lead',
      width: 146,
      text: (r) => r.name,
      write: (_, text) =>
        text.trim() ? { ok: true, value: { name: text.trim().slice(0, 120) } } : { ok: false, message: 'a name is needed' },
    },
    {
      key: 'rail',
      title: 'rail',
      width: 64,
      options: RAILS,
      text: (r) => r.rail,
      write: (_, text) => {
        const parsed = parseChoice(text, RAILS);
        return parsed.ok ? { ok: true, value: { rail: parsed.value } } : parsed;
      },
    },
    endColumn(design, 'from', 'from'),
    endColumn(design, 'to', 'to'),
    {
      key: 'through',
      title: 'through',
      hint: 'In order from its first end, as “shunt 500 A 0.05 mΩ at Battery locker; battery switch 300 A”',
      width: 96,
      text: (r) => showThrough(r.through, design.places),
      write: (r, text) => {
        const parsed = parseThrough(text, r.through, design.places, (kind) => blankDevice(freshId('d'), kind));
        return parsed.ok ? { ok: true, value: { through: parsed.value } } : parsed;
      },
    },
    {
      key: 'lengthM',
      title: 'run',
      unit: length,
      hint: 'One conductor. A typed length is a taped one; empty goes back to the estimate',
      width: 46,
      align: 'right',
      mono: true,
      text: (r) => bare(r.lengthM, 'm', units),
      show: (r) => (r.result ? show(r.result.lengthM, 'm', units).replace(/ .*/, '') : '–'),
      tone: (r) => (r.lengthM === null ? 'estimated' : 'measured'),
      sort: (r) => r.result?.lengthM ?? 0,
      write: (_, text) => {
        const parsed = parseOptional(text, 'm', units, 0.05, 120);
        return parsed.ok ? { ok: true, value: { lengthM: parsed.value } } : parsed;
      },
    },
    {
      key: 'amps',
      title: 'A',
      hint: 'What it has to carry',
      width: 42,
      align: 'right',
      mono: true,
      text: (r) => (r.result && r.result.carries.amps > 0 ? round3(r.result.carries.amps) : '–'),
      sort: (r) => r.result?.carries.amps ?? 0,
    },
    {
      key: 'size',
      title: 'cable',
      hint: 'The choice; type a size to pin it, empty to unpin',
      width: 74,
      mono: true,
      text: (r) => (r.size ? sizeName(r.size.school, r.size.size) : ''),
      show: (r) => (r.result ? sizeName(r.result.conductor.school, r.result.conductor.size) : '–'),
      tone: (r) => ((r.result?.failing.length ?? 0) > 0 ? 'breaks' : r.size ? 'pinned' : undefined),
      sort: (r) => r.result?.conductor.areaMm2 ?? 0,
      write: (_, text) => {
        if (text.trim() === '') return { ok: true, value: { size: null } };
        const parsed = parseSize(text, units);
        return parsed.ok ? { ok: true, value: { size: parsed.value } } : parsed;
      },
    },
    {
      key: 'fused',
      title: 'device',
      hint: 'Protection at its first end: yes or no',
      width: 92,
      options: ['yes', 'no'],
      text: (r) => (r.fused ? 'yes' : 'no'),
      show: (r) => {
        const device = r.result?.device?.own.protection;
        return device ? `${round3(device.ratingA)} A ${device.familyName.replace(/ fuse$/, '')}` : r.rail === 'positive' ? 'none' : '·';
      },
      tone: (r) => (r.result?.device?.own.protection.conflict ? 'breaks' : undefined),
      write: (_, text) => {
        const parsed = parseChoice(text, ['yes', 'no'] as const);
        return parsed.ok ? { ok: true, value: { fused: parsed.value === 'yes' } } : parsed;
      },
    },
    {
      key: 'ratingA',
      title: 'pinned A',
      hint: 'A rating of your own for its device; empty: as chosen',
      width: 62,
      align: 'right',
      mono: true,
      text: (r) => bare(r.ratingA, 'A', units),
      tone: () => 'pinned',
      write: (_, text) => {
        const parsed = parseOptional(text, 'A', units, 0.5, 1000);
        return parsed.ok ? { ok: true, value: { ratingA: parsed.value } } : parsed;
      },
    },
    {
      key: 'governs',
      title: 'governed by',
      width: 100,
      text: (r) => (r.result ? (r.result.failing[0] ? `✗ ${r.result.failing[0]}` : r.result.governs) : '–'),
      tone: (r) => ((r.result?.failing.length ?? 0) > 0 ? 'breaks' : 'quiet'),
    },
    ...(['fromStud', 'toStud'] as const).map((key): Column<LeadRow> => ({
      key,
      title: key === 'fromStud' ? 'stud' : 'far stud',
      width: 56,
      options: studs,
      text: (r) => r[key],
      write: (_, text) => {
        const parsed = parseChoice(text, studs);
        return parsed.ok ? { ok: true, value: { [key]: parsed.value } } : parsed;
      },
    })),
  ];
}

export function barColumns(design: Pick<Design, 'places' | 'boat'>): Column<Bar>[] {
  const units = design.boat;
  return [
    {
      key: 'name',
      title: 'bar or point',
      width: 190,
      text: (r) => r.name,
      write: (_, text) =>
        text.trim() ? { ok: true, value: { name: text.trim().slice(0, 120) } } : { ok: false, message: 'a name is needed' },
    },
    {
      key: 'kind',
      title: 'kind',
      width: 130,
      options: BAR_KINDS,
      text: (r) => r.kind,
      write: (_, text) => {
        const parsed = parseChoice(text, BAR_KINDS);
        return parsed.ok ? { ok: true, value: { kind: parsed.value } } : parsed;
      },
    },
    {
      key: 'place',
      title: 'place',
      width: 150,
      options: design.places.map((p) => p.name),
      text: (r) => rowOf(design.places, r.placeId)?.name ?? '',
      write: (_, text) => {
        const place = design.places.find((p) => p.name.toLowerCase() === text.trim().toLowerCase());
        if (text.trim() !== '' && !place) return { ok: false, message: `there is no place "${text.trim()}"` };
        return { ok: true, value: { placeId: place?.id ?? null } };
      },
    },
    {
      key: 'stud',
      title: 'stud',
      width: 70,
      options: studs,
      text: (r) => r.stud,
      write: (_, text) => {
        const parsed = parseChoice(text, studs);
        return parsed.ok ? { ok: true, value: { stud: parsed.value } } : parsed;
      },
    },
    {
      key: 'ratedA',
      title: 'rated A',
      hint: 'Continuous, by its maker; empty: not known',
      width: 70,
      align: 'right',
      mono: true,
      text: (r) => bare(r.ratedA, 'A', units),
      write: (_, text) => {
        const parsed = parseOptional(text, 'A', units, 1, 5000);
        return parsed.ok ? { ok: true, value: { ratedA: parsed.value } } : parsed;
      },
    },
    {
      key: 'studs',
      title: 'studs',
      hint: 'How many it has; empty: not known',
      width: 56,
      align: 'right',
      mono: true,
      text: (r) => (r.studs === null ? '' : String(r.studs)),
      write: (_, text) => {
        const parsed = parseOptional(text, 'none', units, 1, 60);
        if (!parsed.ok) return parsed;
        return parsed.value === null || Number.isInteger(parsed.value)
          ? { ok: true, value: { studs: parsed.value } }
          : { ok: false, message: 'a whole number is needed' };
      },
    },
  ];
}
