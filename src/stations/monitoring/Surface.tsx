'use client';
import { round3 } from '@/core/quantity';
import type { Searched } from './useGauge';

/** Worst error over volts and tail, each at the best of its times: the darker the worse. */
export function Surface({ searched: { tried, best } }: { searched: Searched }) {
  const volts = [...new Set(tried.map((t) => t.chargedV))].sort((a, b) => a - b);
  const tails = [...new Set(tried.map((t) => t.tailPct))].sort((a, b) => a - b);
  const least = (v: number, tail: number) => {
    const own = tried.filter((t) => t.chargedV === v && t.tailPct === tail);
    return own.length === 0 ? null : own.reduce((a, b) => (b.worst < a.worst ? b : a));
  };
  const worst = Math.max(...tried.map((t) => t.worst), 0.01);
  return (
    <table className="mt-2 border-collapse text-[11.5px]" aria-label="Worst error by volts and tail">
      <thead>
        <tr>
          <th className="pr-2 text-left font-medium text-quiet">V \ tail</th>
          {tails.map((t) => (
            <th key={t} className="px-1 text-right font-medium text-quiet">
              {round3(t)} %
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {volts.map((v) => (
          <tr key={v}>
            <th className="reading pr-2 text-left font-medium">{v.toFixed(1)}</th>
            {tails.map((tail) => {
              const cell = least(v, tail);
              const isBest = best !== null && cell !== null && best.chargedV === v && best.tailPct === tail;
              return (
                <td
                  key={tail}
                  className={`reading h-[24px] w-[58px] px-1 text-right ${isBest ? 'outline outline-2 outline-verdigris' : ''}`}
                  style={
                    cell
                      ? { background: `color-mix(in oklab, var(--copper) ${Math.round((38 * cell.worst) / worst)}%, var(--sheet))` }
                      : undefined
                  }
                >
                  {cell ? round3(100 * cell.worst) : ''}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
