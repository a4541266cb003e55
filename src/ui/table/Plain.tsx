'use client';
import type { ReactNode } from 'react';

export interface PlainColumn {
  readonly title: string;
  readonly right?: boolean;
}

/** A list to read and print: heads, hairlines, figures to the right. */
export function Plain({
  columns,
  rows,
  label,
}: {
  columns: readonly PlainColumn[];
  rows: readonly { readonly id: string; readonly cells: readonly ReactNode[] }[];
  label: string;
}) {
  return (
    <table className="mt-1 w-full text-left" aria-label={label}>
      <thead>
        <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
          {columns.map((c) => (
            <th key={c.title} className={`pr-3 font-medium ${c.right ? 'text-right' : ''}`}>
              {c.title}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => (
          <tr key={r.id} className="border-b border-line align-baseline">
            {r.cells.map((cell, i) => (
              <td key={i} className={`py-[2px] pr-3 ${columns[i]?.right ? 'reading text-right whitespace-nowrap' : ''}`}>
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
