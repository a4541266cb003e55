/** Settings laid side by side: every source against its battery's maker and its BMS (docs/methods.md, M13). */
import { round3, show } from '../quantity';
import { bankTempC, cellsOf, chemistryOf, oddSlope, slopePerCell, tailA } from '../bank';
import { type Bank, type Design, outputA, type Source, rowOf } from '../design';
import { compensatedV } from './compensation';
import { senseDropV, type SmallLeadParts } from './smallLeads';

/** What the settings read of a design. */
type SettingsParts = SmallLeadParts & Pick<Design, 'joins'>;

/** Temperatures the setpoints are looked at over, degC. */
export const FROM_C = -10;
export const TO_C = 45;

export const SETTINGS = ['absorption', 'time and tail', 'float', 'equalise', 'slope', 'sensor', 'largest current', 'BMS'] as const;
export type SettingName = (typeof SETTINGS)[number];

export interface Setting {
  readonly name: SettingName;
  /** What is set, and what the battery wants, as people read it. */
  readonly now: string;
  readonly wanted: string;
  readonly verdict: 'right' | 'note' | 'fix' | 'stop';
  /** What to change, and to what; empty where it is right. */
  readonly change: string;
  /** The same as fields of the source's regulator; null where no figure of it sets it right. */
  readonly edit: Partial<Source['regulator']> | null;
}

export interface SettingsRow {
  readonly source: Source;
  readonly bank: Bank;
  readonly settings: readonly Setting[];
  readonly worst: Setting['verdict'];
}

/** Volts a setting may be off and is right, and what is left between it and the BMS: of each 12 V. */
export const ABSORPTION_RIGHT_V = 0.1;
export const FLOAT_RIGHT_V = 0.15;
export const BMS_ROOM_V = 0.3;

const RANK = { right: 0, note: 1, fix: 2, stop: 3 } as const;
const v2 = (x: number) => `${x.toFixed(2)} V`;

/** Sensing error of a source, V: what it reads more than the bank has, by the splitter's drop; or less, by what its sense lead takes. */
export function senseErrorV(design: SettingsParts, source: Source): number {
  const tie = design.joins.find((j) => j.id === source.joinId && j.kind === 'splitter');
  return tie && source.regulator.sense !== 'the bank' ? tie.dropV : -senseDropV(design, source);
}

/** Highest volts a source's settings ask for anywhere from -10 to 45 degC, tolerance counted. */
export function highestV(source: Source, bank: Bank): number {
  const { absorptionV, equaliseV, toleranceV } = source.regulator;
  const top = Math.max(absorptionV, equaliseV ?? 0);
  return Math.max(compensatedV(top, source, bank, FROM_C), compensatedV(top, source, bank, TO_C), top) + toleranceV;
}

const SPREAD_C = 5;

/** Banks charged along with this one that stand more than 5 degC apart from it, and by how much their volts are wrong; empty: none. */
function spread(design: SettingsParts, bank: Bank, slopeMvPerC: number): string {
  const here = bankTempC(design, bank);
  const along = design.joins
    .filter((j) => j.firstId === bank.id || j.secondId === bank.id)
    .flatMap((j) => design.banks.filter((b) => b.id !== bank.id && (b.id === j.firstId || b.id === j.secondId)));
  return along
    .map((b) => ({ b, apart: bankTempC(design, b) - here }))
    .filter(({ apart }) => Math.abs(apart) > SPREAD_C)
    .map(({ b, apart }) => {
      const wrongV = (-slopeMvPerC * apart) / 1000;
      return `${b.name} is ${show(Math.abs(apart), 'dC', design.boat)} ${apart > 0 ? 'warmer' : 'colder'} and gets ${Math.abs(wrongV).toFixed(2)} V too ${wrongV > 0 ? 'much' : 'little'}: bring them closer in temperature`;
    })
    .join('; ');
}

/** Whether anything of a source's regulator can be set: an alternator's own has the volts it was made with. */
export const settable = (source: Pick<Source, 'kind' | 'alternator'>): boolean =>
  source.kind !== 'alternator' || source.alternator?.excitation === 'external';

const CANNOT = 'its own regulator cannot be set: an external regulator, a battery that takes these volts, or a DC–DC charger between';

function settingsRow(design: SettingsParts, source: Source, bank: Bank): SettingsRow {
  const chemistry = chemistryOf(bank);
  const times = (bank.blockV * bank.series) / 12;
  const { regulator: r } = source;
  const settings: Setting[] = [];
  const add = (name: SettingName, now: string, wanted: string, verdict: Setting['verdict'], change = '', edit: Setting['edit'] = null) =>
    settings.push(
      verdict === 'right' || settable(source) || edit === null
        ? { name, now, wanted, verdict, change, edit: verdict === 'right' ? null : edit }
        : { name, now, wanted, verdict, change: CANNOT, edit: null },
    );
  const to2 = (volts: number) => Math.round(100 * volts) / 100;
  const lost = senseErrorV(design, source);
  const absWant = chemistry.absorptionV * times;
  const absGets = r.absorptionV - lost;
  const offAbs = absGets - absWant;
  add(
    'absorption',
    lost > 0 ? `${v2(r.absorptionV)}, ${v2(absGets)} past the splitter` : v2(r.absorptionV),
    v2(absWant),
    Math.abs(offAbs) <= ABSORPTION_RIGHT_V * times ? 'right' : offAbs > 0.3 * times ? 'stop' : 'fix',
    Math.abs(offAbs) <= ABSORPTION_RIGHT_V * times
      ? ''
      : lost > 0
        ? `sense at the bank, or set ${v2(absWant + lost)}`
        : `set absorption to ${v2(absWant)}`,
    { absorptionV: to2(absWant + lost) },
  );
  const tail = tailA(bank);
  const ends = r.tailA ?? tail;
  add(
    'time and tail',
    r.staged ? `${ends.toFixed(1)} A, ${r.minMin} to ${r.maxMin} min` : 'never ends',
    `${tail.toFixed(1)} A`,
    !r.staged ? (chemistry.leadAcid ? 'note' : 'fix') : ends > 2 * tail ? 'fix' : ends < tail / 2 ? 'note' : 'right',
    !r.staged
      ? chemistry.leadAcid
        ? 'fixed volts: good for a few hours a day, too high for days on end'
        : 'a fixed setpoint holds iron phosphate at the top: use a staged regulator'
      : ends > 2 * tail
        ? `end absorption at ${tail.toFixed(1)} A, or it stops short of full`
        : ends < tail / 2
          ? `end absorption at ${tail.toFixed(1)} A: so low a tail may never come`
          : '',
    r.staged ? { tailA: Math.round(10 * tail) / 10 } : null,
  );
  const floatWant = chemistry.floatV * times;
  const offFloat = r.floatV - floatWant;
  if (r.staged)
    add(
      'float',
      v2(r.floatV),
      v2(floatWant),
      Math.abs(offFloat) <= FLOAT_RIGHT_V * times ? 'right' : offFloat > 0.4 * times ? 'stop' : 'fix',
      Math.abs(offFloat) <= FLOAT_RIGHT_V * times ? '' : `set float to ${v2(floatWant)}`,
      { floatV: to2(floatWant) },
    );
  const equalWant = chemistry.equaliseV === null ? null : chemistry.equaliseV * times;
  add(
    'equalise',
    r.equaliseV === null ? 'off' : v2(r.equaliseV),
    equalWant === null ? 'off' : `off, or ${v2(equalWant)} by hand`,
    r.equaliseV === null ? 'right' : equalWant === null ? 'stop' : r.equaliseV > equalWant + 0.1 * times ? 'fix' : 'right',
    r.equaliseV === null ? '' : equalWant === null ? 'switch equalising off: this battery is ruined by it' : '',
    { equaliseV: equalWant === null ? null : to2(equalWant) },
  );
  const cells = cellsOf(bank, chemistry);
  const slope = slopePerCell(r.slope, cells);
  const fahrenheit = design.boat.tempUnit === 'F';
  const slopeUnit = fahrenheit ? ('mV/°F cell' as const) : ('mV/°C cell' as const);
  const degrees = fahrenheit ? 1.8 : 1;
  const perDegree = (mvPerC: number): string => `${round3(mvPerC / degrees)} ${slopeUnit}`;
  const odd = oddSlope(slope, chemistry.leadAcid);
  const compensates = r.sensor !== 'none';
  const offSlope = Math.abs(slope - chemistry.slopeMvPerCCell);
  add(
    'slope',
    `${round3(r.slope.value)} ${r.slope.unit}${r.slope.unit === slopeUnit ? '' : ` (${perDegree(slope)})`}${compensates ? '' : ', no sensor'}`,
    perDegree(chemistry.slopeMvPerCCell),
    !compensates && !chemistry.leadAcid ? 'right' : odd ? (chemistry.leadAcid ? 'fix' : 'stop') : offSlope > 1.5 ? 'note' : 'right',
    !compensates && !chemistry.leadAcid
      ? ''
      : odd
        ? odd
        : offSlope > 1.5
          ? `set ${round3(Math.round((chemistry.slopeMvPerCCell * cells.bank) / degrees))} ${slopeUnit.replace(' cell', '')} for the bank`
          : '',
    { slope: { ...r.slope, value: to2(chemistry.slopeMvPerCCell / degrees), unit: slopeUnit } },
  );
  const warm = bankTempC(design, bank);
  const apart = chemistry.leadAcid && r.sensor === 'on the bank' ? spread(design, bank, chemistry.slopeMvPerCCell * cells.bank) : '';
  const sensorWrong = chemistry.leadAcid && (r.sensor === 'none' || r.sensor === 'near the engine');
  add(
    'sensor',
    r.sensor,
    chemistry.leadAcid ? 'on the warmest battery, near its middle' : 'none needed for volts; a cold cut-off is',
    !chemistry.leadAcid ? 'right' : r.sensor === 'on the bank' ? (apart === '' ? 'right' : 'fix') : sensorWrong ? 'fix' : 'note',
    !chemistry.leadAcid || r.sensor === 'on the bank'
      ? apart
      : r.sensor === 'none'
        ? `At ${show(warm, 'C', design.boat)} the volts should be ${v2(absWant + (chemistry.slopeMvPerCCell / 1000) * cells.bank * (warm - 25))}: fit a sensor on the bank`
        : 'put the sensor on a negative post of the warmest battery, torqued to its maker’s figure',
    r.sensor === 'on the bank' ? null : { sensor: 'on the bank' },
  );
  const most = bank.sheet.maxChargeA ?? chemistry.maxChargeC * bank.blockAh * bank.strings;
  const all = design.sources.filter((s) => s.bankId === bank.id).reduce((sum, s) => sum + outputA(s), 0);
  const own = outputA(source);
  add(
    'largest current',
    `${own} A, ${all} A all sources`,
    `${most.toFixed(0)} A at most`,
    own > most + 1e-9 ? 'fix' : all > most + 1e-9 ? 'note' : 'right',
    own > most + 1e-9
      ? `limit this source to ${most.toFixed(0)} A`
      : all > most + 1e-9
        ? `together they may give ${all} A: limit some of them${bank.bms ? ', or let the BMS ask for what it wants' : ''}`
        : '',
  );
  if (bank.bms) {
    const limit = bank.bms.overV - bank.bms.toleranceV - BMS_ROOM_V * times;
    const top = highestV(source, bank);
    add(
      'BMS',
      `${v2(top)} at the most`,
      `${v2(limit)} at the most`,
      top <= limit + 1e-9 ? 'right' : 'stop',
      top <= limit + 1e-9
        ? ''
        : `lower absorption to ${v2(r.absorptionV - (top - limit))}: the BMS would open at ${v2(bank.bms.overV)} with the source running`,
      { absorptionV: Math.floor(100 * (r.absorptionV - (top - limit))) / 100 },
    );
  }
  const worst = settings.reduce<Setting['verdict']>((w, s) => (RANK[s.verdict] > RANK[w] ? s.verdict : w), 'right');
  return { source, bank, settings, worst };
}

/** Every source with its bank, worst first. Sources without a bank are left out: a finding says so. */
export function settingsMatrix(design: SettingsParts): SettingsRow[] {
  return design.sources
    .flatMap((source) => {
      const bank = rowOf(design.banks, source.bankId);
      return bank ? [settingsRow(design, source, bank)] : [];
    })
    .sort((a, b) => RANK[b.worst] - RANK[a.worst]);
}
