/** A simulated meter on a bank: a day of this boat as it would read it, with faults switched in; as CSV, and as deltas of the open marine data model. */
import { bankSource } from '../bank';
import { type Bank, type Design, rowOf, type Source } from '../design';
import { spansOf } from '../demand';
import { random } from '../solve';
import { seriesOf } from './series';

export const METER_FAULTS = ['drawn round the shunt', 'corroded joint', 'weak block', 'stuck regulator', 'dead string'] as const;
export type MeterFault = (typeof METER_FAULTS)[number];

export interface MeterSample {
  /** Of the day, from 0. */
  readonly minute: number;
  readonly volts: number;
  /** Into the bank. */
  readonly amps: number;
  readonly soc: number;
  /** Of the engine, 1/min; 0 while it stands. */
  readonly rpm: number;
  /** What each source of the bank gives, A, by its id. */
  readonly gives: Readonly<Record<string, number>>;
}

/** What each fault is, as it is switched in. */
const BYPASS_A = 2;
const JOINT_OHM = 0.02;
const WEAK = { capacity: 0.7, ohm: 2 } as const;
const STUCK_V_PER_12 = 0.9;
/** Steps a meter reads in, and how it trembles. */
const STEP_V = 0.01;
const STEP_A = 0.1;
const TREMBLES_V = 0.01;
const TREMBLES_A = 0.1;

/** The boat as it then is: what the fault does to the bank or to what charges it. */
function faulty(design: Design, bank: Bank, faults: ReadonlySet<MeterFault>): Design {
  const ohm = bankSource(bank).ohm;
  const weak = faults.has('weak block');
  const dead = faults.has('dead string') && bank.strings > 1;
  const blockMohm = bank.sheet.mohm ?? (1000 * ohm * bank.strings) / bank.series;
  const now: Bank = {
    ...bank,
    blockAh: weak ? bank.blockAh * WEAK.capacity : bank.blockAh,
    strings: dead ? bank.strings - 1 : bank.strings,
    sheet: weak ? { ...bank.sheet, mohm: WEAK.ohm * blockMohm } : bank.sheet,
  };
  const more = faults.has('stuck regulator') ? (STUCK_V_PER_12 * bankSource(bank).nominalV) / 12 : 0;
  return {
    ...design,
    banks: design.banks.map((b) => (b.id === bank.id ? now : b)),
    sources:
      more === 0
        ? design.sources
        : design.sources.map((s) =>
            s.bankId === bank.id
              ? { ...s, regulator: { ...s.regulator, absorptionV: s.regulator.absorptionV + more, floatV: s.regulator.floatV + more } }
              : s,
          ),
  };
}

const stepped = (x: number, step: number): number => Math.round(x / step) * step;

/** A day in a way of living, minute by minute; null: no such bank or way. The same seed trembles the same. */
export function meterDay(
  design: Design,
  bankId: string,
  livingId: string,
  faults: readonly MeterFault[] = [],
  seed = 1,
): readonly MeterSample[] | null {
  const bank = rowOf(design.banks, bankId);
  const living = rowOf(design.living, livingId);
  if (!bank || !living) return null;
  const engine = spansOf(living, 'engine');
  const on = new Set(faults);
  const boat = faulty(design, bank, on);
  const day = { id: 'meter', name: 'meter', legs: [{ id: 'day', livingId, days: 1 }], repeat: 1, startSoc: 0.8 };
  const series = seriesOf({ ...boat, cruises: [day], plan: { ...boat.plan, cruiseId: 'meter' } }, bankId, 1);
  if (!series) return null;
  const dice = random(seed, 5);
  const per = Math.round(1 / (60 * series.stepH));
  const tremble = (by: number) => (2 * dice.even() - 1) * by;
  return Array.from({ length: Math.floor(series.amps.length / per) }, (_, minute): MeterSample => {
    const i = minute * per;
    const truth = series.amps[i] ?? 0;
    const amps = truth + (on.has('drawn round the shunt') ? BYPASS_A : 0);
    const volts = (series.volts[i] ?? 0) + (on.has('corroded joint') ? truth * JOINT_OHM : 0);
    return {
      minute,
      volts: stepped(volts + tremble(TREMBLES_V), STEP_V),
      amps: stepped(amps + tremble(TREMBLES_A), STEP_A),
      soc: Math.round(1000 * (series.soc[i] ?? 0)) / 1000,
      rpm: engine.find((s) => minute >= 60 * s.fromH && minute < 60 * s.toH)?.level ?? 0,
      gives: Object.fromEntries((series.sources ?? []).map((s) => [s.id, stepped(s.amps[i] ?? 0, STEP_A)])),
    };
  });
}

const MINUTE_MS = 60_000;
const iso = (ms: number): string => new Date(ms).toISOString();

/** Engine speed and what each source gives stand beside volts, amps and charge. @param from when the day begins, ms. */
export function meterCsv(samples: readonly MeterSample[], from: number): string {
  const sources = Object.keys(samples[0]?.gives ?? {});
  return [
    ['time', 'volts', 'amps', 'soc', 'rpm', ...sources.map((id) => `amps of ${id}`)].join(),
    ...samples.map((s) =>
      [
        iso(from + s.minute * MINUTE_MS),
        s.volts.toFixed(2),
        s.amps.toFixed(1),
        s.soc,
        s.rpm,
        ...sources.map((id) => (s.gives[id] ?? 0).toFixed(1)),
      ].join(),
    ),
  ].join('\r\n');
}

/** Where the model keeps what a source of a kind gives. */
const GROUPS: Readonly<Partial<Record<Source['kind'], string>>> = {
  alternator: 'alternators',
  solar: 'solar',
  'shore charger': 'chargers',
};

/** One message: the vessel herself, one update, its values by their paths. Amps out of the bank are positive there, charge is a part of one. */
export const meterDelta = (
  bankId: string,
  sample: MeterSample,
  from: number,
  sources: readonly Pick<Source, 'id' | 'kind'>[] = [],
): string =>
  JSON.stringify({
    context: 'vessels.self',
    updates: [
      {
        source: { label: 'simulated meter' },
        timestamp: iso(from + sample.minute * MINUTE_MS),
        values: [
          { path: `electrical.batteries.${bankId}.voltage`, value: Number(sample.volts.toFixed(2)) },
          { path: `electrical.batteries.${bankId}.current`, value: Number((-sample.amps).toFixed(1)) },
          { path: `electrical.batteries.${bankId}.capacity.stateOfCharge`, value: sample.soc },
          // Turns a second.
          { path: 'propulsion.main.revolutions', value: Number((sample.rpm / 60).toFixed(2)) },
          ...sources.flatMap(({ id, kind }) => {
            const [group, amps] = [GROUPS[kind], sample.gives[id]];
            return group && amps !== undefined ? [{ path: `electrical.${group}.${id}.current`, value: Number(amps.toFixed(1)) }] : [];
          }),
        ],
      },
    ],
  });
