'use client';
import { useMemo } from 'react';
import { missingOf, settlingMost } from '@/core/check';
import { nameOf } from '@/core/design';
import { useDesign } from '@/ui/boat/context';
import { useGo } from './useGo';

/** Facts nobody has entered: how many, which would settle most, and how each is found out. */
export function MissingView() {
  const design = useDesign();
  const go = useGo();
  const kinds = useMemo(() => missingOf(design), [design]);
  const count = kinds.reduce((n, k) => n + k.facts.length, 0);
  const first = settlingMost(kinds);
  if (count === 0) return <p className="mt-4">Every fact the rules ask for is entered. What only eyes can see is on the walk-round.</p>;
  return (
    <div className="max-w-[860px]">
      <p className="mt-3 text-[15px]">
        <b className="font-semibold">{count}</b> facts are missing{first.length > 1 ? '; these would settle most:' : ':'}
      </p>
      <ol className="list-decimal pl-6">
        {first.map((m) => (
          <li key={`${m.kind}${m.about.id}`}>
            <button type="button" className="plain" onClick={() => go(m.about)}>
              {nameOf(design, m.about)}
            </button>
            : {m.kind}; {m.how}. <span className="text-quiet">{m.judged} cables, devices and machines are judged by it.</span>
          </li>
        ))}
      </ol>
      <table className="mt-4 w-full text-left" aria-label="What is missing">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
            <th className="font-medium">fact</th>
            <th className="pr-3 text-right font-medium">of</th>
            <th className="pr-3 text-right font-medium">judged by it</th>
            <th className="font-medium">found out by</th>
            <th className="font-medium">of what</th>
          </tr>
        </thead>
        <tbody>
          {kinds.map((k) => (
            <tr key={k.kind} className="border-b border-line align-baseline">
              <td className="py-[2px] pr-3">{k.kind}</td>
              <td className="reading pr-3 text-right">{k.facts.length}</td>
              <td className="reading pr-3 text-right">{k.judged}</td>
              <td className="pr-3">{k.how}</td>
              <td className="text-quiet">
                {k.facts.slice(0, 6).map((m, i) => (
                  <span key={`${m.about.id}${i}`}>
                    {i > 0 ? ', ' : ''}
                    <button type="button" className="plain" onClick={() => go(m.about)}>
                      {nameOf(design, m.about)}
                    </button>
                  </span>
                ))}
                {k.facts.length > 6 ? ` and ${k.facts.length - 6} more` : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-[12px] text-quiet">
        Until a fact is entered something typical stands in, or nothing is tested. How much is judged by it: cables, devices and machines
        whose test reads it.
      </p>
    </div>
  );
}
