'use client';
import { useState } from 'react';
import type { Compared } from '@/core/analysis';
import { applyEdit, type Op } from '@/core/design';
import { useAnalyser, useDesign, useStore } from '@/ui/boat/context';

type Effect = Compared | null | 'asking';

/** What ops would change, worked out when it is asked for. */
export function useWhatChanges(): { readonly effect: Effect; readonly ask: (ops: readonly Op[]) => Promise<void> } {
  const design = useDesign();
  const store = useStore();
  const analyser = useAnalyser();
  const [effect, setEffect] = useState<Effect>(null);
  const ask = async (ops: readonly Op[]) => {
    const edited = applyEdit(design, { ops: [...ops] });
    if (!edited.ok) return store.say('refused', 'The design has moved on: that figure is no longer as it was.');
    setEffect('asking');
    setEffect(await analyser.ask((r) => r.between(design, edited.design)).catch(() => null));
  };
  return { effect, ask };
}

/** What was asked for, line by line. */
export function WhatChanges({ effect }: { effect: Effect }) {
  if (effect === null) return null;
  if (effect === 'asking')
    return (
      <p role="status" className="text-quiet">
        Working it out.
      </p>
    );
  const { lines, changes, brings, settles } = effect;
  return (
    <ul className="mt-1 list-disc pl-5" aria-label="What it would change">
      {lines.map((l) => (
        <li key={l.what}>
          {l.what}: {l.a}, then {l.b}
        </li>
      ))}
      {changes.map((c) => (
        <li key={c.circuitId}>
          cable of {`${c.no} ${c.name}`.trim()}: {c.from}, then {c.to}
        </li>
      ))}
      {brings.map((f) => (
        <li key={f.id}>it brings: {f.title}</li>
      ))}
      {settles.map((f) => (
        <li key={f.id}>it settles: {f.title}</li>
      ))}
      {lines.length + changes.length + brings.length + settles.length === 0 ? <li>no figure changes</li> : null}
    </ul>
  );
}
