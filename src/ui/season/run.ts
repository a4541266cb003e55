/** A season shared out among workers: same seed, same answer, however many there are. */
import type { Design } from '@/core/design';
import { type SeasonAsked, type SeasonBlock, seasonResult, type SeasonResult } from '@/core/energy';
import { employ } from '@/ui/boat/employ';
import type { SeasonApi } from '@/workers/season.worker';

const CHUNK = 50;
/** A block that takes longer is a worker that hangs. */
const PATIENCE_MS = 120_000;

export interface SeasonTask {
  readonly name: string;
  readonly design: Design;
}

/** Workers at once: one a core, four at most. */
const crew = (): number => Math.max(1, Math.min(4, navigator.hardwareConcurrency || 2));

/**
 * Runs each task's season in turn. @param onProgress cruises done of all. @param onResult a finished season. @param onTrouble a worker that failed: the season ends.
 * @returns stop: ends the workers at once; nothing is told after it.
 */
export function runSeasons(
  tasks: readonly SeasonTask[],
  asked: SeasonAsked,
  onProgress: (done: number, of: number) => void,
  onResult: (name: string, result: SeasonResult) => void,
  onTrouble: (what: string) => void,
): () => void {
  const workers = Array.from({ length: crew() }, () =>
    employ<SeasonApi>(() => new Worker(new URL('../../workers/season.worker.ts', import.meta.url), { type: 'module' })),
  );
  let stopped = false;
  let done = 0;
  const of = tasks.length * asked.runs;
  const season = async (task: SeasonTask) => {
    const prepared = await Promise.all(workers.map((w) => w.call((r) => r.prepare(task.design), PATIENCE_MS)));
    const blocks: SeasonBlock[] = [];
    let next = 0;
    await Promise.all(
      workers.map(async (worker) => {
        while (!stopped && next < asked.runs) {
          const from = next;
          const runs = Math.min(CHUNK, asked.runs - from);
          next += runs;
          blocks.push(await worker.call((r) => r.block(asked, from, runs), PATIENCE_MS));
          done += runs;
          if (!stopped) onProgress(done, of);
        }
      }),
    );
    if (!stopped) onResult(task.name, seasonResult(blocks, prepared[0]?.windowLow ?? 0));
  };
  const stop = () => {
    stopped = true;
    for (const w of workers) w.end();
  };
  void (async () => {
    try {
      for (const task of tasks) if (!stopped) await season(task);
    } catch (error) {
      if (!stopped) onTrouble(error instanceof Error ? error.message : String(error));
    }
    if (!stopped) stop();
  })();
  return stop;
}
