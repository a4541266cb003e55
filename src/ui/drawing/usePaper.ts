import { useDeferredValue, useEffect, useState } from 'react';
import { type Drawing, type LaidSheet, type Layout, onSheets } from '@/core/drawing';
import { roomsOn, type SheetName } from './Sheet';

/**
 * The drawing on sheets of paper, made after the screen.
 * @param layout of the drawing as it is; null while there is none
 * @param layOut the same at every call
 * @returns null until they are those of this drawing and this size of sheet
 */
export function usePaper(
  drawing: Drawing,
  layout: Layout | null,
  name: SheetName,
  layOut: (drawing: Drawing) => Promise<Layout>,
): { readonly sheets: readonly LaidSheet[] | null; readonly trouble: string | null } {
  const after = useDeferredValue(layout);
  const [made, setMade] = useState<{ readonly of: Layout; readonly name: SheetName; readonly sheets: readonly LaidSheet[] } | null>(null);
  const [failed, setFailed] = useState<{ readonly of: Layout; readonly why: string } | null>(null);
  useEffect(() => {
    if (after === null) return;
    let live = true;
    const ask = (part: Drawing) => (live ? layOut(part) : Promise.reject(new Error('no longer asked')));
    onSheets(drawing, after, ask, roomsOn(name)).then(
      (sheets) => {
        if (live) setMade({ of: after, name, sheets });
      },
      (error: unknown) => {
        if (live) setFailed({ of: after, why: error instanceof Error ? error.message : String(error) });
      },
    );
    return () => {
      live = false;
    };
  }, [after, drawing, name, layOut]);
  return {
    sheets: made && made.of === layout && made.name === name ? made.sheets : null,
    trouble: failed && failed.of === layout ? failed.why : null,
  };
}
