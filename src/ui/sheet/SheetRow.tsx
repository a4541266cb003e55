import { memo, type ReactNode } from 'react';
import { brief } from '@/core/quantity';
import type { Column, Entry } from './types';

interface Props<Row extends { readonly id: string }> {
  readonly row: Row;
  readonly index: number;
  readonly gridId: string;
  readonly columns: readonly Column<Row>[];
  readonly selected: boolean;
  readonly activeCol: number;
  readonly left: number;
  readonly right: number;
  readonly entry: Entry | null;
  readonly editor: ReactNode;
}

function Row<R extends { readonly id: string }>({
  row,
  index,
  gridId,
  columns,
  selected,
  activeCol,
  left,
  right,
  entry,
  editor,
}: Props<R>) {
  return (
    <div role="row" aria-rowindex={index + 2} aria-selected={selected} className="sheet-row" data-row-id={row.id}>
      {columns.map((c, col) => {
        const tone = c.tone?.(row);
        const editing = entry?.col === col;
        return (
          <div
            key={c.key}
            id={`${gridId}-${row.id}-${col}`}
            role="gridcell"
            aria-readonly={!c.write}
            data-col={c.key}
            data-active={activeCol === col || undefined}
            data-chosen={(col >= left && col <= right) || undefined}
            data-tone={tone}
            style={{ width: c.width }}
            className={`${c.align === 'right' ? 'text-right' : ''} ${c.mono ? 'reading' : ''}`}
            aria-description={tone === 'typical' || tone === 'estimated' ? tone : undefined}
          >
            {editing ? editor : <span className="cell-text">{c.show ? c.show(row) : brief(c.text(row))}</span>}
          </div>
        );
      })}
    </div>
  );
}

/** Rows are drawn again only when something of theirs changed. */
export const SheetRow = memo(Row) as typeof Row;
