/** The working: arithmetic as a careful person writes it, returned as data. */
import type { VoltsLost } from '../circuit';
import type { Kind, Mark } from '../quantity';

export interface WorkingLine {
  readonly label: string;
  /** The formula with the numbers in it. */
  readonly formula?: string;
  readonly value: number;
  readonly kind: Kind;
  /** Value and unit as people read it. */
  readonly text: string;
  readonly mark?: Mark;
  readonly source?: string;
  /** Breaks a limit. */
  readonly breaks?: boolean;
}

export interface WorkingSection {
  readonly title: string;
  readonly lines: readonly WorkingLine[];
}

export interface Neighbour {
  readonly label: string;
  readonly size: string;
  readonly passes: boolean;
  readonly figures: readonly string[];
}

export interface Working {
  readonly title: string;
  readonly sections: readonly WorkingSection[];
  readonly neighbours: readonly Neighbour[];
  readonly margins: readonly string[];
  /** Where the volts of a circuit's whole path go. */
  readonly volts?: readonly VoltsLost[];
  readonly cautions: readonly string[];
  /** The other school's answer in a sentence. */
  readonly beside?: string;
}
