/** Several bodies on one face, each with the air it asks for: do they go, and where. */
import { MaxRectsPacker } from 'maxrects-packer';
import type { Face } from '../design';
import type { Mounted } from './things';

export interface OnBoard {
  readonly thing: Mounted;
  /** Lower left corner of the body from the face's, and its own size, mm. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface Board {
  readonly face: Face;
  readonly placed: readonly OnBoard[];
  /** What finds no room beside the rest. */
  readonly over: readonly Mounted[];
}

/** Bodies packed on a face, the largest first; what does not go is named. Upright ones stay upright. */
export function boardOf(face: Face, things: readonly Mounted[]): Board {
  const packer = new MaxRectsPacker(face.widthMm, face.heightMm, 0, { smart: false, pot: false, square: false, allowRotation: false });
  const packed = [...things]
    .sort((a, b) => b.body.widthMm * b.body.heightMm - a.body.widthMm * a.body.heightMm)
    .map((thing) => {
      const { widthMm, heightMm, sidesMm, aboveMm, belowMm } = thing.body;
      return { thing, rect: packer.add(widthMm + 2 * sidesMm, heightMm + aboveMm + belowMm, null) };
    });
  const [first] = packer.bins;
  const goes = ({ rect }: (typeof packed)[number]) => !rect.oversized && first?.rects.includes(rect) === true;
  return {
    face,
    placed: packed.filter(goes).map(({ thing, rect }) => ({
      thing,
      x: rect.x + thing.body.sidesMm,
      y: rect.y + thing.body.belowMm,
      width: thing.body.widthMm,
      height: thing.body.heightMm,
    })),
    over: packed.filter((p) => !goes(p)).map((p) => p.thing),
  };
}
