'use client';
import { useState } from 'react';
import type { Together } from '@/core/analysis';
import { addRows, type Op, rowCount, type Rows } from '@/core/design';
import { show } from '@/core/quantity';
import { leftOut, proposedList, rowsWithout } from '@/core/propose';
import { useAsked, useDesign } from '@/ui/boat/context';
import { Dialog } from '@/ui/frame/Dialog';

const WORDS: Partial<Readonly<Record<keyof Rows, string>>> = {
  panels: 'panel or bus',
  circuits: 'circuit',
  bars: 'bar',
  leads: 'battery cable',
  acSources: 'AC source',
  acPanels: 'AC panel',
  acLoads: 'AC appliance',
  acCircuits: 'AC run',
  studies: 'study',
};

export interface Proposing {
  readonly rows: Rows;
  /** Of the step to undo. */
  readonly label: (rows: Rows) => string;
  /** What is there already and stays: "12 circuits and 2 panels". */
  readonly stays: string;
  /** Sizes chosen together that go with it, worked out for what is taken. */
  readonly sizes?: (ops: readonly Op[]) => Promise<readonly Op[]>;
  readonly onTaken?: (rows: Rows) => void;
}

/** What would be added, what changes and what stays, to be taken row by row. */
export default function Proposal({
  asked,
  onTake,
  onClose,
}: {
  asked: Proposing;
  onTake: (rows: Rows, sized: boolean) => void;
  onClose: () => void;
}) {
  const design = useDesign();
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const list = proposedList(asked.rows);
  const gone = leftOut(list, out);
  const taken = rowsWithout(asked.rows, gone);
  const n = rowCount(taken);
  const ops = asked.sizes ? addRows(design, taken) : [];
  const together = useAsked<Together>(asked.sizes ? `proposed sizes:${[...gone].join(' ')}` : null, (r) => r.sharedSizes(ops));
  const there = new Set(design.circuits.map((c) => c.id));
  const changes = together?.changes.filter((c) => there.has(c.circuitId)) ?? [];
  const [asSized, setSized] = useState<boolean | null>(null);
  // Sizes of what is there are left alone unless a path would lose too much.
  const sized = asSized ?? (together !== null && together.missingAfter < together.missingBefore);
  const toggle = (id: string) => {
    const next = new Set(out);
    if (!next.delete(id)) next.add(id);
    setOut(next);
  };
  return (
    <Dialog
      open
      onClose={onClose}
      wide
      title="What is proposed"
      about="Untick what you do not want; what needs it goes with it. Nothing is changed until you take it; then it is one step to undo."
    >
      <h3 className="border-b-[1.5px] border-ink pb-1 font-semibold">Added {n}</h3>
      <ul aria-label="Added">
        {list.map((row) => {
          const missing = !out.has(row.id) && gone.has(row.id);
          return (
            <li key={row.id} className="flex items-baseline gap-3 border-b border-line py-1">
              <label className={`flex flex-1 items-baseline gap-2 ${gone.has(row.id) ? 'text-quiet' : ''}`}>
                <input type="checkbox" checked={!gone.has(row.id)} disabled={missing} onChange={() => toggle(row.id)} />
                {row.name}
              </label>
              <span className="text-[12px] text-quiet">
                {missing ? 'needs what is left out' : ''} {WORDS[row.list] ?? row.list}
              </span>
            </li>
          );
        })}
      </ul>
      {asked.sizes ? (
        <>
          <h3 className="mt-3 border-b-[1.5px] border-ink pb-1 font-semibold">Changed {together && sized ? changes.length : 0}</h3>
          {together ? null : <p className="py-1 text-quiet">Sizes are being worked out.</p>}
          {changes.length > 0 ? (
            <label className="flex items-baseline gap-2 border-b border-line py-1">
              <input type="checkbox" checked={sized} onChange={(e) => setSized(e.target.checked)} />
              change these sizes too:{' '}
              {together && together.missingBefore > together.missingAfter ? 'paths hold that would lose too much; ' : ''}
              {together
                ? `${show(together.kgBefore, 'kg', design.boat)}, then ${show(together.kgAfter, 'kg', design.boat)}, of ${together.sizesBefore} sizes, then ${together.sizesAfter}`
                : ''}
            </label>
          ) : null}
          <ul aria-label="Changed" className={sized ? '' : 'text-quiet'}>
            {changes.map((c) => (
              <li key={c.circuitId} className="flex items-baseline gap-3 border-b border-line py-1">
                <span className="flex-1">{`${c.no} ${c.name}`.trim()}</span>
                <span className="reading">
                  {c.from} → {c.to}
                </span>
              </li>
            ))}
          </ul>
          {together && changes.length === 0 ? <p className="py-1 text-quiet">No size of what is there changes.</p> : null}
        </>
      ) : null}
      <h3 className="mt-3 border-b-[1.5px] border-ink pb-1 font-semibold">Stays</h3>
      <p className="py-1">{asked.stays}, as they are.</p>
      <div className="mt-3 flex gap-3">
        <button type="button" className="act" disabled={n === 0} onClick={() => onTake(taken, sized)}>
          take {n}
        </button>
        <button type="button" className="plain" onClick={onClose}>
          leave it
        </button>
      </div>
    </Dialog>
  );
}
