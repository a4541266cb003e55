/** Labels for both ends of every piece: on sheets of common formats, and as wraps by the cable they go round. */
import type { CutList } from '../cutList';
import { box, type Paper, type PaperPage, PAPERS, type Shape, words } from './page';

export interface LabelSheet {
  readonly id: string;
  readonly paper: Paper;
  readonly columns: number;
  readonly rows: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** From one label's corner to the next one's. */
  readonly acrossMm: number;
  readonly downMm: number;
}

/** Sheets every stationer has, by their geometry, of each paper the smallest labels first; they lie in the middle of the paper. */
export const LABEL_SHEETS: readonly LabelSheet[] = [
  { id: '25.4 × 10 mm, 189 on A4', paper: 'A4', columns: 7, rows: 27, widthMm: 25.4, heightMm: 10, acrossMm: 27.9, downMm: 10 },
  { id: '38.1 × 21.2 mm, 65 on A4', paper: 'A4', columns: 5, rows: 13, widthMm: 38.1, heightMm: 21.2, acrossMm: 40.6, downMm: 21.2 },
  { id: '52.5 × 29.7 mm, 40 on A4', paper: 'A4', columns: 4, rows: 10, widthMm: 52.5, heightMm: 29.7, acrossMm: 52.5, downMm: 29.7 },
  { id: '70 × 37 mm, 24 on A4', paper: 'A4', columns: 3, rows: 8, widthMm: 70, heightMm: 37, acrossMm: 70, downMm: 37 },
  {
    id: '1 3/4 × 1/2 in, 80 on Letter',
    paper: 'Letter',
    columns: 4,
    rows: 20,
    widthMm: 44.45,
    heightMm: 12.7,
    acrossMm: 52.07,
    downMm: 12.7,
  },
  {
    id: '2 5/8 × 1 in, 30 on Letter',
    paper: 'Letter',
    columns: 3,
    rows: 10,
    widthMm: 66.675,
    heightMm: 25.4,
    acrossMm: 69.85,
    downMm: 25.4,
  },
];

/** Every label as often as it is stuck on, in the order of the list. */
export const labelTexts = (list: Pick<CutList, 'labels'>): readonly string[] =>
  list.labels.flatMap((l) => Array.from({ length: l.count }, () => l.item));

/** Upper left corner of a label, counted row by row from 0: all of them together lie in the middle of the paper. */
function cornerOf({ paper, columns, rows, widthMm, heightMm, acrossMm, downMm }: LabelSheet, i: number): readonly [x: number, y: number] {
  const [width, height] = PAPERS[paper];
  const left = (width - (columns - 1) * acrossMm - widthMm) / 2;
  const top = (height - (rows - 1) * downMm - heightMm) / 2;
  return [left + (i % columns) * acrossMm, top + Math.floor(i / columns) * downMm];
}

const PAD_MM = 1.5;
const MOST_TEXT_MM = 5;

/** @param from the first label of the sheet that is still there, from 1. */
export function labelPages(texts: readonly string[], sheet: LabelSheet, from = 1): readonly PaperPage[] {
  const each = sheet.columns * sheet.rows;
  const skipped = Math.min(each - 1, Math.max(0, Math.round(from) - 1));
  const pages = Math.ceil((texts.length + skipped) / each);
  return Array.from({ length: pages }, (_, page) => ({
    paper: sheet.paper,
    name: `labels, sheet ${page + 1} of ${pages}`,
    shapes: Array.from({ length: each }, (_cell, i) => ({ i, text: texts[page * each + i - skipped] })).flatMap(
      ({ i, text }): readonly Shape[] => {
        if (text === undefined) return [];
        const [x, y] = cornerOf(sheet, i);
        return words(text, x + PAD_MM, y + PAD_MM, sheet.widthMm - 2 * PAD_MM, sheet.heightMm - 2 * PAD_MM, MOST_TEXT_MM, true);
      },
    ),
  }));
}

/** The outline of every label of a sheet, to lay over it: for the screen, never printed on. */
export function labelOutlines(sheet: LabelSheet): readonly Shape[] {
  return Array.from({ length: sheet.columns * sheet.rows }, (_, i) => box(...cornerOf(sheet, i), sheet.widthMm, sheet.heightMm));
}

/** Lengths self-laminating wraps come in, mm: a written part, and a clear tail that goes over it. */
const WRAPS_MM = [20, 25, 38, 50, 75, 100, 150] as const;

export interface Wrap {
  /** null: thicker than any of them; a flag or a tag. */
  readonly lengthMm: number | null;
  readonly count: number;
  readonly fromMm: number;
  readonly toMm: number;
  /** By cable: how many of them, and its outside, mm. */
  readonly of: readonly { readonly size: string; readonly odMm: number; readonly count: number }[];
}

/** Twice round the cable and a little, so that the clear tail covers what is written. */
export const wrapFor = (odMm: number): number | null => WRAPS_MM.find((w) => w >= 2 * Math.PI * odMm + 2) ?? null;

/** Two for each piece, by the length of wrap its cable asks for. */
export function wrapsOf({ cuts }: Pick<CutList, 'cuts'>): readonly Wrap[] {
  const by = new Map<number | null, Omit<Wrap, 'lengthMm'>>();
  for (const { odMm, size } of cuts) {
    const had = by.get(wrapFor(odMm)) ?? { count: 0, fromMm: odMm, toMm: odMm, of: [] };
    const alike = had.of.find((x) => x.size === size && x.odMm === odMm) ?? { size, odMm, count: 0 };
    by.set(wrapFor(odMm), {
      count: had.count + 2,
      fromMm: Math.min(had.fromMm, odMm),
      toMm: Math.max(had.toMm, odMm),
      of: [...had.of.filter((x) => x !== alike), { ...alike, count: alike.count + 2 }],
    });
  }
  return [...by].map(([lengthMm, w]) => ({ lengthMm, ...w })).sort((a, b) => a.fromMm - b.fromMm);
}
