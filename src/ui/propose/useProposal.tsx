'use client';
import dynamic from 'next/dynamic';
import { type ReactNode, useState } from 'react';
import { addRows, rowCount, type Rows } from '@/core/design';
import { useStore } from '@/ui/boat/context';
import type { Proposing } from './ProposalDialog';

const Proposal = dynamic(() => import('./ProposalDialog'), { ssr: false });

/**
 * What a station proposes. Where nothing of it is there yet it is taken at once; pressed again, what would be added, what changes and what stays is
 * shown, and taken row by row.
 */
export function useProposal(): { readonly propose: (p: Proposing) => void; readonly dialog: ReactNode; readonly busy: boolean } {
  const store = useStore();
  const [asked, setAsked] = useState<Proposing | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async (p: Proposing, rows: Rows, sized: boolean) => {
    setAsked(null);
    if (rowCount(rows) === 0) return;
    const ops = addRows(store.snapshot().design, rows);
    setBusy(true);
    const more = p.sizes && sized ? await p.sizes(ops) : [];
    setBusy(false);
    store.edit(p.label(rows), [...ops, ...more]);
    p.onTaken?.(rows);
  };
  const propose = (p: Proposing) => {
    if (p.stays === '') void take(p, p.rows, true);
    else setAsked(p);
  };
  return {
    propose,
    busy,
    dialog: asked ? (
      <Proposal asked={asked} onTake={(rows, sized) => void take(asked, rows, sized)} onClose={() => setAsked(null)} />
    ) : null,
  };
}

/** "12 circuits and 2 panels"; '' where there is none of either. */
export function counted(...parts: readonly (readonly [n: number, one: string, many: string])[]): string {
  const said = parts.filter(([n]) => n > 0).map(([n, one, many]) => `${n} ${n === 1 ? one : many}`);
  return said.length > 1 ? `${said.slice(0, -1).join(', ')} and ${said[said.length - 1] ?? ''}` : (said[0] ?? '');
}
