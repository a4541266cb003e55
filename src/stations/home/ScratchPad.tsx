'use client';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { BoatSummary } from '@/core/design';
import type { Line, ScratchResult } from '@/core/scratch';
import { useShelf } from '@/ui/boat/shelf';
import { ScratchCard } from '@/ui/scratch/ScratchCard';
import { UNITS } from '@/ui/schoolUnits';

/** The scratch line without a boat: the commonest question, answered as it is typed. */
export function ScratchPad({ boats }: { boats: readonly BoatSummary[] }) {
  const [line, setLine] = useState('');
  const [school, setSchool] = useState<'awg' | 'metric'>('metric');
  const [answer, setAnswer] = useState<{ readonly line: string; readonly result: ScratchResult } | null>(null);
  const { items, problem, put, take } = useShelf<Line>('line');
  useEffect(() => {
    if (line.trim() === '') return;
    let live = true;
    // The computation is fetched when the first line is typed, not with the page.
    void import('@/core/scratch').then(({ scratch }) => {
      if (live) setAnswer({ line, result: scratch(line, null, school) });
    });
    return () => {
      live = false;
    };
  }, [line, school]);
  const kept = items?.some((i) => i.item.name === line.trim()) ?? false;
  return (
    <section aria-label="Scratch line" className="mt-10">
      <h2 className="text-[15px] font-bold">Scratch line</h2>
      <p className="text-quiet">
        A load and a distance, in any usual units; no boat is needed. An inverter, an inlet or an alternator already aboard:{' '}
        <Link className="plain" href="/five-minutes" prefetch={false}>
          five minutes on any boat
        </Link>
        .
      </p>
      <div className="mt-2 flex gap-2">
        <input
          className="box flex-1 py-[6px] text-[15px]"
          aria-label="Load and distance"
          placeholder="140 W pump 24 V 7 m engine space"
          maxLength={120}
          value={line}
          onChange={(e) => setLine(e.target.value)}
        />
        <select className="box" aria-label="School" value={school} onChange={(e) => setSchool(e.target.value as 'awg' | 'metric')}>
          <option value="metric">mm²</option>
          <option value="awg">AWG</option>
        </select>
        <button
          type="button"
          className="act"
          disabled={!answer?.result.ok || kept || line.trim() === ''}
          onClick={() => void put({ id: `s${crypto.randomUUID().slice(0, 12)}`, name: line.trim(), school }, null)}
        >
          keep it
        </button>
      </div>
      {line.trim() !== '' && answer ? (
        <div className="mt-2 border border-line bg-sheet">
          <ScratchCard result={answer.result} units={UNITS[school]} />
          {answer.result.ok && boats.length > 0 ? (
            <p className="px-4 py-2">
              Work it out on{' '}
              {boats.slice(0, 6).map((b) => (
                <Link
                  key={b.id}
                  prefetch={false}
                  className="plain mr-3"
                  href={`/boats/${b.id}/wiring?line=${encodeURIComponent(line.trim())}`}
                >
                  {b.name}
                </Link>
              ))}
              and attach it there.
            </p>
          ) : null}
        </div>
      ) : null}
      {problem ? <p className="mt-2 text-lead">{problem}</p> : null}
      {items && items.length > 0 ? (
        <ul className="mt-3 border-t border-line" aria-label="Kept lines">
          {items.map(({ item }) => (
            <li key={item.id} className="flex items-baseline gap-4 border-b border-line py-1">
              <button
                type="button"
                className="plain text-left"
                onClick={() => {
                  setSchool(item.school);
                  setLine(item.name);
                }}
              >
                {item.name}
              </button>
              <button
                type="button"
                className="plain ml-auto text-quiet"
                aria-label={`remove ${item.name}`}
                onClick={() => void take(item.id)}
              >
                remove
              </button>
            </li>
          ))}
        </ul>
      ) : null}
    </section>
  );
}
