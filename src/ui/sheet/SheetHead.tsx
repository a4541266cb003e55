import type { Column } from './types';

export interface Sorting {
  readonly key: string;
  readonly down: boolean;
}

export function SheetHead<Row>({
  columns,
  sorting,
  onSort,
}: {
  columns: readonly Column<Row>[];
  sorting: Sorting | null;
  onSort: (next: Sorting | null) => void;
}) {
  const turn = (key: string) => onSort(sorting?.key !== key ? { key, down: false } : sorting.down ? null : { key, down: true });
  return (
    <div role="row" className="sheet-row">
      {columns.map((c) => {
        const sorted = sorting?.key === c.key ? (sorting.down ? 'descending' : 'ascending') : 'none';
        return (
          <div
            key={c.key}
            role="columnheader"
            aria-sort={sorted}
            style={{ width: c.width }}
            className={c.align === 'right' ? 'text-right' : ''}
            aria-description={c.hint}
          >
            <button type="button" tabIndex={-1} onClick={() => turn(c.key)}>
              {c.title}
              {c.unit ? <span className="text-faint"> {c.unit}</span> : null}
              {sorted === 'none' ? '' : sorted === 'ascending' ? ' ↑' : ' ↓'}
            </button>
          </div>
        );
      })}
    </div>
  );
}
