'use client';
import { useState } from 'react';
import { addOp, BOUNDS, dropOp, setOp } from '@/core/design';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { Dialog } from '@/ui/frame/Dialog';

/** The ways of living aboard that the hours are given for. */
export function LivingMenu() {
  const design = useDesign();
  const store = useStore();
  const freshId = useFreshId();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  return (
    <>
      <button type="button" className="plain" onClick={() => setOpen(true)}>
        ways of living: {design.living.map((l) => l.name).join(', ')}
      </button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="Ways of living aboard"
        about="Each load has its hours a day in each of them."
      >
        <ul>
          {design.living.map((way) => (
            <li key={way.id} className="flex gap-3 border-b border-line py-1">
              <input
                className="box flex-1"
                aria-label={`Name of ${way.name}`}
                defaultValue={way.name}
                onBlur={(e) =>
                  e.target.value.trim() &&
                  e.target.value.trim() !== way.name &&
                  store.edit(`name of ${way.name}`, [setOp(design, ['living', way.id, 'name'], e.target.value.trim().slice(0, 120))])
                }
              />
              <button
                type="button"
                className="plain"
                disabled={design.living.length < 2}
                onClick={() => store.edit(`remove ${way.name}`, [dropOp(design, 'living', way.id)])}
              >
                remove
              </button>
            </li>
          ))}
        </ul>
        <form
          className="mt-3 flex gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            if (name.trim() === '' || design.living.length >= BOUNDS.ways) return;
            store.edit(`add ${name.trim()}`, [addOp(design, 'living', { id: freshId('w'), name: name.trim() } as never)]);
            setName('');
          }}
        >
          <input
            className="box flex-1"
            placeholder="on shore power"
            aria-label="A new way of living"
            value={name}
            onChange={(e) => setName(e.target.value)}
            maxLength={120}
          />
          <button type="submit" className="act" disabled={name.trim() === ''}>
            add
          </button>
        </form>
      </Dialog>
    </>
  );
}
