import { useState } from 'react';
import type { CutList } from '@/core/build';
import { show } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';

/** Cable by size and colour; a count of pieces opens which they are. */
export function ReelLines({ list }: { list: CutList }) {
  const design = useDesign();
  const [open, setOpen] = useState<string | null>(null);
  const units = design.boat;
  return (
    <section className="keep mt-4">
      <h2 className="font-semibold">Cable by size and colour</h2>
      <table className="mt-1 w-full text-left">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
            <th className="font-medium">size</th>
            <th className="font-medium">colour</th>
            <th className="text-right font-medium">pieces</th>
            <th className="text-right font-medium">net</th>
            <th className="text-right font-medium">to order</th>
            <th className="text-right font-medium">mass</th>
            <th className="pl-4 font-medium">lengths</th>
          </tr>
        </thead>
        <tbody>
          {list.reels.map((l) => {
            const key = `${l.size}, ${l.colour}`;
            return (
              <tr key={key} className="border-b border-line align-baseline">
                <td className="reading">{l.size}</td>
                <td>
                  {l.colour}
                  {open === key ? (
                    <ul aria-label={`Pieces of ${key}`} className="screen-only text-[12px] text-quiet">
                      {list.cuts
                        .filter((c) => c.size === l.size && c.colour === l.colour)
                        .map((c, i) => (
                          <li key={i}>
                            {show(c.lengthM, 'm', units)} {c.label}
                          </li>
                        ))}
                    </ul>
                  ) : null}
                </td>
                <td className="reading text-right">
                  <button
                    type="button"
                    className="opens"
                    aria-expanded={open === key}
                    aria-description={`Pieces of ${key}`}
                    onClick={() => setOpen(open === key ? null : key)}
                  >
                    {l.pieces}
                  </button>
                </td>
                <td className="reading text-right">{show(l.netM, 'm', units)}</td>
                <td className="reading text-right font-semibold">{show(l.orderM, 'm', units)}</td>
                <td className="reading text-right">{show(l.massKg, 'kg', units)}</td>
                <td className="pl-4 text-quiet">{l.estimated ? 'some estimated' : 'taped'}</td>
              </tr>
            );
          })}
        </tbody>
        <tfoot>
          <tr className="font-semibold">
            <td>all</td>
            <td />
            <td className="reading text-right">{list.cuts.length}</td>
            <td className="reading text-right">{show(list.totalM, 'm', units)}</td>
            <td className="reading text-right">
              {show(
                list.reels.reduce((sum, l) => sum + l.orderM, 0),
                'm',
                units,
              )}
            </td>
            <td className="reading text-right">{show(list.totalKg, 'kg', units)}</td>
            <td className="pl-4 font-normal text-quiet">with {design.house.wastePct} % for waste</td>
          </tr>
        </tfoot>
      </table>
    </section>
  );
}
