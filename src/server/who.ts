/** Who asks: the device, and the name given there once. Programs may leave it out. */
import * as v from 'valibot';
import type { Who } from './history';

const WhoSchema = v.object({
  device: v.pipe(v.string(), v.regex(/^[A-Za-z0-9-]{8,40}$/, 'letters, figures and hyphens, 8 to 40, are needed')),
  name: v.nullable(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(60))),
});

/** Part of a body. */
export const by = v.optional(v.nullable(WhoSchema), null) satisfies v.GenericSchema<unknown, Who | null>;
