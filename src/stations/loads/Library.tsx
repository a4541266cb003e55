'use client';
import { useState } from 'react';
import { APPLIANCES, loadFrom } from '@/core/library/appliances';
import type { Load } from '@/core/design';
import { useBoat, useFreshId } from '@/ui/boat/context';
import { Dialog } from '@/ui/frame/Dialog';

/** The built-in list of generic appliances; ticked ones become rows with typical, editable figures. */
export function Library({ onClose, onTake }: { onClose: () => void; onTake: (rows: readonly Load[]) => void }) {
  const { design } = useBoat();
  const freshId = useFreshId();
  const [wanted, setWanted] = useState('');
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const shown = APPLIANCES.filter((a) => `${a.name} ${a.group}`.toLowerCase().includes(wanted.trim().toLowerCase()));
  const take = () => {
    const places = new Set(design.places.map((p) => p.id));
    onTake(APPLIANCES.filter((a) => ticked.has(a.name)).map((a) => loadFrom(a, freshId('L'), design.boat.systemV, places)));
    onClose();
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Appliances aboard cruising boats"
      about="Generic, with typical figures of our own. Correct them from the maker's sheet or the meter."
      wide
    >
      <input
        autoFocus
        className="box mb-2 w-full"
        placeholder="find"
        aria-label="Find an appliance"
        value={wanted}
        onChange={(e) => setWanted(e.target.value)}
      />
      <div className="grid max-h-[46vh] grid-cols-2 gap-x-6 overflow-y-auto" tabIndex={0}>
        {shown.map((a) => (
          <label key={a.name} className="flex items-baseline gap-2 border-b border-line py-[3px]">
            <input
              type="checkbox"
              checked={ticked.has(a.name)}
              onChange={(e) => {
                const next = new Set(ticked);
                if (e.target.checked) next.add(a.name);
                else next.delete(a.name);
                setTicked(next);
              }}
            />
            <span className="flex-1">{a.name}</span>
            <span className="reading text-faint">{a.watts} W</span>
          </label>
        ))}
      </div>
      <div className="mt-3 flex gap-3">
        <button type="button" className="act" disabled={ticked.size === 0} onClick={take}>
          add {ticked.size === 0 ? '' : ticked.size}
        </button>
        <button type="button" className="plain" onClick={onClose}>
          leave it
        </button>
      </div>
    </Dialog>
  );
}
