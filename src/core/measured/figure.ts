/** A figure that measured days teach. */
import type { Op } from '../design';

export interface LearnedFigure {
  readonly id: string;
  readonly what: string;
  readonly was: string;
  readonly is: string;
  /** The figure, and within what the truth lies in 95 of 100: in the unit it is told in. */
  readonly value: number;
  readonly within: number;
  /** Times it was seen. */
  readonly n: number;
  readonly spread: string;
  /** Empty: it is told, and nothing of the design holds it. */
  readonly ops: readonly Op[];
}
