/** How the firm buys a part, by what it is called in the lists: its pack, price, supplier and days. For every boat. */
import * as v from 'valibot';
import { between, id, later, name, whole } from './fields';

export const ArticleSchema = v.object({
  /** Made from its words. */
  id,
  name,
  /** Pieces, or metres of cable, in what is sold at once; null: typical of its kind. */
  pack: later(v.nullable(between(0.1, 10000)), null),
  /** Of such a pack, of cable a metre, as typed; null: nobody has. */
  price: later(v.nullable(between(0, 10000000)), null),
  supplier: later(v.pipe(v.string(), v.maxLength(60)), ''),
  /** From the order to the door; null: not said. */
  days: later(v.nullable(whole(0, 400)), null),
});

export type Article = v.InferOutput<typeof ArticleSchema>;
