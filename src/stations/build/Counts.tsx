import { useState } from 'react';
import type { CountLine, TracedLine } from '@/core/build';

interface Props {
  readonly title: string;
  readonly lines: readonly (CountLine | TracedLine)[];
  readonly note?: string;
}

/** Counts of one kind of thing; each opens what it is counted from. */
export function Counts({ title, lines, note }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <section className="keep mt-5">
      <h2 className="font-semibold">{title}</h2>
      {note ? <p className="text-[12px] text-quiet">{note}</p> : null}
      <table className="mt-1 w-full text-left" aria-label={title}>
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
            <th className="w-14 text-right font-medium">count</th>
            <th className="pl-4 font-medium">item</th>
            <th className="font-medium">note</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((l) => (
            <tr key={l.item} className="border-b border-line align-baseline">
              <td className="reading text-right">
                {'of' in l ? (
                  <button
                    type="button"
                    className="opens"
                    aria-expanded={open === l.item}
                    aria-description={`Where they go: ${l.item}`}
                    onClick={() => setOpen(open === l.item ? null : l.item)}
                  >
                    {l.count}
                  </button>
                ) : (
                  l.count
                )}
              </td>
              <td className="pl-4">
                {l.item}
                {'of' in l && open === l.item ? (
                  <ul aria-label={`Where they go: ${l.item}`} className="screen-only text-[12px] text-quiet">
                    {l.of.map((o, i) => (
                      <li key={i}>
                        {o.count} × {o.what}
                      </li>
                    ))}
                  </ul>
                ) : null}
              </td>
              <td className="text-quiet">{l.note}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
