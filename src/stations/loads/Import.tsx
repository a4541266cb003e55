'use client';
import { useMemo, useState } from 'react';
import { blankLoad, BOUNDS, type Load } from '@/core/design';
import { useDesign, useFreshId } from '@/ui/boat/context';
import { Dialog } from '@/ui/frame/Dialog';
import { loadColumns } from './columns';
import { hasHeads, readRows, suggest, type Matching } from './match';

interface TableSheet {
  readonly name: string;
  readonly rows: readonly (readonly string[])[];
}

const MOST_BYTES = 8_000_000;
const SHOWN = 40;

/** A load list from a spreadsheet file: columns matched by hand, bad cells settled or their rows skipped, then taken whole. */
export function Import({ onClose, onTake }: { onClose: () => void; onTake: (rows: readonly Load[]) => void }) {
  const design = useDesign();
  const freshId = useFreshId();
  const columns = useMemo(() => loadColumns(design), [design]);
  const [sheets, setSheets] = useState<readonly TableSheet[]>([]);
  const [at, setAt] = useState(0);
  const [headed, setHeaded] = useState(true);
  const [matching, setMatching] = useState<Matching>([]);
  const [mended, setMended] = useState<ReadonlyMap<string, string>>(new Map());
  const [skipped, setSkipped] = useState<ReadonlySet<number>>(new Set());
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const begin = (sheet: TableSheet | undefined) => {
    const first = sheet?.rows[0] ?? [];
    const heads = hasHeads(first, columns);
    setHeaded(heads);
    setMatching(heads ? suggest(first, columns) : first.map(() => null));
    setMended(new Map());
    setSkipped(new Set());
  };
  const open = async (file: File) => {
    setMessage(null);
    setSheets([]);
    if (file.size > MOST_BYTES)
      return setMessage(`${file.name} is ${(file.size / 1e6).toFixed(0)} MB; ${MOST_BYTES / 1e6} MB at most are taken.`);
    setBusy(true);
    const answer = await fetch('/api/tables', { method: 'POST', body: file }).catch(() => null);
    const body = (await answer?.json().catch(() => null)) as { sheets?: readonly TableSheet[]; error?: string } | null;
    setBusy(false);
    if (!answer?.ok || !body?.sheets) return setMessage(`${file.name}: ${body?.error ?? 'the server does not answer'}.`);
    setSheets(body.sheets);
    setAt(0);
    begin(body.sheets[0]);
  };
  const sheet = sheets[at];
  const rows = useMemo(() => {
    const all = sheet?.rows.slice(headed ? 1 : 0) ?? [];
    return all.map((row, r) => row.map((cell, c) => mended.get(`${r}:${c}`) ?? cell));
  }, [sheet, headed, mended]);
  const reading = useMemo(
    () =>
      readRows(rows, matching, columns, (row) => ({ ...blankLoad(`row-${row}`, design.boat.systemV), name: `Row ${row + 1}` }), skipped),
    [rows, matching, columns, skipped, design.boat.systemV],
  );
  const width = Math.max(0, ...(sheet?.rows.slice(0, 200).map((r) => r.length) ?? []));
  const named = matching.includes('name');
  const room = BOUNDS.loads - design.loads.length;
  const offset = headed ? 2 : 1;
  const stands = !sheet
    ? null
    : !named
      ? 'Say which column holds the names.'
      : reading.bad.length > 0
        ? `${reading.bad.length} cells to settle, or their rows to skip. Nothing is taken before.`
        : reading.loads.length > room
          ? `${reading.loads.length} rows, and there is room for ${room}: skip some.`
          : null;
  return (
    <Dialog
      open
      onClose={onClose}
      title="Loads from a spreadsheet"
      about="XLSX, or CSV in any usual encoding and with any usual separator. Nothing is taken until every cell is understood or its row skipped."
      wide
    >
      <input
        type="file"
        aria-label="Spreadsheet file"
        accept=".xlsx,.csv,.tsv,.txt,text/csv"
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) void open(file);
        }}
      />
      {busy ? <p className="mt-2 text-quiet">Reading it.</p> : null}
      {message ? (
        <p role="alert" className="mt-2 font-semibold text-lead">
          {message}
        </p>
      ) : null}
      {sheet ? (
        <>
          <div className="mt-3 flex flex-wrap items-baseline gap-4">
            {sheets.length > 1 ? (
              <label>
                sheet{' '}
                <select
                  className="box"
                  value={at}
                  onChange={(e) => {
                    setAt(Number(e.target.value));
                    begin(sheets[Number(e.target.value)]);
                  }}
                >
                  {sheets.map((s, i) => (
                    <option key={s.name} value={i}>
                      {s.name}, {s.rows.length} rows
                    </option>
                  ))}
                </select>
              </label>
            ) : null}
            <label>
              <input type="checkbox" checked={headed} onChange={(e) => setHeaded(e.target.checked)} /> the first row names the columns
            </label>
            <span className="text-quiet">{rows.length} rows</span>
          </div>
          <div className="mt-2 overflow-x-auto" tabIndex={0}>
            <table className="text-left text-[12px]">
              <thead>
                <tr>
                  {Array.from({ length: width }, (_, c) => (
                    <th key={c} className="pr-2 align-bottom font-medium">
                      <div className="max-w-[130px] truncate text-quiet">{headed ? (sheet.rows[0]?.[c] ?? '') : `column ${c + 1}`}</div>
                      <select
                        className="box w-[118px]"
                        aria-label={`Column ${headed ? (sheet.rows[0]?.[c] ?? c + 1) : c + 1} goes to`}
                        value={matching[c] ?? ''}
                        onChange={(e) =>
                          setMatching(
                            Array.from({ length: width }, (__, i) => {
                              if (i === c) return e.target.value || null;
                              return matching[i] === e.target.value ? null : (matching[i] ?? null);
                            }),
                          )
                        }
                      >
                        <option value="">leave it out</option>
                        {columns
                          .filter((col) => col.write)
                          .map((col) => (
                            <option key={col.key} value={col.key}>
                              {col.title}
                              {col.unit ? `, ${col.unit}` : ''}
                            </option>
                          ))}
                      </select>
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows.slice(0, 4).map((row, r) => (
                  <tr key={r} className="border-t border-line">
                    {Array.from({ length: width }, (_, c) => (
                      <td key={c} className="max-w-[130px] truncate pr-2">
                        {row[c] ?? ''}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          {reading.bad.length > 0 ? (
            <div className="mt-3 max-h-[26vh] overflow-y-auto" tabIndex={0}>
              <table className="w-full text-left" aria-label="Cells to settle">
                <tbody>
                  {reading.bad.slice(0, SHOWN).map((b) => (
                    <tr key={`${b.row}:${b.col}`} className="border-t border-line">
                      <td className="pr-3 whitespace-nowrap">
                        row {b.row + offset}, {b.column}
                      </td>
                      <td className="pr-3">
                        <input
                          className="box reading w-[120px]"
                          aria-invalid
                          aria-label={`Row ${b.row + offset}, ${b.column}`}
                          defaultValue={b.text}
                          onBlur={(e) => {
                            if (e.target.value !== b.text) setMended(new Map(mended).set(`${b.row}:${b.col}`, e.target.value));
                          }}
                          onKeyDown={(e) => {
                            if (e.key === 'Enter') e.currentTarget.blur();
                          }}
                        />
                      </td>
                      <td className="pr-3 text-lead">{b.message}</td>
                      <td>
                        <button type="button" className="plain whitespace-nowrap" onClick={() => setSkipped(new Set(skipped).add(b.row))}>
                          skip the row
                        </button>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {reading.bad.length > SHOWN ? <p className="text-quiet">and {reading.bad.length - SHOWN} more</p> : null}
              <button
                type="button"
                className="act mt-2"
                onClick={() => setSkipped(new Set([...skipped, ...reading.bad.map((b) => b.row)]))}
              >
                skip all {new Set(reading.bad.map((b) => b.row)).size} rows with such cells
              </button>
            </div>
          ) : null}
          <div className="mt-3 flex items-baseline gap-3">
            <button
              type="button"
              className="act"
              disabled={stands !== null || reading.loads.length === 0}
              onClick={() => {
                onTake(reading.loads.map((l) => ({ ...l, id: freshId('L') })));
                onClose();
              }}
            >
              take {reading.loads.length} rows
            </button>
            <button type="button" className="plain" onClick={onClose}>
              leave it
            </button>
            {skipped.size > 0 ? (
              <button type="button" className="plain" onClick={() => setSkipped(new Set())}>
                {skipped.size} skipped: look at them again
              </button>
            ) : null}
            <span className="text-quiet">{stands}</span>
          </div>
        </>
      ) : null}
    </Dialog>
  );
}
