/** A sketched path and its readings, off the pointer's thread. */
import { expose } from 'comlink';
import { diagnose, type Diagnosis, type Element, type Reading, sketchedPath, type SketchRow } from '@/core/commission';

const api = {
  found(
    rows: readonly SketchRow[],
    school: 'awg' | 'metric',
    readings: readonly Reading[],
    amps: number,
  ): { readonly elements: readonly Element[]; readonly diagnosis: Diagnosis | null } {
    const elements = sketchedPath(rows, school);
    return { elements, diagnosis: amps > 0 && elements.length > 0 ? diagnose(elements, readings, amps) : null };
  },
};

export type PathApi = typeof api;
expose(api);
