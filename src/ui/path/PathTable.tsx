'use client';
import { round3 } from '@/core/quantity';
import type { PathReadings } from './usePathReadings';

/** Each part with what is expected over it, and what was read. */
export function PathTable({ path: { rows, expected, textOf, setText } }: { readonly path: PathReadings }) {
  return (
    <table className="mt-1 w-full text-left" aria-label="Readings along the path">
      <thead>
        <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
          <th className="font-medium">over</th>
          <th className="text-right font-medium">expected, mV</th>
          <th className="w-[100px] pl-3 font-medium">read, mV</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((s) => (
          <tr key={s.id} className="border-b border-line">
            <td className="py-1 pr-2">{s.what}</td>
            <td className="reading text-right">{round3(expected(s.elements))}</td>
            <td className="pl-3">
              <input
                className="box reading w-[90px]"
                inputMode="decimal"
                aria-label={`Millivolts over ${s.what}`}
                value={textOf(s.id)}
                onChange={(e) => setText(s.id, e.target.value)}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
