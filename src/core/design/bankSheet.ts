/** What a battery's maker states. Every figure may be missing: then the chemistry's typical one stands in. */
import * as v from 'valibot';
import { between, later, oneOf } from './fields';

const stated = (low: number, high: number) => later(v.nullable(between(low, high)), null);

/** Units a temperature slope is stated in, mV per degree and ... */
export const SLOPE_UNITS = ['mV/°C cell', 'mV/°C block', 'mV/°C bank', 'mV/°F cell', 'mV/°F block', 'mV/°F bank'] as const;

export const SlopeSchema = v.object({ value: between(-2000, 2000), unit: oneOf(SLOPE_UNITS) });

export const BankSheetSchema = v.object({
  peukert: stated(1, 1.6),
  chargeEffBulk: stated(0.5, 1),
  chargeEffFull: stated(0.3, 1),
  windowLowSoc: stated(0, 0.95),
  windowHighSoc: stated(0.05, 1),
  /** Of the whole bank at 25 degC, V. */
  absorptionV: stated(2, 70),
  floatV: stated(2, 70),
  equaliseV: stated(2, 75),
  slope: later(v.nullable(SlopeSchema), null),
  /** Of the whole bank, A. */
  maxChargeA: stated(0.5, 5000),
  /** Largest fuse its maker allows before the whole bank, A. */
  maxFuseA: stated(1, 2000),
  /** Bank current at which absorption is done, % of capacity, A per 100 Ah. */
  tailPct: stated(0.1, 20),
  cycles: stated(10, 20000),
  selfDischargePctMonth: stated(0, 50),
  /** Of one block. */
  mohm: stated(0.05, 500),
  massKg: stated(0.2, 2000),
  lengthMm: stated(10, 3000),
  widthMm: stated(10, 3000),
  heightMm: stated(10, 3000),
  /** Torque of its posts, N m. */
  torqueNm: stated(0.1, 200),
});

/** How the strings of a bank are tied together and where its load is taken off. */
export const LINK_WAYS = ['one end', 'diagonal', 'middle', 'bus bars'] as const;
export type LinkWay = (typeof LINK_WAYS)[number];

/** Links from block to block, or from each block to the bars, one rail. size null: what is usual for the school. */
export const LinksSchema = v.object({
  way: later(oneOf(LINK_WAYS), 'diagonal'),
  size: later(v.nullable(v.pipe(v.string(), v.maxLength(6))), null),
  lengthM: later(between(0.02, 20), 0.3),
  /** Laid out with a tape from post to post: they may be cut. */
  measured: later(v.boolean(), false),
});

/** Inside of the box it is to fit, mm. */
export const BoxSchema = v.object({ lengthMm: between(10, 5000), widthMm: between(10, 5000), heightMm: between(10, 5000) });

/** What disconnects the bank without asking, V of the whole bank. */
export const BmsSchema = v.object({
  overV: between(2, 80),
  underV: between(2, 70),
  /** Coldest it lets a charge through, degC. */
  lowChargeC: between(-30, 20),
  toleranceV: between(0, 2),
  /** Tells before it opens, so that sources can stop. */
  warns: v.boolean(),
});
export type Slope = v.InferOutput<typeof SlopeSchema>;
export type SlopeUnit = (typeof SLOPE_UNITS)[number];
