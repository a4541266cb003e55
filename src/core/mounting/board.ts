/** Several bodies on one face, each with the air it asks for: do they go, and where. */
import { MaxRectsPacker } from 'maxrects-packer';
import type { Face } from '../design';
import type { Mounted } from './things';
import { roomFor, turnedOn } from './turned';

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

/** Bodies packed on a face, the largest first; what does not go is named. What goes only when it is turned is turned, where it may be. */
export function boardOf(face: Face, things: readonly Mounted[]): Board {
  const packer = new MaxRectsPacker(face.widthMm, face.heightMm, 0, { smart: false, pot: false, square: false, allowRotation: false });
  const packed = [...things]
    .sort((a, b) => b.body.widthMm * b.body.heightMm - a.body.widthMm * a.body.heightMm)
    .map((thing) => {
      const turned = turnedOn(face, thing);
      const [w, h] = roomFor(thing)[turned ? 'across' : 'upright'];
      return { thing, turned, rect: packer.add(w, h, null) };
    });
  const [first] = packer.bins;
  const goes = ({ rect }: (typeof packed)[number]) => !rect.oversized && first?.rects.includes(rect) === true;
  return {
    face,
    placed: packed.filter(goes).map(({ thing, rect, turned }) => ({
      thing,
      x: rect.x + thing.body.sidesMm,
      y: rect.y + thing.body.belowMm,
      width: turned ? thing.body.heightMm : thing.body.widthMm,
      height: turned ? thing.body.widthMm : thing.body.heightMm,
    })),
    over: packed.filter((p) => !goes(p)).map((p) => p.thing),
  };
}
