/** What rules on a circuit read, and the edits their cures share. */
import { type CircuitTrial, type Ladder, type State, type StillState, type StillTrial } from '../../circuit';
import { type Design, setOp, rowOf } from '../../design';
import { type Units } from '../../quantity';
import type { Rule } from '../rule';

/** What rules on a circuit read that do not go by the volts before its way. */
export interface StillFacts {
  readonly b: StillTrial;
  readonly own: Ladder;
  readonly state: StillState;
  readonly units: Units;
  /** The finding that says why nothing feeds it; undefined where a bank does. */
  readonly unfed: string | undefined;
  /** Petrol vapour is possible somewhere aboard. */
  readonly vapour: boolean;
}

/** What rules on its volts read. */
export interface CircuitFacts extends StillFacts {
  readonly b: CircuitTrial;
  readonly state: State;
}

export type StillRule = Rule<StillFacts>;
export type CircuitRule = Rule<CircuitFacts>;

export const circuitOf = (design: Design, id: string) => rowOf(design.circuits, id);
export const idOf = ({ b }: StillFacts): string => b.input.circuit.id;
export const serves = ({ b }: StillFacts): boolean => b.input.circuit.taps.length > 0;
/** Sets fields of the circuit a finding is about. */
export const setting =
  (change: (design: Design, id: string) => Readonly<Record<string, unknown>> | null): NonNullable<StillRule['cure']> =>
  (design, { about }) => {
    const fields = change(design, about.id);
    return fields && Object.entries(fields).map(([key, value]) => setOp(design, ['circuits', about.id, key], value));
  };
/** Takes the pinned size off, so that the application chooses, with the pieces its ends may ask for. */
export const unpin = setting((design, id) => {
  const c = circuitOf(design, id);
  return c?.pin.size && !c.found ? { pin: { ...c.pin, size: null, legs: 1, ownDevices: false }, stepDown: true } : null;
});

/** The device too, where it is pinned so large that a far short never opens it. */
export const release = setting((design, id) => {
  const c = circuitOf(design, id);
  if (!c || c.found || (!c.pin.size && !c.pin.ratingA)) return null;
  return { pin: { size: null, legs: 1, family: null, ratingA: null, ownDevices: false }, stepDown: true };
});

/** What was found is replaced by new. */
export const replaceIt = setting((design, id) => {
  const found = circuitOf(design, id)?.found;
  return found && found.decision !== 'replace' ? { found: { ...found, decision: 'replace' } } : null;
});
