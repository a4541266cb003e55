import { useState } from 'react';
import type { Drawing } from '@/core/drawing';
import { useAsked } from '@/ui/boat/context';
import type { DrawingAsk } from '@/workers/analysis.worker';

const EMPTY: Drawing = { things: [], lines: [] };

/** The drawing as it is asked for, made in the worker. Until one is there that was not asked before, the last stays, and is said to be old. */
export function useDrawing(ask: DrawingAsk): { readonly drawing: Drawing; readonly asked: boolean } {
  const standing = ask.shown !== null && typeof ask.shown === 'object' && 'open' in ask.shown ? [...ask.shown.open, ...ask.shown.on] : [];
  const now = useAsked(`drawing:${JSON.stringify([ask, standing])}`, (r) => r.drawing(ask));
  const [last, setLast] = useState<Drawing>(EMPTY);
  if (now && now !== last) setLast(now);
  return { drawing: now ?? last, asked: now !== null };
}
