/** Units at the edges: the core computes in V, A, W, ohm, mm2, m, s, degC; people read and type their own. */

export type Kind =
  | 'V'
  | 'A'
  | 'W'
  | 'Ah'
  | 'Wh'
  | 'ohm'
  | 'm'
  | 'mm'
  | 'mm2'
  | 'C'
  | 'kg'
  | 'pct'
  | 's'
  | 'h'
  | 'days'
  | 'A2s'
  /** Torque, N m; force, N; fuel and bulk, L; a difference of temperature, K; ohm/km of a conductor. */
  | 'Nm'
  | 'N'
  | 'L'
  | 'dC'
  | 'ohmPerKm'
  | 'none';

/** How a vessel's people read figures. */
export interface Units {
  readonly lengthUnit: 'm' | 'ft';
  readonly tempUnit: 'C' | 'F';
  readonly massUnit: 'kg' | 'lb';
  readonly ruleSet: 'awg' | 'metric';
}

/** Where a figure came from. */
export const MARKS = ['measured', "maker's", 'typical', 'estimated', 'assumed'] as const;
export type Mark = (typeof MARKS)[number];

export const FOOT_M = 0.3048;
export const POUND_KG = 0.45359237;
const INCH_MM = 25.4;
/** Pound-force in newtons, and a foot of it; the gallon of 231 cubic inches. */
const LBF_N = 4.4482216152605;
const LB_FT_NM = LBF_N * FOOT_M;
const GALLON_L = 3.785411784;

interface Unit {
  readonly name: string;
  readonly to: (si: number) => number;
  readonly from: (shown: number) => number;
}

const plain = (name: string): Unit => ({ name, to: (x) => x, from: (x) => x });
const scaled = (name: string, by: number): Unit => ({ name, to: (x) => x / by, from: (x) => x * by });
const FAHRENHEIT: Unit = { name: '°F', to: (c) => (c * 9) / 5 + 32, from: (f) => ((f - 32) * 5) / 9 };

/** The unit a kind is shown in. */
export function unitOf(kind: Kind, units: Units): Unit {
  switch (kind) {
    case 'm':
      return units.lengthUnit === 'ft' ? scaled('ft', FOOT_M) : plain('m');
    case 'mm':
      return units.lengthUnit === 'ft' ? scaled('in', INCH_MM) : plain('mm');
    case 'Nm':
      return units.massUnit === 'lb' ? scaled('lb ft', LB_FT_NM) : plain('N m');
    case 'N':
      return units.massUnit === 'lb' ? scaled('lbf', LBF_N) : plain('N');
    case 'L':
      return units.lengthUnit === 'ft' ? scaled('gal', GALLON_L) : plain('L');
    case 'dC':
      return units.tempUnit === 'F' ? scaled('°F', 5 / 9) : plain('°C');
    case 'ohmPerKm':
      return units.lengthUnit === 'ft' ? scaled('Ω/1000 ft', 1 / FOOT_M) : plain('Ω/km');
    case 'C':
      return units.tempUnit === 'F' ? FAHRENHEIT : plain('°C');
    case 'kg':
      return units.massUnit === 'lb' ? scaled('lb', POUND_KG) : plain('kg');
    case 'ohm':
      return scaled('mΩ', 0.001);
    case 'mm2':
      return plain('mm²');
    case 'pct':
      return plain('%');
    case 'A2s':
      return plain('A²s');
    case 'none':
      return plain('');
    default:
      return plain(kind);
  }
}

/** Three significant figures; whole numbers keep all their digits. */
export function round3(x: number): string {
  if (!Number.isFinite(x)) return Number.isNaN(x) ? '–' : 'no limit';
  if (x === 0) return '0';
  const size = Math.floor(Math.log10(Math.abs(x)));
  const digits = Math.max(0, 2 - size);
  const large = Math.abs(x) >= 1000;
  const text = large ? String(Number.isInteger(x) ? x : Number(x.toPrecision(3))) : String(Number(x.toFixed(Math.min(digits, 8))));
  return text.replace('-', '−');
}

/** Three figures, or as many more as it takes to be seen on its side of a limit, which is shown in three. */
export function round3Beside(x: number, limit: number): string {
  const shown = Number(round3(x).replace('−', '-'));
  return Math.sign(shown - limit) === Math.sign(x - limit) ? round3(x) : String(Number(x.toPrecision(5)));
}

/** What a figure without end says. */
const WITHOUT_END: Readonly<Partial<Record<Kind, string>>> = { s: 'never', h: 'never', days: 'never', ohm: 'open circuit' };

/** What is bought and drilled by size: millimetres, or inches to a sixteenth, above three quarters to an eighth. */
export function small(mm: number, units: Pick<Units, 'lengthUnit'>): string {
  // A millimetre counts at any length.
  if (units.lengthUnit !== 'ft') return `${mm >= 1000 ? Math.round(mm) : round3(mm)} mm`;
  const inches = mm / INCH_MM;
  let under = inches > 0.75 ? 8 : 16;
  let over = Math.max(1, Math.round(inches * under));
  while (over % 2 === 0 && under > 1) {
    over /= 2;
    under /= 2;
  }
  const whole = Math.floor(over / under);
  const rest = over % under;
  return `${[whole > 0 ? String(whole) : '', rest > 0 ? `${rest}/${under}` : ''].filter(Boolean).join(' ')} in`;
}

/** Value and unit in the vessel's convention, e.g. "24.3 ft". */
export function show(value: number | null | undefined, kind: Kind, units: Units): string {
  if (value === null || value === undefined) return '–';
  if (!Number.isFinite(value)) return Number.isNaN(value) ? '–' : (WITHOUT_END[kind] ?? 'no limit');
  const unit = unitOf(kind, units);
  const text = round3(unit.to(value));
  return unit.name === '' ? text : unit.name === '%' ? `${text} %` : `${text} ${unit.name}`;
}

/** Four decimals, and of small figures as many as make seven significant ones: more than anybody measures. */
const fine = (x: number): number => (x === 0 ? 0 : Number(x.toFixed(Math.min(20, Math.max(4, 6 - Math.floor(Math.log10(Math.abs(x))))))));

/** The bare number in the vessel's unit, for a cell whose header carries the unit. */
export const bare = (value: number | null, kind: Kind, units: Units): string =>
  value === null ? '' : String(fine(unitOf(kind, units).to(value)));

/**
 * What stands in a field or a cell, from all that is known of the figure: up to three decimals as typed; what comes of another unit and has more
 * is rounded to four significant figures.
 */
export function brief(text: string): string {
  if (!/^-?\d+\.\d{4,}$/.test(text)) return text;
  const x = Number(text);
  return String(Number(Math.abs(x) >= 1 ? x.toPrecision(4) : x.toPrecision(3)));
}

/** A choice of conductor by name. */
export const choiceName = (choice: { readonly school: 'awg' | 'metric'; readonly size: string; readonly legs: number }): string =>
  sizeName(choice.school, choice.size, choice.legs);

/** A conductor size as the vessel's people write it. */
export const sizeName = (school: 'awg' | 'metric', size: string, legs = 1): string =>
  `${legs > 1 ? `${legs} × ` : ''}${school === 'awg' ? `${size} AWG` : `${size} mm²`}`;

/** What is cut to: millimetres, from a metre on metres to the millimetre; or feet and inches to an eighth, rounded up. */
export function cutTo(mm: number, units: Pick<Units, 'lengthUnit'>): string {
  if (units.lengthUnit !== 'ft') return mm < 1000 ? `${Math.round(mm)} mm` : `${(Math.round(mm) / 1000).toFixed(3)} m`;
  const eighths = Math.ceil((mm / INCH_MM) * 8 - 1e-6);
  const feet = Math.floor(eighths / 96);
  const inches = Math.floor((eighths % 96) / 8);
  const [over, under] = [eighths % 8, 8];
  const parts = over === 0 ? '' : over % 4 === 0 ? '1/2' : over % 2 === 0 ? `${over / 2}/4` : `${over}/${under}`;
  const inch = [inches > 0 || parts === '' ? String(inches) : '', parts].filter(Boolean).join(' ');
  return feet > 0 ? `${feet} ft ${inch} in` : `${inch} in`;
}
