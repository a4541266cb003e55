/** How much more of each thing would be enough for a season: each asked of a worker of its own, stopped with the season. */
import type { Design } from '@/core/design';
import { type Enough, MORE, type SeasonAsked } from '@/core/energy';
import { employ } from '@/ui/boat/employ';
import type { SeasonApi } from '@/workers/season.worker';

/** Fewer cruises do for finding about how much. */
const RUNS = 200;
const PATIENCE_MS = 60_000;
const AT_ONCE = 2;

/** @returns stop. Nothing is told after it. */
export function searchEnough(
  design: Design,
  asked: SeasonAsked,
  share: number,
  onFound: (found: readonly Enough[]) => void,
  onTrouble: (what: string) => void,
): () => void {
  const workers = Array.from({ length: AT_ONCE }, () =>
    employ<SeasonApi>(() => new Worker(new URL('../../workers/season.worker.ts', import.meta.url), { type: 'module' })),
  );
  let stopped = false;
  const stop = () => {
    stopped = true;
    for (const w of workers) w.end();
  };
  const left = [...MORE];
  const found: Enough[] = [];
  void Promise.all(
    workers.map(async (worker) => {
      for (let more = left.shift(); more && !stopped; more = left.shift()) {
        const wanted = more;
        const answer = await worker.call(
          (r) => r.enough(design, wanted, { ...asked, runs: Math.min(RUNS, asked.runs) }, share),
          PATIENCE_MS,
        );
        if (answer) found.push(answer);
      }
    }),
  )
    .then(() => {
      if (!stopped) onFound(MORE.flatMap((m) => found.find((f) => f.more === m) ?? []));
    })
    .catch((error: unknown) => {
      if (!stopped) onTrouble(error instanceof Error ? error.message : String(error));
    })
    .finally(() => {
      if (!stopped) stop();
    });
  return stop;
}
