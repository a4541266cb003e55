/** The kinds of field a design is made of. */
import * as v from 'valibot';
import { BOUNDS } from './bounds';

export const id = v.pipe(v.string(), v.regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/, 'an id is up to 40 letters, digits, - or _'));
export const name = v.pipe(v.string(), v.trim(), v.minLength(1, 'a name is needed'), v.maxLength(BOUNDS.nameLength));
export const note = v.pipe(v.string(), v.maxLength(BOUNDS.noteLength));
export const between = (low: number, high: number) =>
  v.pipe(
    v.number('a number is needed'),
    v.finite('a finite number is needed'),
    v.minValue(low, `at least ${low} is needed`),
    v.maxValue(high, `at most ${high} is taken`),
  );
export const whole = (low: number, high: number) => v.pipe(between(low, high), v.integer('a whole number is needed'));
export const list = <T extends v.GenericSchema>(item: T, most: number) =>
  v.pipe(v.array(item), v.maxLength(most, `at most ${most} rows are taken`));
/** A field that older files do not have. */
export const later = <const T extends v.GenericSchema, const D extends v.InferInput<T>>(schema: T, missing: D) =>
  v.optional(schema, missing);
export const oneOf = <const T extends readonly string[]>(options: T) => v.picklist(options, `one of ${options.join(', ')} is needed`);
