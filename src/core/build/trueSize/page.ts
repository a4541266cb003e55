/** A sheet of paper at true size: what is drawn on it, in millimetres from its upper left corner. */

export type Shape =
  | { readonly kind: 'box'; readonly x: number; readonly y: number; readonly w: number; readonly h: number; readonly dashed: boolean }
  | { readonly kind: 'line'; readonly x: number; readonly y: number; readonly toX: number; readonly toY: number; readonly dashed: boolean }
  /** Centred on x; y is its base line; size is its height, mm. */
  | { readonly kind: 'text'; readonly x: number; readonly y: number; readonly size: number; readonly text: string; readonly bold: boolean };

export interface PaperPage {
  readonly paper: Paper;
  readonly name: string;
  readonly shapes: readonly Shape[];
}

export type Paper = 'A4' | 'Letter';
/** Width and height, mm. */
export const PAPERS: Readonly<Record<Paper, readonly [number, number]>> = { A4: [210, 297], Letter: [215.9, 279.4] };

/** What no printer reaches, mm from every edge. */
export const EDGE_MM = 10;
export const BAR_MM = 100;
/** Kept free above the lower edge for the bar. */
export const BAR_ROOM_MM = 14;

/** Letters that can still be read, mm. */
const LEAST_TEXT_MM = 1.8;
/** Width of a letter, of its height, on the mean. */
const LETTER = 0.62;

export const box = (x: number, y: number, w: number, h: number, dashed = false): Shape => ({ kind: 'box', x, y, w, h, dashed });
export const line = (x: number, y: number, toX: number, toY: number, dashed = false): Shape => ({ kind: 'line', x, y, toX, toY, dashed });

/** Words within a box, in up to three lines, as large as they go; what does not go at the least size is cut off with a dot. */
export function words(text: string, x: number, y: number, w: number, h: number, most: number, bold = false): readonly Shape[] {
  let best: { readonly lines: readonly string[]; readonly size: number } = { lines: [text], size: 0 };
  for (const n of [1, 2, 3]) {
    const lines = parted(text, n);
    const longest = Math.max(1, ...lines.map((l) => l.length));
    const size = Math.min(most, w / (LETTER * longest), h / (1.25 * lines.length));
    if (size > best.size + 1e-9) best = { lines, size };
  }
  const size = Math.max(LEAST_TEXT_MM, best.size);
  const fits = Math.max(1, Math.floor(w / (LETTER * size)));
  const lines = best.lines.map((l) => (l.length > fits ? `${l.slice(0, Math.max(1, fits - 1))}.` : l));
  const top = y + (h - 1.25 * size * lines.length) / 2;
  return lines.map((l, i): Shape => ({ kind: 'text', x: x + w / 2, y: top + 1.25 * size * i + size, size, text: l, bold }));
}

/** Parted at blanks into lines of about one length. */
function parted(text: string, n: number): readonly string[] {
  const parts = text.split(' ');
  const lines: string[] = [];
  const each = text.length / n;
  for (const p of parts) {
    const last = lines[lines.length - 1];
    if (last === undefined || (lines.length < n && last.length + p.length / 2 >= each)) lines.push(p);
    else lines[lines.length - 1] = `${last} ${p}`;
  }
  return lines;
}

/** A bar of a hundred millimetres at the foot: measured before anything is cut. */
export function checkBar(paper: Paper): readonly Shape[] {
  const y = PAPERS[paper][1] - EDGE_MM;
  return [
    line(EDGE_MM, y, EDGE_MM + BAR_MM, y),
    line(EDGE_MM, y - 2, EDGE_MM, y + 2),
    line(EDGE_MM + BAR_MM, y - 2, EDGE_MM + BAR_MM, y + 2),
    {
      kind: 'text',
      x: EDGE_MM + BAR_MM / 2,
      y: y - 1.5,
      size: 2.5,
      text: '100 mm: measure it before you cut; print at 100 %',
      bold: false,
    },
  ];
}
