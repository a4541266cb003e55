'use client';
import { useState } from 'react';
import type { CircuitResult, Growth } from '@/core';
import { parseNumber } from '@/core/quantity';
import { useAsked, useBoat } from '@/ui/boat/context';
import { GrowthTable } from '@/ui/growth/GrowthTable';

type What = 'the run' | 'everything aboard' | `load:${string}`;

const growthOf = (what: What, by: number, circuitId: string): Growth =>
  what === 'the run' ? { run: { circuitId, by } } : what === 'everything aboard' ? { everything: by } : { load: { id: what.slice(5), by } };

/** One thing made larger, and everything on its path tested as it stands. */
export function Grow({ result }: { result: CircuitResult }) {
  const { design } = useBoat();
  const units = design.boat;
  const circuit = design.circuits.find((c) => c.id === result.id);
  const loads = design.loads.filter((l) => circuit?.taps.some((t) => t.serves.id === l.id));
  const [what, setWhat] = useState<What>(loads[0] ? `load:${loads[0].id}` : 'everything aboard');
  const [text, setText] = useState('1.5');
  const by = parseNumber(text, 'none', units, 0.05, 20);
  const lines = useAsked(by.ok ? `grow:${result.id}:${what}:${by.value}` : null, (r) =>
    r.grow(growthOf(what, by.ok ? by.value : 1, result.id)),
  );
  return (
    <div className="py-1">
      <div className="flex flex-wrap items-baseline gap-2">
        what if
        <select className="box" aria-label="What grows" value={what} onChange={(e) => setWhat(e.target.value as What)}>
          {loads.map((l) => (
            <option key={l.id} value={`load:${l.id}`}>
              {l.name}
            </option>
          ))}
          <option value="the run">the length of this run</option>
          <option value="everything aboard">everything aboard</option>
        </select>
        becomes
        <input
          className="box reading w-[60px] text-right"
          aria-label="Times as much"
          aria-invalid={!by.ok}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        times as much
        {by.ok ? null : <span className="font-semibold text-lead">{by.message}</span>}
      </div>
      {lines ? <GrowthTable label="What if it grows" lines={lines} /> : null}
    </div>
  );
}
