/** The line drawing of a design: made from it and its analysis, never drawn by hand. */
import type { Analysis } from '../analysis';
import { asDecided, type Design } from '../design';
import { drawAc } from './ac';
import { drawCircuits, putBanks, putPanels } from './circuits';
import { drawTies, drawLeads, drawSources } from './mainSide';
import { penFor } from './pen';
import type { Drawing, DrawingWish } from './types';

/** Beyond this many circuits drawn, panels begin folded, the largest first. */
const OPEN_CIRCUITS = 48;

/** Panels to fold so that the drawing stays readable; none on a small boat. */
export function foldAtFirst(design: Design): ReadonlySet<string> {
  const ways = (id: string) => design.circuits.filter((c) => c.from.kind === 'panel' && c.from.id === id).length;
  let drawn = design.circuits.length;
  const folded = new Set<string>();
  for (const p of [...design.panels].sort((a, b) => ways(b.id) - ways(a.id))) {
    if (drawn <= OPEN_CIRCUITS) break;
    // What feeds further panels stays open: they would hang in the air.
    if (design.circuits.some((c) => c.from.id === p.id && c.taps.some((t) => t.serves.kind === 'panel'))) continue;
    folded.add(p.id);
    drawn -= ways(p.id);
  }
  return folded;
}

/**
 * From source to load, so that the layout finds them in that order.
 * @param analysis of the same design. Total: what hangs on nothing is drawn and hangs on nothing.
 */
export function drawingOf(whole: Design, analysis: Analysis, wish: DrawingWish): Drawing {
  const pen = penFor(asDecided(whole), analysis, wish);
  if (wish.rails === 'AC') {
    drawAc(pen);
    return pen.drawing();
  }
  const earths = wish.rails === 'earths';
  if (!earths) drawSources(pen);
  putBanks(pen);
  if (!earths) {
    putPanels(pen);
    drawCircuits(pen);
    drawTies(pen);
  }
  drawLeads(pen);
  return pen.drawing();
}
