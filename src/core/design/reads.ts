/**
 * Which parts of a design a kept result goes by. A cache has one list; what it works out takes Reads of that list, so that reading a part that
 * is not in it does not compile.
 */
import type { Design } from './schema';

export type Part = keyof Design;
export type Reads<K extends readonly Part[]> = Pick<Design, K[number]>;

/** The parts themselves, in the order of the list: the same objects while none of them has moved. */
export const partsRead = <P extends Part>(design: Pick<Design, P>, parts: readonly P[]): readonly unknown[] =>
  parts.map((part) => design[part]);
