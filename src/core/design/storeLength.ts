/** A length of cable in the firm's store: an offcut, or what is left on a reel. */
import * as v from 'valibot';
import { between, id, later, name, note, oneOf, whole } from './fields';

export const StoreLengthSchema = v.object({
  id,
  /** As it is bought: size and cores. */
  name,
  size: v.pipe(v.string(), v.maxLength(60)),
  school: oneOf(['awg', 'metric']),
  cores: whole(1, 5),
  colour: v.pipe(v.string(), v.maxLength(60)),
  lengthM: between(0, 2000),
  place: later(v.pipe(v.string(), v.maxLength(60)), ''),
  /** Paid for a metre, as typed. */
  pricePerM: later(v.nullable(between(0, 100000)), null),
  note: later(note, ''),
});

export type StoreLength = v.InferOutput<typeof StoreLengthSchema>;
