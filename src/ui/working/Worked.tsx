'use client';
import type { ReactNode } from 'react';
import { useSelected } from '@/ui/boat/context';
import type { Selected } from '@/workers/analysis.worker';

/** A figure that opens its working. @param of what it is the figure of, in words */
export function Worked({ at, of, children }: { readonly at: Selected; readonly of: string; readonly children: ReactNode }) {
  const [, select] = useSelected();
  return (
    <button type="button" className="opens" aria-description={`The working: ${of}`} onClick={() => select(at)}>
      {children}
    </button>
  );
}
