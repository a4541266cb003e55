'use client';
import { useState } from 'react';
import { Dialog } from '@/ui/frame/Dialog';

export interface Listed {
  readonly name: string;
  readonly watts: number;
  /** Found by these words too. */
  readonly group?: string;
}

/** A built-in list of generic appliances: found by a word, ticked, taken as rows with typical, editable figures. */
export function FromList({
  title,
  items,
  onClose,
  onTake,
}: {
  title: string;
  items: readonly Listed[];
  onClose: () => void;
  /** Names in the order of the list. */
  onTake: (names: readonly string[]) => void;
}) {
  const [wanted, setWanted] = useState('');
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const shown = items.filter((a) => `${a.name} ${a.group ?? ''}`.toLowerCase().includes(wanted.trim().toLowerCase()));
  const take = () => {
    onTake(items.filter((a) => ticked.has(a.name)).map((a) => a.name));
    onClose();
  };
  const tick = (name: string, on: boolean) => {
    const next = new Set(ticked);
    if (on) next.add(name);
    else next.delete(name);
    setTicked(next);
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={title}
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
            <input type="checkbox" checked={ticked.has(a.name)} onChange={(e) => tick(a.name, e.target.checked)} />
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
