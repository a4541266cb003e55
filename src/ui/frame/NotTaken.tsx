'use client';
/** Edits the server did not take: shown with the reason, sent again, saved as a file, or let go. */
import { useState } from 'react';
import { valueAt } from '@/core/design';
import { useBoat, useStore } from '@/ui/boat/context';
import { saveBlob } from '@/ui/files';
import { Dialog } from './Dialog';

export function NotTaken() {
  const { held, design } = useBoat((s) => ({ held: s.held, design: s.design }));
  const store = useStore();
  const [open, setOpen] = useState(false);
  if (held.length === 0) return null;
  const whose = (path: readonly string[]) => {
    const row = valueAt(design, path.slice(0, 2));
    const name = typeof row === 'object' && row !== null && 'name' in row ? String(row.name) : (path[0] ?? '');
    return [name, ...path.slice(2)].join(', ');
  };
  return (
    <>
      <button type="button" className="flex-none font-semibold text-lead" onClick={() => setOpen(true)}>
        {held.length} not taken
      </button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="Edits the server did not take"
        about="They are kept in this browser until you decide. Nothing of the boat on file was changed by them."
      >
        <ul aria-label="Edits not taken">
          {held.map((h) => (
            <li key={h.edit.id} className="border-b border-line py-2">
              <p>
                <b className="font-semibold">{h.edit.label}</b>: {h.why}
              </p>
              <p className="reading text-[12px] break-all text-quiet">
                {h.edit.ops
                  .slice(0, 4)
                  .map((op) =>
                    op.op === 'set'
                      ? `${whose(op.path)}: ${JSON.stringify(op.to).slice(0, 80)}`
                      : `${op.op} ${op.path.join(', ')} ${op.row.id}`,
                  )
                  .join('; ')}
                {h.edit.ops.length > 4 ? `; and ${h.edit.ops.length - 4} more` : ''}
              </p>
              <p className="mt-1 flex gap-4">
                <button type="button" className="plain" onClick={() => store.release(h, true)}>
                  send again
                </button>
                <button type="button" className="plain text-quiet" onClick={() => store.release(h, false)}>
                  let it go
                </button>
              </p>
            </li>
          ))}
        </ul>
        <button
          type="button"
          className="act mt-3"
          onClick={() => saveBlob('edits-not-taken.json', new Blob([JSON.stringify(held, null, 1)], { type: 'application/json' }))}
        >
          save them as a file
        </button>
      </Dialog>
    </>
  );
}
