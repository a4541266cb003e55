'use client';
import { useState } from 'react';
import { rowOf } from '@/core/design';
import { useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import { dayOf } from './said';
import type { KeptSet } from '@/ui/boat/useKeptDays';

/** Sets of measured days on file with this boat. */
export function KeptDays({
  sets,
  onOpen,
  onAway,
}: {
  readonly sets: readonly KeptSet[] | null;
  readonly onOpen: (set: KeptSet) => void;
  readonly onAway: (set: KeptSet, away: boolean) => void;
}) {
  const design = useDesign();
  const [all, setAll] = useState(false);
  if (sets === null || sets.length === 0) return null;
  const shown = sets.filter((s) => all || !s.away);
  const hidden = sets.length - sets.filter((s) => !s.away).length;
  return (
    <section className="mt-3">
      <h2 className="font-semibold">Kept with this boat</h2>
      <Plain
        label="Kept days"
        columns={[
          { title: 'of' },
          { title: 'file' },
          { title: 'from' },
          { title: 'to' },
          { title: 'readings', right: true },
          { title: '' },
        ]}
        rows={shown.map((s) => ({
          id: s.id,
          cells: [
            rowOf(design.banks, s.bankId)?.name ?? 'a bank that is gone',
            s.name,
            dayOf(s.from),
            dayOf(s.to),
            String(s.rows),
            <span key="a" className="screen-only flex gap-3">
              <button type="button" className="plain" aria-label={`open ${s.name}`} onClick={() => onOpen(s)}>
                open
              </button>
              <button
                type="button"
                className="plain"
                aria-label={`${s.away ? 'bring back' : 'put away'} ${s.name}`}
                onClick={() => onAway(s, !s.away)}
              >
                {s.away ? 'bring back' : 'put away'}
              </button>
            </span>,
          ],
        }))}
      />
      {hidden > 0 ? (
        <button type="button" className="plain" aria-pressed={all} onClick={() => setAll(!all)}>
          {all ? 'without those put away' : `${hidden} put away`}
        </button>
      ) : null}
    </section>
  );
}
