/** A drawing that is laid out: where its things, lines and words are, and how wide a text is. */
import type { Drawn, Line } from './types';

/** Body text of the drawing, in its own units; a letter is about so wide. */
export const TEXT = 10;
const LETTER = 5.3;
/** From one tap of a run to the next. */
export const TAP_PITCH = 13;

export interface Placed extends Drawn {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface Laid extends Line {
  readonly points: readonly (readonly [x: number, y: number])[];
  /** Where its words begin, and the level of the line there. */
  readonly words: readonly [x: number, y: number];
}

export interface Layout {
  readonly things: readonly Placed[];
  readonly lines: readonly Laid[];
  readonly width: number;
  readonly height: number;
}

export const textWidth = (text: string): number => LETTER * text.length;
