'use client';
import { toBlock, toCsv } from '@/core/format';
import { useStore } from '@/ui/boat/context';
import { fileName, saveCsv } from '@/ui/files';
import { Plain } from '@/ui/table/Plain';

/** A chart's figures as a table: to read aloud, to copy, and as a file. */
export function TableBeside({ title, columns, rows }: { title: string; columns: readonly string[]; rows: readonly (readonly string[])[] }) {
  const store = useStore();
  const all = [columns, ...rows];
  return (
    <details className="mt-1">
      <summary className="cursor-pointer text-quiet">{title}, as a table</summary>
      <div className="screen-only flex gap-4 pt-1">
        <button
          type="button"
          className="plain"
          onClick={() =>
            void navigator.clipboard.writeText(toBlock(all)).then(
              () => store.say('said', `${title}: copied.`),
              () => store.say('refused', 'The clipboard is not to be had here: take the CSV.'),
            )
          }
        >
          copy
        </button>
        <button type="button" className="plain" onClick={() => saveCsv(`${fileName(title)}.csv`, toCsv(all))}>
          CSV
        </button>
      </div>
      <div className="max-h-[320px] overflow-auto" tabIndex={0} role="region" aria-label={`${title}, table`}>
        <Plain
          label={title}
          columns={columns.map((c, i) => ({ title: c, right: i > 0 }))}
          rows={rows.map((r, i) => ({ id: String(i), cells: r }))}
        />
      </div>
    </details>
  );
}
