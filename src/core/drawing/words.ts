/** Where the words of each line stand: along its level stretches, clear of every thing and of each other's. */
import { type Laid, type Layout, TAP_PITCH, textWidth } from './placed';

type Box = readonly [left: number, top: number, right: number, bottom: number];

/** Of a text over its line and one below it: from the line to the baseline, and a letter's height above and below that. */
export const OVER = -4;
export const BELOW = 11;
const RISE = 8;
const FALL = 2.5;
/** A symbol in line is so wide. */
export const INLINE_WIDTH = 18;
const FIRST = 8;
const STEP = 10;

const textBox = (x: number, baseline: number, text: string): Box => [x, baseline - RISE, x + textWidth(text), baseline + FALL];
const meet = (a: Box, b: Box): boolean => a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3];

/** Level stretches of a line, the longest first: [left, right, y]. */
export function levelsOf({ points }: Pick<Laid, 'points'>): (readonly [left: number, right: number, y: number])[] {
  const out: (readonly [number, number, number])[] = [];
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]];
    if (a && b && Math.abs(a[1] - b[1]) <= 0.5) out.push([Math.min(a[0], b[0]), Math.max(a[0], b[0]), a[1]]);
  }
  return out.sort((p, q) => q[1] - q[0] - (p[1] - p[0]));
}

/** What is written of a thing, and its symbol; lines keep clear of it. */
function thingBoxes({ x, y, width, height, symbol, taps, label, under }: Layout['things'][number]): Box[] {
  if (symbol === 'panel' || symbol === 'bar' || symbol === 'cell') return [[x, y, x + width, y + height]];
  const middle = y + (height - taps.length * TAP_PITCH) / 2;
  const said = Math.max(textWidth(label), textWidth(under)) + 24;
  return [
    [x, middle - 10, x + said, middle + 12],
    ...taps.map((t, i): Box => textBox(x + 24, middle + 15 + (i + 1) * TAP_PITCH, `${t.over}  ${t.label} ${t.under}`)),
  ];
}

const wordBoxes = (line: Laid, [x, y]: readonly [number, number]): Box[] => [
  ...(line.no || line.over ? [textBox(x, y + OVER, `${line.worst ? '! ' : ''}${line.no ? `${line.no}  ` : ''}${line.over}`)] : []),
  ...(line.below ? [textBox(x, y + BELOW, line.below)] : []),
];

/** @returns the layout with the words of each line where they lie over nothing, or where the line is longest when there is no such place. */
export function withWords(layout: Omit<Layout, 'lines'> & { readonly lines: readonly Omit<Laid, 'words'>[] }): Layout {
  const taken: Box[] = layout.things.flatMap(thingBoxes);
  const lines = layout.lines.map((bare): Laid => {
    const line = bare as Laid;
    const levels = levelsOf(line);
    const [first] = levels;
    const begin = FIRST + line.symbols.length * (INLINE_WIDTH + 2);
    const usual: readonly [number, number] = first ? [first[0] + begin, first[2]] : [line.points[0]?.[0] ?? 0, line.points[0]?.[1] ?? 0];
    const free = (at: readonly [number, number]) => wordBoxes(line, at).every((b) => taken.every((t) => !meet(b, t)));
    let words = usual;
    if (!free(usual)) {
      search: for (const [i, [left, right, y]] of levels.entries())
        for (let x = left + (i === 0 ? begin : FIRST); x < right - STEP; x += STEP)
          if (free([x, y])) {
            words = [x, y];
            break search;
          }
    }
    taken.push(...wordBoxes(line, words));
    return { ...line, words };
  });
  return { ...layout, lines };
}
