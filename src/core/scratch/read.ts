/** The scratch line: a load and a distance in a person's own words, read into figures. Never throws; what is not understood is told. */
import { BOUNDS, type Place } from '../design';
import { FOOT_M } from '../quantity';

export interface ScratchReading {
  readonly name: string;
  readonly quantity: number;
  readonly ratingBy: 'W' | 'A' | null;
  readonly rating: number;
  /** null: the system's. */
  readonly volts: number | null;
  /** One way, m. */
  readonly lengthM: number | null;
  readonly surgeA: number | null;
  readonly surgeS: number | null;
  readonly dropPct: number | null;
  readonly ambientC: number | null;
  readonly engineSpace: boolean;
  readonly wet: boolean;
  readonly vapour: boolean;
  readonly conduit: boolean;
  readonly critical: boolean;
  readonly placeId: string | null;
}

export type ScratchRead =
  | { readonly ok: true; readonly reading: ScratchReading }
  | { readonly ok: false; readonly message: string; readonly reading: ScratchReading };

type Unit = 'W' | 'A' | 'V' | 'm' | 's' | '%' | 'C';
const UNITS: readonly (readonly [pattern: string, unit: Unit, toSi: (x: number) => number])[] = [
  ['kw|kilowatts?', 'W', (x) => x * 1000],
  ['watts?|w', 'W', (x) => x],
  ['ma|milliamps?', 'A', (x) => x / 1000],
  ['amps?|amperes?|a', 'A', (x) => x],
  ['volts?|vdc|v', 'V', (x) => x],
  ['cm', 'm', (x) => x / 100],
  ['metres?|meters?|m', 'm', (x) => x],
  ["feet|foot|ft|'|′", 'm', (x) => x * FOOT_M],
  ['inches|inch|in|"|″', 'm', (x) => (x * FOOT_M) / 12],
  ['yards?|yd', 'm', (x) => x * 3 * FOOT_M],
  ['°c|degc|celsius|c', 'C', (x) => x],
  ['°f|degf|fahrenheit|f', 'C', (x) => ((x - 32) * 5) / 9],
  ['seconds?|secs?|s', 's', (x) => x],
  ['%|per cent|percent', '%', (x) => x],
];
const NUMBER = String.raw`(?<![\w.,])(\d+(?:[.,]\d+)?(?:e\d{1,3})?)`;
const MEASURE = new RegExp(`${NUMBER}\\s*(${UNITS.map(([p]) => p).join('|')})(?![a-z0-9°])`, 'gi');
const EXACT = UNITS.map(([p, unit, toSi]) => [new RegExp(`^(?:${p})$`, 'i'), unit, toSi] as const);

interface Word {
  readonly pattern: RegExp;
  readonly says: Partial<Pick<ScratchReading, 'engineSpace' | 'wet' | 'vapour' | 'conduit' | 'critical'>>;
}
const WORDS: readonly Word[] = [
  { pattern: /\b(?:in the )?engine (?:space|room|bay|compartment)\b|\bengine\b(?= *$)/i, says: { engineSpace: true } },
  { pattern: /\b(?:in )?(?:a |the )?bilge\b(?! pump)|\bwet\b/i, says: { wet: true } },
  { pattern: /\bpetrol(?: vapou?r)?\b|\bvapou?r\b/i, says: { vapour: true } },
  { pattern: /\b(?:in )?(?:a )?(?:conduit|trunking)\b/i, says: { conduit: true } },
  { pattern: /\bcritical\b/i, says: { critical: true } },
];

const BLANK: ScratchReading = {
  name: '',
  quantity: 1,
  ratingBy: null,
  rating: 0,
  volts: null,
  lengthM: null,
  surgeA: null,
  surgeS: null,
  dropPct: null,
  ambientC: null,
  engineSpace: false,
  wet: false,
  vapour: false,
  conduit: false,
  critical: false,
  placeId: null,
};

/** Two lengths of one writing, 3 ft 6 in, are one. */
const joinFeet = (text: string): string =>
  text.replace(
    /(\d+(?:[.,]\d+)?)\s*(?:ft|feet|foot|'|′)\s*(\d+(?:[.,]\d+)?)\s*(?:inches|inch|in|"|″)/gi,
    (_, ft: string, inches: string) => {
      const feet = Number(ft.replace(',', '.')) + Number(inches.replace(',', '.')) / 12;
      return `${Number(feet.toFixed(4))} ft`;
    },
  );

/**
 * Reads such a line. @param places of the boat on the table, which may be named.
 * @returns the reading; not ok when watts or amps, or the distance, are missing or absurd, with what is meant.
 */
export function readScratch(line: string, places: readonly Pick<Place, 'id' | 'name'>[] = []): ScratchRead {
  let text = joinFeet(line.slice(0, 300).replace(/−/g, '-').replace(/\s+/g, ' ').trim());
  let reading: ScratchReading = BLANK;
  const say = (change: Partial<ScratchReading>) => (reading = { ...reading, ...change });
  const no = (message: string): ScratchRead => ({ ok: false, message, reading });
  if (text === '') return no('a load and a distance, such as: 140 W pump 24 V 7 m engine space');
  if (/(?:^|\s)-\d/.test(text)) return no('figures are positive here');

  // "2 x 10 W", "10 W x 2", "2 lamps" is left to the name.
  text = text.replace(/(?:^|\s)(\d{1,2}) ?[x×] ?(?=\d)|\s[x×] ?(\d{1,2})(?=\s|$)/i, (_, before?: string, after?: string) => {
    say({ quantity: Math.min(99, Math.max(1, Number(before ?? after))) });
    return ' ';
  });
  const surge = new RegExp(
    `\\b(?:surge|start(?:s|ing)?|inrush)\\b(?: (?:of|at))? ?${NUMBER} ?a(?:mps?)?\\b(?: ?(?:for )?${NUMBER} ?s(?:ec(?:onds?)?)?\\b)?`,
    'i',
  );
  text = text.replace(surge, (_, amps: string, seconds?: string) => {
    say({ surgeA: Number(amps.replace(',', '.')), surgeS: seconds ? Number(seconds.replace(',', '.')) : 1 });
    return ' ';
  });
  let twice = '';
  text = text.replace(MEASURE, (_, digits: string, unitText: string) => {
    const found = EXACT.find(([p]) => p.test(unitText));
    if (!found) return ' ';
    const value = found[2](Number(digits.replace(',', '.')));
    switch (found[1]) {
      case 'W':
      case 'A':
        if (reading.ratingBy !== null) twice = 'two ratings: watts or amps, one of them';
        say({ ratingBy: found[1], rating: value });
        break;
      case 'V':
        say({ volts: value });
        break;
      case 'm':
        if (reading.lengthM !== null) twice = 'two distances: one way, once';
        say({ lengthM: value });
        break;
      case '%':
        say({ dropPct: value });
        break;
      case 'C':
        say({ ambientC: value });
        break;
      case 's':
        say({ surgeS: value });
    }
    return ' ';
  });
  const place = [...places].sort((a, b) => b.name.length - a.name.length).find((p) => text.toLowerCase().includes(p.name.toLowerCase()));
  // Where it comes first it belongs to the name: a bilge pump, a chart table light, an engine space blower.
  const names = (at: number, length: number) => text.slice(0, at).trim() === '' && text.slice(at + length).trim() !== '';
  if (place) {
    const at = text.toLowerCase().indexOf(place.name.toLowerCase());
    if (!names(at, place.name.length)) text = `${text.slice(0, at)} ${text.slice(at + place.name.length)}`.toLowerCase();
    say({ placeId: place.id });
  }
  for (const { pattern, says } of WORDS) {
    const found = pattern.exec(text);
    if (!found) continue;
    if (!(says.engineSpace && names(found.index, found[0].length))) text = text.replace(pattern, ' ');
    say(says);
  }
  const name = text
    .replace(/\b(?:at|on|for|to|away|one way|in|the|a|an|run|of)\b|[,;:]+/gi, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  say({ name: (name === '' ? 'Load' : name.charAt(0).toUpperCase() + name.slice(1)).slice(0, BOUNDS.nameLength) });

  if (twice) return no(twice);
  const odd = /\b\d+(?:[.,]\d+)?\b/.exec(name);
  if (odd && reading.ratingBy === null) return no(`${odd[0]} of what? W, A, V, m or ft is meant`);
  if (reading.ratingBy === null || !(reading.rating > 0)) return no('watts or amps are needed, such as 140 W or 12 A');
  if (reading.rating > (reading.ratingBy === 'W' ? 100_000 : 5000)) return no(`${reading.ratingBy === 'W' ? '100 kW' : '5000 A'} at most`);
  if (reading.lengthM === null || !(reading.lengthM > 0)) return no('a distance one way is needed, such as 7 m or 23 ft');
  if (reading.lengthM > 100) return no('a run of 100 m at most is taken');
  if (reading.volts !== null && (reading.volts < 5 || reading.volts > 60)) return no('5 to 60 V DC: this is for the DC side');
  if (reading.dropPct !== null && (reading.dropPct < 0.5 || reading.dropPct > 30)) return no('a drop of 0.5 to 30 % is meant');
  if (reading.ambientC !== null && (reading.ambientC < -20 || reading.ambientC > 95)) return no('an ambient of -20 to 95 °C is meant');
  return { ok: true, reading };
}
