'use client';
/** A link that shows this boat to an owner or a surveyor: it changes nothing, ends by itself, and is taken back under "who is in". */
import { useState } from 'react';
import { Dialog } from './Dialog';

export function Share({ boatId }: { boatId: string }) {
  const [open, setOpen] = useState(false);
  const [link, setLink] = useState('');
  const [failed, setFailed] = useState('');
  const make = async (form: FormData) => {
    setFailed('');
    const answer = await fetch('/api/grants', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ kind: 'link', boatId, name: String(form.get('name') ?? ''), days: Number(form.get('days')) }),
    }).catch(() => null);
    const body = (await answer?.json().catch(() => null)) as { path?: string; error?: string } | null;
    if (answer?.ok && body?.path) setLink(`${window.location.origin}${body.path}`);
    else setFailed(body?.error ?? 'the server does not answer');
  };
  return (
    <>
      <button type="button" onClick={() => setOpen(true)}>
        show to somebody
      </button>
      <Dialog
        open={open}
        onClose={() => {
          setOpen(false);
          setLink('');
        }}
        title="A link that shows this boat"
        about="Whoever has it sees this boat and changes nothing. It ends by itself; under “who is in” on the list of boats it is taken back."
      >
        <form
          className="flex items-end gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            void make(new FormData(e.currentTarget));
          }}
        >
          <label className="flex-1">
            <span className="block text-[11.5px] text-quiet">for whom</span>
            <input name="name" required maxLength={60} className="box w-full" />
          </label>
          <label>
            <span className="block text-[11.5px] text-quiet">days</span>
            <input name="days" type="number" min={1} max={366} defaultValue={14} className="box reading w-[80px]" />
          </label>
          <button type="submit" className="act">
            make a link
          </button>
        </form>
        {link ? (
          <p role="status" className="mt-3">
            Shown this once: <code className="reading break-all">{link}</code>
          </p>
        ) : null}
        {failed ? (
          <p role="alert" className="mt-3 font-semibold text-lead">
            {failed}
          </p>
        ) : null}
      </Dialog>
    </>
  );
}
