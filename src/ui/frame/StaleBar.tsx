'use client';
import { useCallback, useSyncExternalStore } from 'react';
import { useAnalyser } from '@/ui/boat/context';

/** Figures of an older design are shown without a word for this long. */
const PATIENCE_MS = 2000;

const earlier = (a: number | null, b: number | null): number | null => (a === null ? b : b === null ? a : Math.min(a, b));

/** Why figures on the screen are not of the newest design: what failed, or that they are late; null while all is well. */
function useStale(): { readonly trouble: string | null } | null {
  const analyser = useAnalyser();
  const stale = (): string | null => {
    const figures = analyser.figures();
    const answers = analyser.answers.standing();
    const trouble = figures.trouble ?? answers.trouble;
    if (trouble !== null) return `failed ${trouble}`;
    const since = earlier(figures.behindSince, answers.behindSince);
    return since !== null && Date.now() - since >= PATIENCE_MS ? 'late' : null;
  };
  const subscribe = useCallback(
    (listener: () => void) => {
      let timer: ReturnType<typeof setTimeout> | undefined;
      const news = () => {
        clearTimeout(timer);
        listener();
        const since = earlier(analyser.figures().behindSince, analyser.answers.standing().behindSince);
        if (since !== null) timer = setTimeout(listener, Math.max(0, since + PATIENCE_MS - Date.now()) + 5);
      };
      const ends = [analyser.subscribe(news), analyser.answers.subscribe(news)];
      news();
      return () => {
        clearTimeout(timer);
        for (const end of ends) end();
      };
    },
    [analyser],
  );
  const now = useSyncExternalStore(subscribe, stale, () => null);
  return now === null ? null : { trouble: now.startsWith('failed ') ? now.slice('failed '.length) : null };
}

/** Stands over every station, on paper too, while figures are not of the newest design or what works them out has failed. */
export function StaleBar() {
  const analyser = useAnalyser();
  const stale = useStale();
  if (!stale) return null;
  const { trouble } = stale;
  const { revision } = analyser.figures();
  return (
    <div role="alert" data-testid="stale" className="caution flex flex-none items-baseline gap-4 border-b border-lead px-4 py-2">
      <b className="font-semibold">These figures are not up to date.</b>
      {trouble === null ? (
        <span>They belong to revision {revision}; the newest edit is still being worked out.</span>
      ) : (
        <>
          <span className="min-w-0">
            The calculation failed twice ({trouble}). What is shown belongs to revision {revision}; nothing you typed is lost. Do not build
            from it.
          </span>
          <button type="button" className="act screen-only ml-auto flex-none" onClick={() => analyser.retry()}>
            try again
          </button>
        </>
      )}
    </div>
  );
}
