/** Small leads of a machine or gauge: what it senses and is told by, each a thing with two ends, its fuse at the tap and its maker's longest run. */
import * as v from 'valibot';
import { SizeSchema } from './device';
import { between, id, name, note, oneOf } from './fields';

export const SMALL_PURPOSES = ['sense', 'excitation', 'charge lamp', 'tachometer', 'temperature', 'data', 'gauge supply'] as const;
export type SmallPurpose = (typeof SMALL_PURPOSES)[number];

/** What their makers sell as a cable with its plugs: nothing is cut. */
export const madeUp = (purpose: SmallPurpose): boolean => purpose === 'temperature' || purpose === 'data';

/** Where a small lead ends away from its machine. */
export const SMALL_ENDS = ['bank', 'panel', 'place'] as const;

export const SmallLeadSchema = v.object({
  id,
  name,
  purpose: oneOf(SMALL_PURPOSES),
  /** The source it belongs to; null: a gauge's. */
  sourceId: v.nullable(id),
  /** Its other end; null: not said. */
  to: v.nullable(v.object({ kind: oneOf(SMALL_ENDS), id })),
  /** In line where it taps something live, A; null: none. */
  fuseA: v.nullable(between(0.1, 30)),
  /** A diode in it, so that nothing feeds back. */
  diode: v.boolean(),
  /** null: the least of the school. */
  size: v.nullable(SizeSchema),
  /** One way; null: estimated from where its ends are. */
  lengthM: v.nullable(between(0.05, 120)),
  /** The longest its maker allows; null: not read. */
  mostM: v.nullable(between(0.05, 120)),
  /** What it carries; null: typical of its purpose. */
  amps: v.nullable(between(0, 30)),
  note,
});

/** A surge suppressor at an alternator, as a part. Nothing known of it is null. */
export const SuppressorSchema = v.object({
  /** Volts it begins to conduct at. */
  tripV: v.nullable(between(5, 200)),
  fuseA: v.nullable(between(0.1, 100)),
  /** Its lug lies under the main lug, so that it stays when the main one falls off. */
  underMainLug: v.nullable(v.boolean()),
  /** Its lamp is where somebody sees it. */
  lampSeen: v.nullable(v.boolean()),
});
