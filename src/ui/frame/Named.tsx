'use client';
/** Whose device this is: asked once, quietly, and told with every edit in the history. */
import { useState, useSyncExternalStore } from 'react';
import { nameDevice, watchName, who } from '@/ui/boat/who';
import { Dialog } from './Dialog';

export function Named() {
  // The browser's own store is not there while the page is made on the server.
  const name = useSyncExternalStore(
    watchName,
    () => who().name,
    () => undefined,
  );
  const [asking, setAsking] = useState(false);
  if (name === undefined) return null;
  return (
    <>
      <button type="button" aria-description="Stands with your edits in the history" onClick={() => setAsking(true)}>
        {name ?? 'who are you?'}
      </button>
      <Dialog
        open={asking}
        onClose={() => setAsking(false)}
        title="Your name"
        about="It stands with your edits in the history, from this device. Asked once."
      >
        <form
          className="flex items-end gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            nameDevice(String(new FormData(e.currentTarget).get('name') ?? ''));
            setAsking(false);
          }}
        >
          <label className="flex-1">
            <span className="text-[11.5px] text-quiet">name</span>
            <input name="name" defaultValue={name ?? ''} maxLength={60} className="box w-full" autoFocus />
          </label>
          <button type="submit" className="act">
            keep it
          </button>
        </form>
      </Dialog>
    </>
  );
}
