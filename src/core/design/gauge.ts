/** Gauges of the banks: what counts, what only reads volts, where it is seen, and how it is set. */
import * as v from 'valibot';
import { between, id, later, list, name, note, oneOf } from './fields';

/** counting: amps through a shunt; volts: reads volts alone. */
export const GAUGE_KINDS = ['counting', 'volts'] as const;

/** What a counting gauge is set to; null: nobody says. */
export const GaugeSettingsSchema = v.object({
  capacityAh: later(v.nullable(between(1, 20000)), null),
  peukert: later(v.nullable(between(1, 1.6)), null),
  /** 0 to 1. */
  chargeEff: later(v.nullable(between(0.5, 1)), null),
  /** Of the whole bank: at and above it the bank may be full. */
  chargedV: later(v.nullable(between(2, 70)), null),
  /** Current at and under which it may be full, % of capacity. */
  tailPct: later(v.nullable(between(0.1, 20)), null),
  /** For so long, both. */
  chargedMin: later(v.nullable(between(0, 60)), null),
});

export const GaugeSchema = v.object({
  id,
  name,
  kind: oneOf(GAUGE_KINDS),
  bankId: v.nullable(id),
  /** Where it is seen. */
  placeId: v.nullable(id),
  /** Dead with the house switch. */
  behindSwitch: later(v.boolean(), false),
  /** As it is set aboard, and its maker's defaults. */
  asSet: later(GaugeSettingsSchema, {}),
  maker: later(GaugeSettingsSchema, {}),
  /** Alarms as they are set aboard, in words, by the alarm. */
  alarms: later(v.record(id, v.pipe(v.string(), v.maxLength(60))), {}),
  /** It reads so much with nothing flowing, A, and in steps of so much. */
  offsetA: later(between(-5, 5), 0),
  stepA: later(between(0, 5), 0.1),
  /** Below the 20-hour rate it credits what Peukert's law gives. */
  credits: later(v.boolean(), true),
  /** A slight discharge does not break the time it waits for full. */
  slightDischarge: later(v.boolean(), false),
  /** Fuse of its supply, A; of its data cable the length, and the most its maker allows, m. */
  supplyFuseA: later(v.nullable(between(0.1, 30)), null),
  dataM: later(v.nullable(between(0.1, 100)), null),
  dataMostM: later(v.nullable(between(0.1, 100)), null),
  note: later(note, ''),
});

export const GAUGES = 12;
export const gaugeList = later(list(GaugeSchema, GAUGES), []);

export type Gauge = v.InferOutput<typeof GaugeSchema>;
export type GaugeSettings = v.InferOutput<typeof GaugeSettingsSchema>;

const UNSET: GaugeSettings = { capacityAh: null, peukert: null, chargeEff: null, chargedV: null, tailPct: null, chargedMin: null };

export const blankGauge = (
  gaugeId: string,
  gaugeName: string,
  kind: Gauge['kind'],
  bankId: string | null,
  placeId: string | null,
): Gauge => ({
  id: gaugeId,
  name: gaugeName,
  kind,
  bankId,
  placeId,
  behindSwitch: false,
  asSet: UNSET,
  maker: UNSET,
  alarms: {},
  offsetA: 0,
  stepA: 0.1,
  credits: true,
  slightDischarge: false,
  supplyFuseA: null,
  dataM: null,
  dataMostM: null,
  note: '',
});
