/** The line drawing as things and lines, before anything has a place. */
import type { Severity } from '../design';
import type { StudyAnswer, Worst } from '../network';
import type { AcState } from '../ac';

/** General symbols of the IEC 60617 kind. */
export type SymbolKind =
  'cell' | 'bar' | 'panel' | 'rotating' | 'generator' | 'lamp' | 'converter' | 'load' | 'sun' | 'selector' | 'earth' | 'place' | 'bond';
export type InlineSymbol = 'fuse' | 'breaker' | 'switch' | 'relay' | 'diode' | 'shunt' | 'plug';
/** pair: positive and negative; trio: live, neutral and earth in one cable. */
export type Rail = 'positive' | 'negative' | 'earth' | 'pair' | 'live' | 'neutral' | 'trio';

/** What a thing or line on the drawing stands for in the design. */
export interface About {
  readonly kind:
    | 'circuit'
    | 'lead'
    | 'load'
    | 'panel'
    | 'bank'
    | 'bar'
    | 'source'
    | 'join'
    | 'place'
    | 'AC source'
    | 'AC panel'
    | 'AC circuit'
    | 'AC load';
  readonly id: string;
}

export interface Drawn {
  readonly id: string;
  readonly symbol: SymbolKind;
  /** What it is named by, then what is said under it. */
  readonly label: string;
  readonly under: string;
  readonly about: About;
  readonly worst: Severity | null;
  /** Loads tapped along one run, after the first: each with the stretch that leads to it. */
  readonly taps: readonly Tapped[];
  /** Of a panel: its circuits are not drawn. */
  readonly folded: boolean;
  /** Circuits of a panel, folded or not. */
  readonly ways: number;
  /** Of a bar: the symbol of what it belongs to. */
  readonly sign: SymbolKind | null;
}

export interface Tapped {
  readonly about: About;
  readonly label: string;
  readonly under: string;
  readonly over: string;
}

export interface Line {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly rail: Rail;
  readonly symbols: readonly InlineSymbol[];
  /** The circuit's number, where the line begins it. */
  readonly no: string;
  /** Above the line: size and length; below it: device, volts or amps. */
  readonly over: string;
  readonly below: string;
  readonly about: About;
  readonly worst: Severity | null;
}

export interface Drawing {
  readonly things: readonly Drawn[];
  readonly lines: readonly Line[];
}

export interface DrawingWish {
  /** Positive, negative and earth; the positive alone; the negatives and earths of the main side alone; or the AC side. */
  readonly rails: 'both' | 'one line' | 'earths' | 'AC';
  /** State of the AC side that is shown. */
  readonly ac?: AcState | null;
  readonly folded: ReadonlySet<string>;
  readonly study: StudyAnswer | null;
  /** Instead of one study, the worst of all at each load and lead. */
  readonly worst?: Worst | null;
}
