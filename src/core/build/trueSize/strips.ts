/** Legend strips of the panels at true size, row under row. */
import type { Design } from '../../design';
import { round3 } from '../../quantity';
import { rowOf } from '../../design';
import type { Lists } from '../lists';
import { BAR_ROOM_MM, box, checkBar, EDGE_MM, type Paper, type PaperPage, PAPERS, type Shape, words } from './page';

const STRIP_MM = 14;
const HEAD_MM = 7;
const GAP_MM = 6;

/** @param design for the pitch of each panel's ways. */
export function stripPages(design: Design, lists: Pick<Lists, 'panels' | 'acPanels'>, paper: Paper): readonly PaperPage[] {
  const [width, height] = PAPERS[paper];
  const pages: Shape[][] = [];
  let y = Infinity;
  const need = (mm: number) => {
    if (y + mm <= height - EDGE_MM - BAR_ROOM_MM) return;
    pages.push([...checkBar(paper)]);
    y = EDGE_MM;
  };
  const put = (...shapes: readonly Shape[]) => pages[pages.length - 1]?.push(...shapes);
  const all = [
    ...lists.panels.map((p) => ({ name: p.name, ways: p.ways, pitchMm: rowOf(design.panels, p.panelId)?.pitchMm ?? PITCH_MM })),
    ...lists.acPanels.map((p) => ({ name: p.name, ways: p.ways, pitchMm: rowOf(design.acPanels, p.panelId)?.pitchMm ?? PITCH_MM })),
  ].filter((p) => p.ways.some((w) => w.circuitId !== null));
  for (const { name, ways, pitchMm } of all) {
    const each = Math.max(1, Math.floor((width - 2 * EDGE_MM) / pitchMm));
    for (let from = 0; from < ways.length; from += each) {
      need(HEAD_MM + STRIP_MM + GAP_MM);
      const end = Math.min(ways.length, from + each);
      const head = `${name}, ways ${from + 1} to ${end}`;
      put({ kind: 'text', x: EDGE_MM + Math.min(90, (head.length * 2) / 2 + 8), y: y + 4, size: 3, text: head, bold: true });
      y += HEAD_MM;
      ways.slice(from, from + each).forEach((w, i) => {
        const x = EDGE_MM + i * pitchMm;
        put(box(x, y, pitchMm, STRIP_MM));
        if (w.circuitId === null) return;
        put(
          ...words(w.name, x + 0.6, y + 0.6, pitchMm - 1.2, STRIP_MM - 5, 2.6, true),
          ...(w.ratingA === null ? [] : words(`${round3(w.ratingA)} A`, x + 0.6, y + STRIP_MM - 4.2, pitchMm - 1.2, 3.6, 2.6)),
        );
      });
      y += STRIP_MM + GAP_MM;
    }
  }
  return pages.map((shapes, i) => ({ paper, name: `legend strips, ${i + 1} of ${pages.length}`, shapes }));
}
const PITCH_MM = 19;
