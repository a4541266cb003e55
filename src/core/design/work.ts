/** How she is built: hands and hours, what must be live each evening, when parts come, and what is asked for the work. */
import * as v from 'valibot';
import { between, id, later, list, name, oneOf, whole } from './fields';
import { WORK_KINDS } from '../rules';

export const WorkSchema = v.object({
  hoursPerDay: later(between(1, 16), 7),
  people: later(v.picklist([1, 2] as const, 'one or two people'), 1),
  /** First day, as 2026-05-31; '': none is set. */
  startOn: later(v.pipe(v.string(), v.regex(/^(\d{4}-\d{2}-\d{2})?$/, 'a date as 2026-05-31 is needed')), ''),
  /** Loads live every evening; null: the usual ones of their kinds. */
  essentials: later(v.nullable(list(id, 40)), null),
  /** Somebody lives aboard while it is done: evenings count. */
  livedAboard: later(v.boolean(), true),
  /** Circuits whose parts come on a day of the work, from 1. */
  deliveries: later(list(v.object({ id, what: name, circuitIds: list(id, 1000), day: whole(1, 400) }), 40), []),
  /** How cable is sold: by the step of the boat's length unit, or in whole reels of so many metres. */
  reelM: later(v.nullable(between(1, 1000)), null),
  hourRate: later(v.nullable(between(0, 100000)), null),
  marginPct: later(between(0, 400), 0),
  /** Small parts bought beyond those counted, of a hundred. */
  sparePct: later(between(0, 100), 10),
  /** Of a kind of work real over estimated hours, where the firm sets it. */
  factors: later(v.record(oneOf(WORK_KINDS), between(0.1, 10)), {}),
});

export const DEFAULT_WORK: v.InferOutput<typeof WorkSchema> = {
  hoursPerDay: 7,
  people: 1,
  startOn: '',
  essentials: null,
  livedAboard: true,
  deliveries: [],
  reelM: null,
  hourRate: null,
  marginPct: 0,
  sparePct: 10,
  factors: {},
};
