/** A scratch line that was kept. */
import * as v from 'valibot';
import { id, name } from '../design';

export const LineSchema = v.object({
  id,
  /** The line as it was typed. */
  name,
  school: v.picklist(['awg', 'metric']),
});
export type Line = v.InferOutput<typeof LineSchema>;
