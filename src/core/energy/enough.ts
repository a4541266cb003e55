/** How much more of something a season would take: the least number of times a little more of it that keeps the bank in its window often enough. */
import { createLoop } from './loop';
import { type More, type SeasonAsked, seasonBlock, seasonResult, seasonScene, withMore } from './season';
import type { Design } from '../design';

/** Nobody puts more than so many times a little more into a boat. */
export const MOST_TIMES = 16;

export interface Enough {
  readonly more: More;
  /** Times a little more; null: not even the most. */
  readonly times: number | null;
  /** Share of cruises that leave the window with it, 0..1. */
  readonly out: number;
}

/** A design with a little more of something, so many times. */
export function withMoreTimes(design: Design, more: More, times: number): Design | null {
  let grown: Design | null = design;
  for (let n = 0; n < times && grown; n++) grown = withMore(grown, more);
  return grown;
}

/**
 * By doubling and halving, with the same weather every time. @param share of cruises that may leave the window, 0..1.
 * @returns null where there is nothing of it aboard to add to.
 */
export function enoughOf(design: Design, more: More, asked: SeasonAsked, share: number): Enough | null {
  const outWith = (times: number): number | null => {
    const grown = withMoreTimes(design, more, times);
    if (!grown) return null;
    const scene = seasonScene(grown);
    const block = seasonBlock(scene, asked, 0, asked.runs, createLoop(scene.scene, true));
    return seasonResult([block], scene.windowLow).out.share;
  };
  let [low, high] = [0, 1];
  let out = outWith(high);
  if (out === null) return null;
  while (out > share && high < MOST_TIMES) {
    [low, high] = [high, Math.min(MOST_TIMES, 2 * high)];
    out = outWith(high) ?? out;
  }
  if (out > share) return { more, times: null, out };
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    const there = outWith(middle) ?? 1;
    if (there <= share) [high, out] = [middle, there];
    else low = middle;
  }
  return { more, times: high, out };
}
