import { useDeferredValue, useEffect, useState } from 'react';
import { type Drawing, type LaidSheet, type Layout, onSheets } from '@/core/drawing';
import { roomsOn, type SheetName } from './Sheet';

const REST_MS = 400;

/**
 * The drawing on sheets of paper, made after the screen.
 * @param drawing whole, no panel folded; null while it is not yet as the design is
 * @param placed its layout, where the screen has it; null: it is laid out here
 * @param layOut the same at every call
 * @returns null until they are those of this drawing and this size of sheet
 */
export function usePaper(
  drawing: Drawing | null,
  placed: Layout | null,
  name: SheetName,
  layOut: (drawing: Drawing) => Promise<Layout>,
): { readonly sheets: readonly LaidSheet[] | null; readonly trouble: string | null } {
  const after = useDeferredValue(drawing);
  const [made, setMade] = useState<{ readonly of: Drawing; readonly name: SheetName; readonly sheets: readonly LaidSheet[] } | null>(null);
  const [failed, setFailed] = useState<{ readonly of: Drawing; readonly why: string } | null>(null);
  useEffect(() => {
    if (after === null) return;
    let live = true;
    const ask = (part: Drawing) => (live ? layOut(part) : Promise.reject(new Error('no longer asked')));
    // Screen and paper are laid out by one worker: an edit that follows at once does not wait for sheets.
    const timer = setTimeout(() => {
      (placed ? Promise.resolve(placed) : ask(after))
        .then((layout) => onSheets(after, layout, ask, roomsOn(name)))
        .then(
          (sheets) => {
            if (live) setMade({ of: after, name, sheets });
          },
          (error: unknown) => {
            if (live) setFailed({ of: after, why: error instanceof Error ? error.message : String(error) });
          },
        );
    }, REST_MS);
    return () => {
      live = false;
      clearTimeout(timer);
    };
  }, [after, placed, name, layOut]);
  return {
    sheets: made && made.of === drawing && made.name === name ? made.sheets : null,
    trouble: failed && failed.of === drawing ? failed.why : null,
  };
}
