/** New values for what charges and for the ways of living, with typical figures. */
import * as v from 'valibot';
import { BankSheetSchema } from './bankSheet';
import { DEFAULT_ENGINE, type SOURCE_KINDS, UNKNOWN_FIT } from './charging';
import type { Bank, Cruise, Engine, BankTie, Living, Regulator, Source, Span } from './schema';

export const BLANK_SHEET: Bank['sheet'] = v.parse(BankSheetSchema, {});

/** A typical engine, its starter at the boat's volts. */
export const engineFor = (systemV: number): Engine => ({
  ...DEFAULT_ENGINE,
  crankA: Math.round((350 * 12) / systemV),
  crankMinV: (9 * systemV) / 12,
});

export const blankSpan = (id: string, what: Span['what'], fromH: number, toH: number, level: number): Span => ({
  id,
  what,
  fromH,
  toH,
  level,
});

const sun = (hours: number) => blankSpan('sun', 'sun', 6, 18, hours);

export const blankLiving = (id: string, name: string): Living => ({ id, name, day: [sun(4)], houseSwitch: 'on' });

/** The usual ways of living aboard, each with a plausible day. */
export const usualWays = (): Living[] => [
  { ...blankLiving('anchor', 'at anchor'), day: [sun(4.5), blankSpan('wind', 'wind', 0, 24, 5), blankSpan('e1', 'engine', 8, 9, 1300)] },
  { ...blankLiving('passage', 'on passage'), day: [sun(3.5), blankSpan('wind', 'wind', 0, 24, 7)] },
  { ...blankLiving('motoring', 'motoring'), day: [sun(3.5), blankSpan('e1', 'engine', 8, 16, 2000)] },
  { ...blankLiving('alongside', 'on shore power'), day: [sun(4), blankSpan('s1', 'shore', 0, 24, 0)] },
  { ...blankLiving('laidup', 'laid up'), day: [sun(2)], houseSwitch: 'off' },
];

/** A three-stage regulator at a bank voltage of so many times 12 V. */
export const blankRegulator = (times: number): Regulator => ({
  staged: true,
  absorptionV: 14.4 * times,
  floatV: 13.5 * times,
  equaliseV: null,
  bandV: 0.05 * times,
  tailA: null,
  minMin: 30,
  maxMin: 240,
  rebulkV: 12.6 * times,
  rebulkMin: 5,
  slope: { value: -4, unit: 'mV/°C cell' },
  sensor: 'none',
  safeOnSensorLoss: true,
  sense: 'its own post',
  toleranceV: 0.1 * times,
});

const curve = (points: readonly (readonly [number, number])[]) => points.map(([rpm, amps], i) => ({ id: `c${i + 1}`, rpm, amps }));

/** Typical output of an alternator of that label, by its own rpm: ours. */
export const typicalCurve = (ratedA: number) =>
  curve([
    [1200, 0],
    [1800, Math.round(ratedA * 0.38)],
    [2500, Math.round(ratedA * 0.62)],
    [3500, Math.round(ratedA * 0.83)],
    [5000, Math.round(ratedA * 0.96)],
    [6000, ratedA],
  ]);

const RATED: Readonly<Record<(typeof SOURCE_KINDS)[number], number>> = {
  alternator: 80,
  'shore charger': 30,
  'DC–DC': 30,
  solar: 20,
  wind: 15,
  portable: 30,
};

/** A new source with typical figures of its kind. @param systemV volts of the bank it charges. @param fromV of the bank a DC–DC draws from. */
export function blankSource(id: string, kind: Source['kind'], systemV: number, bankId: string | null, fromV = systemV): Source {
  const times = systemV / 12;
  const ratedA = Math.round(RATED[kind] / times);
  const regulator = blankRegulator(times);
  return {
    id,
    name: kind === 'DC–DC' ? 'DC–DC charger' : kind.charAt(0).toUpperCase() + kind.slice(1),
    kind,
    bankId,
    joinId: null,
    fromBankId: null,
    insteadOfId: null,
    outputOf: null,
    loadId: null,
    placeId: null,
    ratedA,
    pathMohm: null,
    regulator: kind === 'alternator' ? { ...regulator, staged: false, sensor: 'in the device' } : regulator,
    alternator:
      kind === 'alternator'
        ? {
            curve: typicalCurve(ratedA),
            ratio: 2,
            enginePulleyMm: null,
            pulleyMm: null,
            belt: 'V-belt 10 mm',
            maxRpm: 14000,
            hotFactor: 0.75,
            fieldLimited: false,
            excitation: 'three-wire',
            tacho: true,
            ignitionProtected: false,
            suppressor: false,
            suppressorPart: null,
            fit: UNKNOWN_FIT,
          }
        : null,
    charger: kind === 'shore charger' || kind === 'portable' ? { efficiency: 0.87, powerFactor: 0.95, outputs: 1, firstA: null } : null,
    dcdc: kind === 'DC–DC' ? { efficiency: 0.92, startV: 13.3 * (fromV / 12), stopV: 12.8 * (fromV / 12), isolated: false } : null,
    solar:
      kind === 'solar'
        ? {
            wp: 100,
            derate: 0.7,
            vocV: 22.4,
            iscA: 5.8,
            vmpV: 18.6,
            impA: 5.4,
            vocPctPerC: -0.29,
            series: times > 1 ? 2 : 1,
            parallel: 2,
            seriesFuseA: 10,
            maxFuseA: null,
            coldC: 0,
            controllerV: 75,
            controllerA: ratedA,
          }
        : null,
    wind:
      kind === 'wind'
        ? {
            curve: (
              [
                [3, 0],
                [5, 1.2],
                [8, 5],
                [11, 11],
                [14, 16],
              ] as const
            ).map(([mps, amps], i) => ({ id: `c${i + 1}`, mps, amps: amps / times })),
            brake: true,
          }
        : null,
    mark: 'typical',
    ignitionProtected: false,
    massKg: null,
    price: null,
    sheet: {},
    note: '',
  };
}

export const blankTie = (id: string, kind: BankTie['kind'], systemV: number): BankTie => {
  const times = systemV / 12;
  return {
    id,
    name: kind === 'selector' ? 'Bank selector' : kind === 'splitter' ? 'Charge splitter' : 'Voltage-sensitive relay',
    kind,
    firstId: null,
    secondId: null,
    running: 'both',
    stopped: 'first',
    makeBeforeBreak: true,
    fieldDisconnect: false,
    dropV: 0.7,
    closeV: 13.3 * times,
    openV: 12.8 * times,
    delayS: 10,
    ratedA: 120,
    massKg: null,
    price: null,
  };
};

export const blankCruise = (id: string, name: string): Cruise => ({ id, name, legs: [], repeat: 1, startSoc: 1 });
