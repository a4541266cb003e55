'use client';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { useAnalyser } from '@/ui/boat/context';

/** Figures of an older design are shown without a word for this long. */
const PATIENCE_MS = 2000;

const earlier = (a: number | null, b: number | null): number | null => (a === null ? b : b === null ? a : Math.min(a, b));

/** Stands over every station, on paper too, while figures are not of the newest design or what works them out has failed. */
export function StaleBar() {
  const analyser = useAnalyser();
  const figures = useSyncExternalStore(analyser.subscribe, analyser.figures, analyser.figures);
  const troubleOfAnswers = () => analyser.answers.standing().trouble;
  const sinceOfAnswers = () => analyser.answers.standing().behindSince;
  const { subscribe } = analyser.answers;
  const failed = useSyncExternalStore(subscribe, troubleOfAnswers, troubleOfAnswers);
  const since = earlier(figures.behindSince, useSyncExternalStore(subscribe, sinceOfAnswers, sinceOfAnswers));
  /** The moment that has been waited out. */
  const [late, setLate] = useState<number | null>(null);
  useEffect(() => {
    if (since === null) return;
    const timer = setTimeout(() => setLate(since), Math.max(0, since + PATIENCE_MS - Date.now()));
    return () => clearTimeout(timer);
  }, [since]);
  const trouble = figures.trouble ?? failed;
  if (trouble === null && (since === null || late !== since)) return null;
  return (
    <div role="alert" data-testid="stale" className="caution flex flex-none items-baseline gap-4 border-b border-lead px-4 py-2">
      <b className="font-semibold">These figures are not up to date.</b>
      {trouble === null ? (
        <span>They belong to revision {figures.revision}; the newest edit is still being worked out.</span>
      ) : (
        <>
          <span className="min-w-0">
            The calculation failed twice ({trouble}). What is shown belongs to revision {figures.revision}; nothing you typed is lost. Do
            not build from it.
          </span>
          <button type="button" className="act screen-only ml-auto flex-none" onClick={() => analyser.retry()}>
            try again
          </button>
        </>
      )}
    </div>
  );
}
