/** Working current of a load by its behaviour (docs/methods.md, M0). All currents in A, per row (quantity included). */
import type { Load } from '../design';
import type { StudyVolts } from './studyVolts';

export interface LoadCurrent {
  readonly nominalW: number;
  readonly nominalA: number;
  /** What it would draw as each behaviour: constant power at low volts, resistance at charging volts, as given. */
  readonly asPowerA: number;
  readonly asResistanceA: number;
  readonly asCurrentA: number;
  /** The one that holds for this load. */
  readonly workingA: number;
  /** Largest current of the row when one item starts and the others run; null without a surge. */
  readonly surgeA: number | null;
  readonly surgeS: number;
}

/** Rating computed with, W or A: of equipment not chosen yet, the heaviest candidate's. */
export const studyRating = (load: Load): number => Math.max(load.rating, load.range?.toRating ?? 0);

export function loadCurrent(load: Load, volts: Pick<StudyVolts, 'lowV' | 'chargingV'>): LoadCurrent {
  const rating = studyRating(load);
  const oneA = load.ratingBy === 'A' ? rating : rating / load.nominalV;
  const nominalA = oneA * load.quantity;
  const nominalW = nominalA * load.nominalV;
  const asPowerA = nominalW / volts.lowV;
  const asResistanceA = (nominalA * volts.chargingV) / load.nominalV;
  // What may be plugged in to feed the boat passes the same cable and device.
  const inA = load.socket?.inA ?? 0;
  const drawnA = load.behaviour === 'power' ? asPowerA : load.behaviour === 'resistance' ? asResistanceA : nominalA;
  const workingA = Math.max(drawnA, inA);
  const others = (workingA * (load.quantity - 1)) / load.quantity;
  const surges = load.surgeA !== null && load.surgeA > workingA / load.quantity;
  return {
    nominalW,
    nominalA,
    asPowerA,
    asResistanceA,
    asCurrentA: nominalA,
    workingA,
    surgeA: surges && load.surgeA !== null ? others + load.surgeA : null,
    surgeS: load.surgeS ?? 1,
  };
}
