/** What the sources make on a day in each way of living, and how long the bank lasts without them. */
import { partsRead, share } from '../design';
import { sameParts } from '../topology';
import { AS_ENTERED, type Loop } from './books';
import { Sum } from './kernel/layout';
import { createLoop } from './loop';
import { SCENE_READS, type SceneParts, STILL_READS } from './parts';
import { redrawn, type Scene, sceneIn } from './scene';

export interface DayYield {
  readonly livingId: string;
  /** Drawn by loads that day at the volts they see, and given by all sources but DC–DC, Ah. */
  readonly drawnAh: number;
  readonly madeAh: number;
  /** By source, Ah. */
  readonly bySource: readonly number[];
  /** By bank: what the day begun in the middle of the house's window leaves it richer or poorer by, Ah. */
  readonly netAh: readonly number[];
  readonly litres: number;
  /** State of charge of the house bank day begins with when the day is repeated until nothing changes. */
  readonly settlesAt: number;
  readonly lowest: number;
}

/** An hour: at every edit all ways of living are gone through. */
const STEP_MIN = 60;
const MOST_DAYS = 10;

/**
 * Each way of living as one day from the middle of the house bank's window, so that it takes what it is given; then repeated until it settles.
 * Empty without a bank.
 */
export function dayYields(design: SceneParts): DayYield[] {
  const stage = stageOf(design);
  return stage ? madeOn(stage) : [];
}

/** The boat at rest, ready to be gone through, and the loop that does it. */
interface Stage {
  readonly scene: Scene;
  readonly loop: Loop;
}

/** The stage with other loads. */
function restaged(stage: Stage, design: SceneParts): Stage {
  const scene = redrawn(stage.scene, design);
  stage.loop.redraw(scene);
  return { ...stage, scene };
}

function stageOf(design: SceneParts): Stage | null {
  if (design.banks.length === 0 || design.sources.length === 0) return null;
  const scene = sceneIn(design, { stepMin: STEP_MIN });
  return { scene, loop: createLoop(scene) };
}

function madeOn({ scene, loop }: Stage): DayYield[] {
  const house = scene.banks[scene.house];
  if (!house) return [];
  const middle = (house.chemistry.windowLowSoc + house.chemistry.windowHighSoc) / 2;
  return scene.days.flatMap((day, at): DayYield[] => {
    if (!day) return [];
    loop.reset(middle);
    loop.day(at, AS_ENTERED);
    const { totals } = loop;
    const bySource = Array.from(totals.sourceAh);
    const made: Omit<DayYield, 'settlesAt' | 'lowest'> = {
      livingId: day.livingId,
      drawnAh: totals.sums[Sum.load] ?? 0,
      madeAh: bySource.reduce((sum, ah, s) => sum + (scene.sources[s]?.driver === 'input' ? 0 : ah), 0),
      bySource,
      netAh: scene.banks.map((b, i) => ((loop.soc[i] ?? middle) - middle) * b.capAh),
      litres: totals.sums[Sum.litres] ?? 0,
    };
    let was = middle;
    for (let i = 0; i < MOST_DAYS; i++) {
      const now = loop.soc[scene.house] ?? 0;
      if (Math.abs(now - was) < 0.002) break;
      was = now;
      loop.day(at, AS_ENTERED);
    }
    return [{ ...made, settlesAt: loop.soc[scene.house] ?? 0, lowest: totals.lowest[scene.house] ?? 0 }];
  });
}

export interface YieldMemory {
  /** madeOf, worked out again only when something it depends on has moved. */
  readonly of: (design: SceneParts) => readonly DayYield[];
}

export function yieldMemory(): YieldMemory {
  let deps: readonly unknown[] = [];
  let stillDeps: readonly unknown[] = [];
  let stage: Stage | null = null;
  let made: readonly DayYield[] = [];
  return {
    of: (d) => {
      const still = partsRead(d, STILL_READS);
      const now = partsRead(d, SCENE_READS);
      if (sameParts(deps, now)) return made;
      // While only loads and circuits move, banks and sources stand.
      stage = stage && sameParts(stillDeps, still) ? restaged(stage, d) : stageOf(d);
      made = share(made, stage ? madeOn(stage) : []);
      deps = now;
      stillDeps = still;
      return made;
    },
  };
}
