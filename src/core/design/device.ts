/** Conductor sizes, and what stands in line with a conductor. */
import * as v from 'valibot';
import { CONDUCTORS, DEVICE_KINDS } from '../rules';
import { between, id, later, oneOf } from './fields';

export const sizesOf = (school: 'awg' | 'metric') => CONDUCTORS[school].map((c) => c.size);

/** A size with the school it belongs to: 10 AWG is not 10 mm2. */
export const SizeSchema = v.pipe(
  v.object({ school: oneOf(['awg', 'metric']), size: v.pipe(v.string(), v.maxLength(6)) }),
  v.check(({ school, size }) => sizesOf(school).includes(size), 'the school has no such size'),
);

export const DeviceSchema = v.object({
  id,
  kind: oneOf(DEVICE_KINDS),
  ratingA: v.nullable(between(0.1, 2000)),
  mohm: v.nullable(between(0, 1000)),
  placeId: later(v.nullable(id), null),
  /** Taped, from what stands before it on the run, m. */
  fromM: later(v.nullable(between(0.02, 120)), null),
  /** Largest conductor its terminals take. */
  largest: later(v.nullable(SizeSchema), null),
  /** A float switch that can be gone round by hand. */
  bypass: later(v.boolean(), false),
});
