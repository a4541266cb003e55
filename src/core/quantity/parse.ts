/** What people type into a field, read into SI. Accepts a unit of its own beside the number and a decimal comma. */
import { FOOT_M, type Kind, POUND_KG, unitOf, type Units } from './units';

export type Parsed<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

const no = <T>(message: string): Parsed<T> => ({ ok: false, message });

const FOREIGN: Readonly<Record<string, readonly [Kind, (x: number) => number]>> = {
  m: ['m', (x) => x],
  cm: ['m', (x) => x / 100],
  mm: ['m', (x) => x / 1000],
  ft: ['m', (x) => x * FOOT_M],
  "'": ['m', (x) => x * FOOT_M],
  '′': ['m', (x) => x * FOOT_M],
  in: ['m', (x) => x * (FOOT_M / 12)],
  '"': ['m', (x) => x * (FOOT_M / 12)],
  '″': ['m', (x) => x * (FOOT_M / 12)],
  c: ['C', (x) => x],
  f: ['C', (x) => ((x - 32) * 5) / 9],
  kg: ['kg', (x) => x],
  lb: ['kg', (x) => x * POUND_KG],
  a: ['A', (x) => x],
  ma: ['A', (x) => x / 1000],
  w: ['W', (x) => x],
  kw: ['W', (x) => x * 1000],
  v: ['V', (x) => x],
  s: ['s', (x) => x],
  min: ['s', (x) => x * 60],
  h: ['h', (x) => x],
};

/** "10 3/4", "3/4" as a decimal number in text; anything else as it is. */
const unfractioned = (text: string): string =>
  text.replace(/^(?:(\d+) )?(\d+)\/(\d+)/, (whole, full: string | undefined, over: string, under: string) =>
    Number(under) === 0 ? whole : String(Number(full ?? 0) + Number(over) / Number(under)),
  );

/** "11 ft 6 in", "11' 6 1/2\"", in feet; anything else as it is. */
function feetTogether(text: string): string {
  const match = /^(\d+(?:[.,]\d+)?) ?(?:ft|feet|foot|'|′) ?(\d[\d ./,]*?) ?(?:in|inch|inches|"|″|'')?$/i.exec(text);
  if (!match) return text;
  const inches = Number(unfractioned(match[2] ?? '').replace(',', '.'));
  return Number.isFinite(inches) && inches < 12 ? `${Number((match[1] ?? '').replace(',', '.')) + inches / 12} ft` : text;
}

/**
 * Reads a number of a kind. @param low @param high bounds in SI, told in the vessel's unit when broken.
 * @returns SI value, or a message saying what would be right.
 */
export function parseNumber(text: string, kind: Kind, units: Units, low: number, high: number): Parsed<number> {
  const clean = unfractioned(feetTogether(text.trim().replace(/−/g, '-').replace(/°/g, '').replace(/\s+/g, ' ')));
  const match = /^([+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?) ?([a-z%'"′″²Ω]*)$/i.exec(clean);
  if (!match) return no(clean === '' ? 'a number is needed' : `"${clip(text)}" is not a number`);
  const shown = Number((match[1] ?? '').replace(',', '.'));
  const unit = unitOf(kind, units);
  const suffix = (match[2] ?? '').toLowerCase();
  let value = unit.from(shown);
  if (suffix !== '' && suffix !== unit.name.toLowerCase().replace('°', '')) {
    const known = FOREIGN[suffix];
    // Small lengths are kept in millimetres.
    const foreign = kind === 'mm' && known?.[0] === 'm' ? (['mm', (x: number) => 1000 * known[1](x)] as const) : known;
    if (foreign?.[0] !== kind)
      return no(`"${clip(match[2] ?? '')}" is not a unit of this figure; ${unit.name || 'a bare number'} is meant`);
    value = foreign[1](shown);
  }
  if (!Number.isFinite(value)) return no('a finite number is needed');
  const told = (x: number) => `${Number(unit.to(x).toPrecision(4))} ${unit.name}`.trim();
  if (value < low) return no(`at least ${told(low)} is needed`);
  if (value > high) return no(`at most ${told(high)} is taken`);
  return { ok: true, value };
}

/** As parseNumber, but an empty field is null. */
export const parseOptional = (text: string, kind: Kind, units: Units, low: number, high: number): Parsed<number | null> =>
  text.trim() === '' || text.trim() === '–' ? { ok: true, value: null } : parseNumber(text, kind, units, low, high);

/** One of a list, by its name or an unambiguous beginning of it. */
export function parseChoice<T extends string>(text: string, options: readonly T[]): Parsed<T> {
  const wanted = text.trim().toLowerCase();
  const exact = options.find((o) => o.toLowerCase() === wanted);
  if (exact) return { ok: true, value: exact };
  const starts = wanted === '' ? [] : options.filter((o) => o.toLowerCase().startsWith(wanted));
  const [only] = starts;
  return only && starts.length === 1 ? { ok: true, value: only } : no(`one of ${options.join(', ')} is needed`);
}

/** yes / no, y / n, true / false, 1 / 0, x / blank. */
export function parseYesNo(text: string): Parsed<boolean> {
  const t = text.trim().toLowerCase();
  if (['yes', 'y', 'true', '1', 'x', '✓'].includes(t)) return { ok: true, value: true };
  if (['no', 'n', 'false', '0', '', '–'].includes(t)) return { ok: true, value: false };
  return no('yes or no is needed');
}

const clip = (text: string): string => (text.length > 24 ? `${text.slice(0, 24)}…` : text);
