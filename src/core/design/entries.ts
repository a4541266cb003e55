/** Entries with a small grammar of their own: a maker's wire table, a duty, a conductor size. */
import { rowOf } from './rowOf';
import { WHENS } from './charging';
import { conditionOf, CONDITIONS, DEVICE_KINDS, findConductor } from '../rules';
import type { FoundFault, InlineDevice, Load, When, WireRule } from './schema';
import { parseChoice, type Parsed, parseNumber, show, sizeName, type Units } from '../quantity';

/** "6 mm² to 3 m; 10 mm² to 5 m", or "10 AWG" for any length. */
export const showWire = (rules: readonly WireRule[], units: Units): string =>
  rules.map((r) => `${sizeName(r.school, r.size)}${r.upToM === null ? '' : ` to ${show(r.upToM, 'm', units)}`}`).join('; ');

/** A size such as "10 AWG", "2/0", "6 mm2", "16"; without a unit it is of the vessel's own rule set. */
export function parseSize(text: string, units: Units): Parsed<{ school: 'awg' | 'metric'; size: string }> {
  const match = /^(?:awg )?(\d+(?:[.,]\d+)?(?:\/0)?) ?(awg|ga|mm2|mm²|mm|sq)?$/i.exec(text.trim().replace(/\s+/g, ' '));
  const wrong = { ok: false as const, message: units.ruleSet === 'awg' ? '10 AWG, 2/0 or 6 mm² is meant' : '6 mm² or 10 AWG is meant' };
  if (!match) return wrong;
  const size = (match[1] ?? '').replace(',', '.');
  const unit = (match[2] ?? '').toLowerCase();
  const school =
    unit === ''
      ? size.includes('/') || text.trim().toLowerCase().startsWith('awg')
        ? 'awg'
        : units.ruleSet
      : unit.startsWith('mm') || unit === 'sq'
        ? 'metric'
        : 'awg';
  return findConductor(school, size)
    ? { ok: true, value: { school, size } }
    : { ok: false, message: `the tables have no ${sizeName(school, size)}` };
}

/** A maker's wire table; an empty entry is no rule. */
export function parseWire(text: string, units: Units): Parsed<WireRule[]> {
  const rules: WireRule[] = [];
  for (const part of text
    .split(';')
    .map((p) => p.trim())
    .filter(Boolean)) {
    const [sizeText = '', lengthText] = part.split(/ to /i);
    const size = parseSize(sizeText, units);
    if (!size.ok) return size;
    let upToM: number | null = null;
    if (lengthText !== undefined) {
      const length = parseNumber(lengthText, 'm', units, 0.1, 100);
      if (!length.ok) return length;
      upToM = length.value;
    }
    rules.push({ ...size.value, upToM });
  }
  return rules.length > 8 ? { ok: false, message: 'at most 8 sizes are taken' } : { ok: true, value: rules };
}

/** "by night" where it is so in every way of living, else "at anchor: by night; motoring: any time". */
export function showWhen(when: Load['when'], ways: readonly Way[]): string {
  const each = ways.map((w) => when[w.id] ?? 'any time');
  const [first = 'any time'] = each;
  return each.every((x) => x === first) ? first : ways.map((w, i) => `${w.name}: ${each[i] ?? ''}`).join('; ');
}

type Way = { readonly id: string; readonly name: string };

export function parseWhen(text: string, ways: readonly Way[]): Parsed<Load['when']> {
  if (text.trim() === '') return { ok: true, value: {} };
  if (!text.includes(':')) {
    const one = parseChoice(text, WHENS);
    if (!one.ok) return one;
    return { ok: true, value: one.value === 'any time' ? {} : Object.fromEntries(ways.map((w) => [w.id, one.value as When])) };
  }
  const out: Record<string, When> = {};
  for (const part of text.split(';').filter((p) => p.trim() !== '')) {
    const at = part.lastIndexOf(':');
    const way = parseChoice(
      part.slice(0, at),
      ways.map((w) => w.name),
    );
    if (!way.ok) return way;
    const when = parseChoice(part.slice(at + 1), WHENS);
    if (!when.ok) return when;
    for (const w of ways) if (w.name === way.value && when.value !== 'any time') out[w.id] = when.value as When;
  }
  return { ok: true, value: out };
}

/** "120/300 ×3": seconds on, seconds of rest, times. Empty: continuous. */
export const showDuty = (duty: Load['duty']): string => (duty ? `${duty.onS}/${duty.restS} ×${duty.repeats}` : '');

export function parseDuty(text: string): Parsed<Load['duty']> {
  if (text.trim() === '') return { ok: true, value: null };
  const match = /^(\d+(?:\.\d+)?) ?\/ ?(\d+(?:\.\d+)?)(?: ?[x×*] ?(\d+))?$/i.exec(text.trim());
  if (!match) return { ok: false, message: 'seconds on / seconds of rest × times is meant, such as 120/300 ×3; empty for continuous' };
  const duty = { onS: Number(match[1]), restS: Number(match[2]), repeats: Number(match[3] ?? 1) };
  const fits = duty.onS >= 0.1 && duty.onS <= 36000 && duty.restS <= 36000 && duty.repeats >= 1 && duty.repeats <= 1000;
  return fits ? { ok: true, value: duty } : { ok: false, message: 'up to 36000 s on and off, up to 1000 times' };
}

/** "green copper 12 mΩ; no label": conditions by name, with the resistance measured where it was. */
export const showFaults = (faults: readonly FoundFault[]): string =>
  faults
    .map((f) =>
      [
        conditionOf(f.kind)?.name ?? f.kind,
        f.strands === null ? '' : `${f.strands.lost} of ${f.strands.of}`,
        f.mohm === null ? '' : `${f.mohm} mΩ`,
        f.alike === 1 ? '' : `× ${f.alike}`,
      ]
        .filter(Boolean)
        .join(' '),
    )
    .join('; ');

/** @param freshId makes an id for a condition that is new. */
export function parseFaults(text: string, before: readonly FoundFault[], freshId: () => string): Parsed<FoundFault[]> {
  const faults: FoundFault[] = [];
  for (const part of text
    .split(';')
    .map((p) => p.trim())
    .filter(Boolean)) {
    const [, name = part, lost, strands, measured, alike] =
      /^(.*?)(?: +(\d+) of (\d+))?(?: +(\d+(?:[.,]\d+)?) ?m(?:Ω|ohm)?)?(?: *[×x*] ?(\d+))?$/i.exec(part) ?? [];
    const chosen = parseChoice(
      name,
      CONDITIONS.map((c) => c.name),
    );
    const condition = chosen.ok ? CONDITIONS.find((c) => c.name === chosen.value) : undefined;
    if (!condition) return { ok: false, message: `"${name}" is none of: ${CONDITIONS.map((c) => c.name).join('; ')}` };
    const mohm = measured === undefined ? null : Number(measured.replace(',', '.'));
    if (mohm !== null && !(mohm <= 10_000)) return { ok: false, message: 'a resistance of 10 000 mΩ at most is taken' };
    const gone = lost === undefined || strands === undefined ? null : { lost: Number(lost), of: Number(strands) };
    if (gone && !(gone.lost >= 1 && gone.lost <= gone.of && gone.of >= 2 && gone.of <= 5000))
      return { ok: false, message: 'strands as "7 of 19" are meant' };
    const count = alike === undefined ? 1 : Number(alike);
    if (!(count >= 1 && count <= 99)) return { ok: false, message: 'from 1 to 99 alike are taken' };
    faults.push({
      id: before.find((f) => f.kind === condition.id)?.id ?? freshId(),
      kind: condition.id,
      mohm,
      strands: gone,
      alike: count,
    });
  }
  return faults.length > 12 ? { ok: false, message: 'at most 12 conditions are taken' } : { ok: true, value: faults };
}

/** "to 60 W; Galley, Saloon": how far candidates may go and where else they may stand. Empty: the equipment is chosen. */
export const showRange = (load: Pick<Load, 'range' | 'ratingBy'>, placeName: (id: string) => string): string =>
  load.range
    ? `to ${load.range.toRating} ${load.ratingBy}${load.range.placeIds.length > 0 ? `; ${load.range.placeIds.map(placeName).join(', ')}` : ''}`
    : '';

export function parseRange(
  text: string,
  load: Pick<Load, 'ratingBy'>,
  places: readonly { readonly id: string; readonly name: string }[],
): Parsed<Load['range']> {
  if (text.trim() === '') return { ok: true, value: null };
  const meant = `to 60 ${load.ratingBy}, or to 60 ${load.ratingBy}; Galley, Saloon is meant; empty once it is chosen`;
  const match = /^(?:to )?(\d+(?:[.,]\d+)?) ?([wa])?(?:; ?(.*))?$/i.exec(text.trim());
  if (!match || (match[2] && match[2].toUpperCase() !== load.ratingBy)) return { ok: false, message: meant };
  const toRating = Number((match[1] ?? '').replace(',', '.'));
  if (!(toRating <= 100_000)) return { ok: false, message: 'at most 100000' };
  const placeIds: string[] = [];
  for (const name of (match[3] ?? '')
    .split(',')
    .map((p) => p.trim())
    .filter(Boolean)) {
    const place = places.find((p) => p.name.toLowerCase() === name.toLowerCase());
    if (!place) return { ok: false, message: `there is no place "${name}"` };
    placeIds.push(place.id);
  }
  return placeIds.length > 8 ? { ok: false, message: 'at most 8 places are taken' } : { ok: true, value: { toRating, placeIds } };
}

/** "shunt 500 A 0.05 mΩ at Battery locker; battery switch": what stands in line, rated as its maker says, measured where it was. */
export const showThrough = (devices: readonly InlineDevice[], places: readonly Named[]): string =>
  devices
    .map((d) => {
      const place = rowOf(places, d.placeId);
      return `${d.kind}${d.ratingA === null ? '' : ` ${d.ratingA} A`}${d.mohm === null ? '' : ` ${d.mohm} mΩ`}${place ? ` at ${place.name}` : ''}`;
    })
    .join('; ');

interface Named {
  readonly id: string;
  readonly name: string;
}

/** @param before what stood there: its id, and its place where none is typed, are kept. @param blank makes a new one. */
export function parseThrough(
  text: string,
  before: readonly InlineDevice[],
  places: readonly Named[],
  blank: (kind: InlineDevice['kind']) => InlineDevice,
): Parsed<InlineDevice[]> {
  const devices: InlineDevice[] = [];
  for (const part of text
    .split(';')
    .map((p) => p.trim())
    .filter(Boolean)) {
    const [, what = part, where] = /^(.*?)(?: +at +(.+))?$/i.exec(part) ?? [];
    const place = where === undefined ? undefined : places.find((p) => p.name.toLowerCase() === where.toLowerCase());
    if (where !== undefined && !place) return { ok: false, message: `there is no place "${where}"` };
    const [, name = what, rated, measured] = /^(.*?)(?: +(\d+(?:[.,]\d+)?) ?A)?(?: +(\d+(?:[.,]\d+)?) ?m(?:Ω|ohm)?)?$/i.exec(what) ?? [];
    const kind = parseChoice(name, DEVICE_KINDS);
    if (!kind.ok) return { ok: false, message: `"${name}" is none of: ${DEVICE_KINDS.join('; ')}` };
    const figure = (x: string | undefined) => (x === undefined ? null : Number(x.replace(',', '.')));
    const [ratingA, mohm] = [figure(rated), figure(measured)];
    if (ratingA !== null && !(ratingA >= 0.1 && ratingA <= 2000)) return { ok: false, message: 'a rating of 0.1 to 2000 A is taken' };
    if (mohm !== null && !(mohm <= 1000)) return { ok: false, message: 'a resistance of 1000 mΩ at most is taken' };
    const known = before.find((d) => d.kind === kind.value && !devices.some((x) => x.id === d.id));
    const stands = known ?? blank(kind.value);
    devices.push({ ...stands, placeId: place?.id ?? stands.placeId, ratingA, mohm });
  }
  return devices.length > 6 ? { ok: false, message: 'at most 6 in line are taken' } : { ok: true, value: devices };
}
