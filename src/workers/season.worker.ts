/** One worker's share of a season's cruises. */
import { expose } from 'comlink';
import type { Design } from '@/core/design';
import {
  createLoop,
  type Enough,
  enoughOf,
  type More,
  type SeasonAsked,
  seasonBlock,
  type SeasonBlock,
  seasonScene,
  type SeasonScene,
} from '@/core/energy';

let scene: SeasonScene | null = null;
let loop: ReturnType<typeof createLoop> | null = null;

const api = {
  /** Takes a design; @returns the bottom of the house bank's window and the cruise's days. */
  prepare(design: Design): { windowLow: number; days: number } {
    scene = seasonScene(design);
    loop = createLoop(scene.scene, true);
    return { windowLow: scene.windowLow, days: scene.days.length };
  },
  /** How much more of something would be enough. */
  enough: (design: Design, more: More, asked: SeasonAsked, share: number): Enough | null => enoughOf(design, more, asked, share),
  block(asked: SeasonAsked, from: number, runs: number): SeasonBlock {
    if (!scene || !loop) throw new Error('prepare first');
    return seasonBlock(scene, asked, from, runs, loop);
  },
};

export type SeasonApi = typeof api;
expose(api);
