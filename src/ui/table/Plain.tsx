'use client';
import { Fragment, type ReactNode, useState } from 'react';

export interface PlainColumn {
  readonly title: string;
  readonly right?: boolean;
}

export interface PlainRow {
  readonly id: string;
  readonly cells: readonly ReactNode[];
  /** What the row's figures are made of, told beneath it when the cell `at` is pressed. @field of what they are the figures of, in words */
  readonly opens?: { readonly of: string; readonly at: number; readonly lines: readonly string[] };
}

/** A list to read and print: heads, hairlines, figures to the right. One row at a time tells what its figures are made of. */
export function Plain({ columns, rows, label }: { columns: readonly PlainColumn[]; rows: readonly PlainRow[]; label: string }) {
  const [open, setOpen] = useState<string | null>(null);
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
        {rows.map(({ id, cells, opens }) => (
          <Fragment key={id}>
            <tr className="border-b border-line align-baseline">
              {cells.map((cell, i) => (
                <td key={i} className={`py-[2px] pr-3 ${columns[i]?.right ? 'reading text-right whitespace-nowrap' : ''}`}>
                  {opens && i === opens.at ? (
                    <button
                      type="button"
                      className="opens text-left"
                      aria-description={`The working: ${opens.of}`}
                      aria-expanded={open === id}
                      onClick={() => setOpen(open === id ? null : id)}
                    >
                      {cell}
                    </button>
                  ) : (
                    cell
                  )}
                </td>
              ))}
            </tr>
            {opens && open === id ? (
              <tr className="screen-only border-b border-line bg-wash">
                <td colSpan={columns.length} className="px-3 py-1">
                  <Lines of={opens.of} lines={opens.lines} />
                </td>
              </tr>
            ) : null}
          </Fragment>
        ))}
      </tbody>
    </table>
  );
}

/** What a figure is made of, a line each. */
export function Lines({ of, lines }: { readonly of: string; readonly lines: readonly string[] }) {
  return (
    <ul
      aria-label={`The working: ${of}`}
      className={`text-[12px] text-quiet ${lines.length > 8 ? 'columns-2 gap-6 max-[500px]:columns-1' : ''}`}
    >
      {lines.map((line, i) => (
        <li key={i}>{line}</li>
      ))}
    </ul>
  );
}
