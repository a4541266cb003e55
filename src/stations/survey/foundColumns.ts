/** The as-found sheet's columns: one row is one wire that was aboard. */
import type { CircuitResult } from '@/core';
import {
  type Circuit,
  blankFound,
  DECISIONS,
  type Design,
  type Found,
  FOUND_KINDS,
  INSULATIONS,
  parseFaults,
  parseSize,
  showFaults,
} from '@/core/design';
import { bare, parseChoice, type Parsed, parseOptional, parseYesNo, round3, sizeName } from '@/core/quantity';
import { foundInsulationC, foundOhm } from '@/core/circuit';
import { DC_FAMILIES } from '@/core/rules';
import type { Column } from '@/ui/sheet';

export interface FoundRow extends Circuit {
  readonly found: Found;
  readonly result: CircuitResult | undefined;
}

const map = <A, B>(parsed: Parsed<A>, to: (value: A) => B): Parsed<B> => (parsed.ok ? { ok: true, value: to(parsed.value) } : parsed);
const patched = (row: FoundRow, change: Partial<Found>): Partial<FoundRow> => ({ found: { ...row.found, ...change } });

export function foundColumns(design: Pick<Design, 'boat'>): Column<FoundRow>[] {
  const units = design.boat;
  const families = DC_FAMILIES.map((f) => f.name);
  const words = (
    key: 'colour' | 'fromEnd' | 'toEnd' | 'reason',
    title: string,
    width: number,
    hint: string,
    most: number,
  ): Column<FoundRow> => ({
    key,
    title,
    hint,
    width,
    text: (r) => r.found[key],
    write: (r, text) =>
      text.trim().length > most
        ? { ok: false, message: `at most ${most} letters` }
        : { ok: true, value: patched(r, { [key]: text.trim() }) },
  });
  const choice = <K extends 'decision' | 'kind'>(
    key: K,
    title: string,
    options: readonly Found[K][],
    width: number,
    hint: string,
  ): Column<FoundRow> => ({
    key,
    title,
    hint,
    width,
    options,
    text: (r) => r.found[key],
    tone: (r) => (key === 'decision' && r.found.decision === 'undecided' ? 'quiet' : undefined),
    write: (r, text) => map(parseChoice(text, options as readonly string[]), (value) => patched(r, { [key]: value })),
  });
  return [
    {
      key: 'name',
      title: 'found',
      width: 158,
      text: (r) => r.name,
      write: (_, text) =>
        text.trim() === '' ? { ok: false, message: 'a name is needed' } : { ok: true, value: { name: text.trim().slice(0, 120) } },
    },
    choice('decision', 'decision', DECISIONS, 82, 'What becomes of it'),
    words('reason', 'why', 150, 'The reason, for whoever reads this next', 2000),
    {
      key: 'size',
      title: 'size',
      hint: 'As it is: 14 AWG, 1.5 mm²; empty: not known, the thinnest is calculated with',
      width: 76,
      mono: true,
      text: (r) => (r.found.sizeKnown ? sizeName(r.found.size.school, r.found.size.size) : ''),
      show: (r) => (r.found.sizeKnown ? sizeName(r.found.size.school, r.found.size.size) : 'unknown'),
      tone: (r) => (r.found.sizeKnown ? undefined : 'breaks'),
      sort: (r) => r.result?.own.state.areaMm2 ?? 0,
      write: (r, text) =>
        /^(unknown)?$/i.test(text.trim())
          ? { ok: true, value: patched(r, { size: blankFound(units.ruleSet).size, sizeKnown: false }) }
          : map(parseSize(text, units), (size) => patched(r, { size, sizeKnown: true })),
    },
    choice('kind', 'wire', FOUND_KINDS, 96, 'Tinned strands are for boats; the rest has a lower rating'),
    words('colour', 'colour', 70, 'As found', 40),
    {
      key: 'length',
      title: 'run',
      unit: units.lengthUnit,
      hint: 'One way, the whole run; empty: estimated from positions',
      width: 56,
      align: 'right',
      mono: true,
      text: (r) => bare(r.found.lengthM, 'm', units),
      show: (r) => (r.found.lengthM === null ? '–' : bare(r.found.lengthM, 'm', units)),
      tone: (r) => (r.found.lengthM === null ? 'estimated' : 'measured'),
      write: (r, text) => map(parseOptional(text, 'm', units, 0.05, 200), (lengthM) => patched(r, { lengthM })),
    },
    {
      key: 'family',
      title: 'device',
      hint: 'What protects it as found; empty: unknown',
      width: 104,
      options: families,
      text: (r) => DC_FAMILIES.find((f) => f.id === r.found.family)?.name ?? '',
      write: (r, text) =>
        text.trim() === ''
          ? { ok: true, value: patched(r, { family: null }) }
          : map(parseChoice(text, families), (name) => patched(r, { family: DC_FAMILIES.find((f) => f.name === name)?.id ?? null })),
    },
    {
      key: 'ratingA',
      title: 'A',
      hint: 'Its rating; empty: nothing protects it',
      width: 52,
      align: 'right',
      mono: true,
      text: (r) => bare(r.found.ratingA, 'A', units),
      show: (r) => (r.found.ratingA === null ? 'none' : bare(r.found.ratingA, 'A', units)),
      tone: (r) => (r.found.ratingA === null ? 'breaks' : undefined),
      write: (r, text) => map(parseOptional(text.replace(/^none$/i, ''), 'A', units, 0.5, 1000), (ratingA) => patched(r, { ratingA })),
    },
    {
      key: 'keepProtection',
      title: 'keep it',
      hint: 'The device stays too; else the application chooses one for the wire',
      width: 56,
      yesNo: true,
      options: ['yes', 'no'],
      text: (r) => (r.found.keepProtection ? 'yes' : 'no'),
      show: (r) => (r.found.keepProtection ? 'yes' : '·'),
      write: (r, text) => map(parseYesNo(text), (keepProtection) => patched(r, { keepProtection })),
    },
    {
      key: 'faults',
      title: 'condition',
      hint: 'green copper 12 mΩ; loose strands; no label … with the resistance where it was measured',
      width: 210,
      text: (r) => showFaults(r.found.faults),
      write: (r, text) =>
        map(
          parseFaults(text, r.found.faults, () => `f${crypto.randomUUID().slice(0, 8)}`),
          (faults) => patched(r, { faults }),
        ),
    },
    {
      key: 'heat',
      title: 'adds',
      unit: 'mΩ, W',
      hint: 'What bad joints add, and the heat they make at working current',
      width: 92,
      align: 'right',
      mono: true,
      text: (r) => {
        const ohm = foundOhm(r.found);
        return ohm > 0 ? `${round3(ohm * 1000)}, ${round3((r.result?.workingA ?? 0) ** 2 * ohm)}` : '·';
      },
      sort: (r) => foundOhm(r.found),
    },
    {
      key: 'ageYears',
      title: 'years',
      hint: 'Its age; from 20 on its insulation counts as 75 °C at most',
      width: 50,
      align: 'right',
      mono: true,
      text: (r) => bare(r.found.ageYears, 'none', units),
      write: (r, text) => map(parseOptional(text, 'none', units, 0, 80), (ageYears) => patched(r, { ageYears })),
    },
    {
      key: 'insulationC',
      title: 'insulation',
      unit: '°C',
      hint: 'Printed on it; empty: typical of its kind and age',
      width: 92,
      align: 'right',
      mono: true,
      options: INSULATIONS.map(String),
      text: (r) => (r.found.insulationC === null ? '' : String(r.found.insulationC)),
      show: (r) => String(foundInsulationC(r.found)),
      tone: (r) => (r.found.insulationC === null ? 'typical' : 'measured'),
      write: (r, text) =>
        text.trim() === ''
          ? { ok: true, value: patched(r, { insulationC: null }) }
          : map(parseChoice(text, INSULATIONS.map(String)), (v) =>
              patched(r, { insulationC: INSULATIONS.find((c) => String(c) === v) ?? null }),
            ),
    },
    words('fromEnd', 'near end', 110, 'How it lands at its source', 60),
    words('toEnd', 'far end', 110, 'How it lands at what it feeds', 60),
  ];
}
