/** One worker's share of a season's cruises. */
import { expose } from 'comlink';
import type { Design } from '@/core/design';
import { createLoop, type SeasonAsked, seasonBlock, type SeasonBlock, seasonScene, type SeasonScene } from '@/core/energy';

let scene: SeasonScene | null = null;
let loop: ReturnType<typeof createLoop> | null = null;

const api = {
  /** Takes a design; @returns the bottom of the house bank's window and the cruise's days. */
  prepare(design: Design): { windowLow: number; days: number } {
    scene = seasonScene(design);
    loop = createLoop(scene.scene, true);
    return { windowLow: scene.windowLow, days: scene.days.length };
  },
  block(asked: SeasonAsked, from: number, runs: number): SeasonBlock {
    if (!scene || !loop) throw new Error('prepare first');
    return seasonBlock(scene, asked, from, runs, loop);
  },
};

export type SeasonApi = typeof api;
expose(api);
