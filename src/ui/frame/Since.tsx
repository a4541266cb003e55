'use client';
/** Two revisions of a boat side by side: figures, what is to be settled, sizes, what is bought, and every field that differs. */
import { type Design, diffOps, type Op, valueAt } from '@/core/design';
import { useAsked, useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';

/** Differences told at once. */
const MOST = 300;

const shown = (value: unknown): string =>
  value === null || value === undefined || value === ''
    ? '–'
    : (typeof value === 'string' ? value : (JSON.stringify(value) ?? '')).slice(0, 60);
const nameIn = (row: unknown, other: string): string =>
  typeof row === 'object' && row !== null && 'name' in row && row.name ? String(row.name) : other;

function whereOf(op: Op, design: Design): string {
  const path = op.op === 'set' ? op.path : [...op.path, op.row.id];
  const row = op.op === 'set' ? valueAt(design, path.slice(0, 2)) : op.row;
  return [path[0] ?? '', nameIn(row, path[1] ?? ''), ...path.slice(2)].filter(Boolean).join(', ');
}

export interface Revision {
  readonly revision: number;
  readonly design: Design;
}

/** @param to null: the boat as she is. */
export function Since({
  from,
  to,
  onBack,
  onClose,
}: {
  from: Revision;
  to: Revision | null;
  onBack: (() => void) | null;
  onClose: () => void;
}) {
  const now = useDesign();
  const is = to?.design ?? now;
  const until = to ? `revision ${to.revision}` : 'now';
  const ops = diffOps(from.design, is);
  const compared = useAsked(`between:${from.revision}:${to?.revision ?? 'now'}`, (r) => r.between(from.design, to?.design ?? null));
  const columns = [{ title: 'what' }, { title: `revision ${from.revision}`, right: true }, { title: until, right: true }];
  const told = (title: string, rows: readonly { readonly id: string; readonly cells: readonly string[] }[]) =>
    rows.length === 0 ? null : (
      <div className="mt-3">
        <h3 className="font-semibold">{title}</h3>
        <Plain label={title} columns={columns} rows={rows} />
      </div>
    );
  return (
    <section aria-label={`Since revision ${from.revision}`}>
      <p className="flex flex-wrap items-baseline gap-4">
        <b className="font-semibold">
          {ops.length === 0 ? 'Nothing differs' : `${ops.length} ${ops.length === 1 ? 'field differs' : 'fields differ'}`} between revision{' '}
          {from.revision} and {until}
        </b>
        {ops.length > 0 && onBack ? (
          <button type="button" className="act" onClick={onBack}>
            go back to revision {from.revision}
          </button>
        ) : null}
        <button type="button" className="plain" onClick={onClose}>
          the whole history
        </button>
      </p>
      {ops.length > 0 && !compared ? <p className="mt-2 text-quiet">Calculating both.</p> : null}
      {compared && ops.length > 0 ? (
        <>
          {told(
            'Figures',
            compared.lines.map((l) => ({ id: l.what, cells: [l.what, l.a, l.b] })),
          )}
          {compared.brings.length > 0 ? (
            <p className="mt-3">
              <b className="font-semibold">To settle at {until} only:</b> {compared.brings.map((f) => f.title).join('; ')}.
            </p>
          ) : null}
          {compared.settles.length > 0 ? (
            <p className="mt-3">
              <b className="font-semibold">To settle at revision {from.revision} only:</b> {compared.settles.map((f) => f.title).join('; ')}
              .
            </p>
          ) : null}
          {told(
            'Cables',
            compared.changes.map((c) => ({ id: c.circuitId, cells: [`${c.no} ${c.name}`.trim(), c.from, c.to] })),
          )}
          {told(
            'Parts',
            compared.parts.map((l) => ({ id: l.what, cells: [l.what, l.a, l.b] })),
          )}
          {compared.lines.length + compared.changes.length + compared.parts.length + compared.brings.length + compared.settles.length ===
          0 ? (
            <p className="mt-2 text-quiet">No figure, size or part changes by it.</p>
          ) : null}
        </>
      ) : null}
      {ops.length > 0 ? (
        <div className="mt-3">
          <h3 className="font-semibold">Fields{ops.length > MOST ? `, the first ${MOST}` : ''}</h3>
          <Plain
            label={`Differences since revision ${from.revision}`}
            columns={columns.map(({ title }) => ({ title }))}
            rows={ops.slice(0, MOST).map((op, i) => ({
              id: String(i),
              cells: [
                whereOf(op, is),
                <span key="a" className="reading break-all">
                  {op.op === 'set' ? shown(op.from) : op.op === 'drop' ? 'was there' : '–'}
                </span>,
                <span key="b" className="reading break-all">
                  {op.op === 'set' ? shown(op.to) : op.op === 'add' ? 'is there' : '–'}
                </span>,
              ],
            }))}
          />
        </div>
      ) : null}
    </section>
  );
}
