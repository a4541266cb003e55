/** What to set a counting gauge to for its bank and what charges it, each figure with its working (docs/methods.md, M14). */
import { bankSource, bankTempC, c20Ah, chemistryOf, tailA as maker_sTailA } from '../bank';
import { compensatedV } from '../charging';
import { asDecided, type Bank, type Design, type Gauge, type GaugeSettings, rowOf, type Source } from '../design';
import { round3, show } from '../quantity';
import type { GaugeSet, Measures } from './gauge';

export interface SettingLine {
  readonly id: keyof GaugeSettings;
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  readonly working: string;
}

export interface GaugeSheet {
  readonly lines: readonly SettingLine[];
  readonly set: GaugeSet;
  /** What cannot be right however it is set, or wants watching. */
  readonly warnings: readonly string[];
}

/** Below absorption, V per 12 V; and of capacity, %. */
const UNDER_V = 0.2;
const TAIL_PCT = { leadAcid: 2, lithium: 4 } as const;
const LEAST_MIN = 3;
/** Temperatures setpoints are compared at beside the bank's own, °C. */
const COMPARED_C = [5, 35] as const;

/** Sources that charge a bank by stages. */
const chargers = (design: Design, bank: Bank): readonly Source[] =>
  asDecided(design).sources.filter((s) => s.bankId === bank.id && s.kind !== 'portable');

export function gaugeSheet(design: Design, gauge: Gauge): GaugeSheet | null {
  const bank = rowOf(design.banks, gauge.bankId);
  if (!bank || gauge.kind !== 'counting') return null;
  const chemistry = chemistryOf(bank);
  const times = bankSource(bank).nominalV / 12;
  const capacityAh = c20Ah(bank);
  const own = chargers(design, bank);
  const temps = [bankTempC(design, bank), ...COMPARED_C];
  const reached = own.flatMap((s) => temps.map((t) => ({ s, t, v: compensatedV(s.regulator.absorptionV, s, bank, t) })));
  const least = reached.reduce<(typeof reached)[number] | null>((a, b) => (a === null || b.v < a.v ? b : a), null);
  const chargedV = Math.round(((least?.v ?? chemistry.absorptionV * times) - UNDER_V * times) * 100) / 100;
  const ends = own.map((s) => s.regulator.tailA ?? maker_sTailA(bank));
  const endA = Math.max(0, ...ends);
  const typical = chemistry.leadAcid ? TAIL_PCT.leadAcid : TAIL_PCT.lithium;
  const tailPct =
    Math.round(Math.max(typical, (150 * endA) / capacityAh, (100 * (Math.abs(gauge.offsetA) + gauge.stepA)) / capacityAh) * 10) / 10;
  const eff = Math.round((0.8 * chemistry.chargeEffBulk + 0.2 * chemistry.chargeEffFull) * 100) / 100;
  const lasts = own.filter((s) => s.regulator.staged).map((s) => s.regulator.minMin);
  const minutes = lasts.length > 0 ? Math.max(1, Math.min(LEAST_MIN, Math.min(...lasts))) : LEAST_MIN;
  const warnings = [
    ...(own.length === 0 ? ['nothing charges this bank: it will never be called full'] : []),
    ...own.flatMap((s) => {
      const floats = temps.map((t) => compensatedV(s.regulator.floatV, s, bank, t));
      return s.regulator.staged && Math.max(...floats) >= chargedV
        ? [`${s.name} floats at ${Math.max(...floats).toFixed(2)} V, above the charged volts: a false full is possible`]
        : [];
    }),
    ...own.flatMap((s) =>
      s.regulator.staged && s.regulator.maxMin < minutes
        ? [`${s.name} leaves absorption after ${s.regulator.maxMin} min: its full may be missed`]
        : [],
    ),
  ];
  const line = (id: keyof GaugeSettings, name: string, value: number, unit: string, working: string): SettingLine => ({
    id,
    name,
    value,
    unit,
    working,
  });
  return {
    lines: [
      line('capacityAh', 'capacity', Math.round(capacityAh), 'Ah', `${bank.blockAh} Ah × ${bank.strings}, at the 20 h rate`),
      line(
        'peukert',
        'Peukert exponent',
        chemistry.peukert,
        '',
        bank.sheet.peukert !== null ? 'its maker’s' : `typical of ${chemistry.name}`,
      ),
      line(
        'chargeEff',
        'charge efficiency',
        eff,
        '',
        `80 % of the charge at ${round3(chemistry.chargeEffBulk)}, the last 20 % at ${round3(chemistry.chargeEffFull)}`,
      ),
      line(
        'chargedV',
        'charged volts',
        chargedV,
        'V',
        least
          ? `${least.s.name} absorbs at ${least.v.toFixed(2)} V at ${show(least.t, 'C', design.boat)}, the least of all; 0.2 V per 12 V under it`
          : `typical absorption, 0.2 V per 12 V under it`,
      ),
      line(
        'tailPct',
        'tail current',
        tailPct,
        '% of capacity',
        endA > 0
          ? `at least 1.5 × the ${round3(endA)} A at which absorption ends, at least ${typical} %, above its offset and step`
          : `typical: ${typical} %`,
      ),
      line('chargedMin', 'charged time', minutes, 'min', 'three minutes, or as long as absorption surely lasts'),
    ],
    set: { capacityAh, peukert: chemistry.peukert, chargeEff: eff, chargedV, tailA: (tailPct / 100) * capacityAh, chargedH: minutes / 60 },
    warnings,
  };
}

/** A gauge as it is set: what is entered, the proposed one in its place else. */
export function asSet(sheet: GaugeSheet, { capacityAh, peukert, chargeEff, chargedV, tailPct, chargedMin }: GaugeSettings): GaugeSet {
  const capacity = capacityAh ?? sheet.set.capacityAh;
  return {
    capacityAh: capacity,
    peukert: peukert ?? sheet.set.peukert,
    chargeEff: chargeEff ?? sheet.set.chargeEff,
    chargedV: chargedV ?? sheet.set.chargedV,
    tailA: tailPct === null ? sheet.set.tailA : (tailPct / 100) * capacity,
    chargedH: chargedMin === null ? sheet.set.chargedH : chargedMin / 60,
  };
}

export const measuresOf = (gauge: Gauge, unseenA: number): Measures => ({
  offsetA: gauge.offsetA,
  stepA: gauge.stepA,
  credits: gauge.credits,
  slightDischarge: gauge.slightDischarge,
  unseenA,
});
