'use client';
/** What was changed, by whom and when, newest first, fifty at a time; what differs since, a name for it, and the way back to it. */
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Design } from '@/core/design';
import { useStore } from '@/ui/boat/context';
import { who } from '@/ui/boat/who';
import { Plain } from '@/ui/table/Plain';
import { Dialog } from './Dialog';
import type { Revision } from './Since';

const Since = dynamic(() => import('./Since').then((m) => m.Since), { ssr: false });

interface Line {
  readonly revision: number;
  readonly label: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  readonly by: string | null;
  readonly at: number;
  readonly state: 'done' | 'undone' | 'gone' | 'act';
  readonly named: string | null;
}

const WHAT = { edit: '', undo: 'taken back: ', redo: 'put back: ' } as const;
const STANDS = { done: '', undone: 'taken back', gone: 'taken back, for good', act: '' } as const;
const when = (at: number): string => new Date(at).toISOString().slice(0, 16).replace('T', ' ');
export function History({ boatId }: { boatId: string }) {
  const store = useStore();
  const [open, setOpen] = useState(false);
  const [lines, setLines] = useState<readonly Line[]>([]);
  const [total, setTotal] = useState(0);
  const [since, setSince] = useState<{ readonly from: Revision; readonly to: Revision | null } | null>(null);
  /** The other revision; empty: the boat as she is. */
  const [against, setAgainst] = useState('');
  const [failed, setFailed] = useState('');
  const ask = async (path: string, body?: object): Promise<Record<string, unknown> | null> => {
    setFailed('');
    const init = body && { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ ...body, by: who() }) };
    const answer = await fetch(`/api/boats/${boatId}/${path}`, init).catch(() => null);
    const told = (await answer?.json().catch(() => null)) as Record<string, unknown> | null;
    if (answer?.ok && told) return told;
    setFailed(typeof told?.error === 'string' ? told.error : 'The server does not answer. Try again.');
    return null;
  };
  const fetchPage = async (before: number | null) => {
    const page = (await ask(`history${before === null ? '' : `?before=${before}`}`)) as { lines: readonly Line[]; total: number } | null;
    if (!page) return;
    setTotal(page.total);
    setLines((had) => (before === null ? page.lines : [...had, ...page.lines]));
  };
  const asOf = async (revision: number): Promise<Revision | null> => {
    const told = await ask(`revisions/${revision}?as=design`);
    // The server has read it through the schema: the first view is not made larger by reading it again here.
    return told ? { revision, design: told.design as Design } : null;
  };
  const compare = async (revision: number) => {
    const from = await asOf(revision);
    const to = against === '' ? null : await asOf(Number(against));
    if (from && (to || against === '')) setSince({ from, to });
  };
  const back = async (revision: number) => {
    if (!(await ask(`revisions/${revision}`, { do: 'back', id: crypto.randomUUID() }))) return;
    store.say('said', `Back to revision ${revision}; Ctrl Z takes it back.`);
    setSince(null);
    setOpen(false);
  };
  const name = async (line: Line, to: string) => {
    const named = to.trim() || null;
    if (named === line.named || !(await ask(`revisions/${line.revision}`, { do: 'name', name: named }))) return;
    setLines((had) => had.map((l) => (l.revision === line.revision ? { ...l, named } : l)));
  };
  const oldest = lines[lines.length - 1];
  return (
    <>
      <button
        type="button"
        onClick={() => {
          setOpen(true);
          setSince(null);
          void fetchPage(null);
        }}
      >
        history
      </button>
      <Dialog open={open} onClose={() => setOpen(false)} title="History" about={`${total} changes, newest first. Times are UTC.`} wide>
        {since ? (
          <Since
            from={since.from}
            to={since.to}
            onBack={store.looksOnly ? null : () => void back(since.from.revision)}
            onClose={() => setSince(null)}
          />
        ) : (
          <>
            <label className="flex items-baseline gap-2 pb-1">
              <span className="text-quiet">compared with revision</span>
              <input
                className="box reading w-[80px]"
                inputMode="numeric"
                placeholder="now"
                value={against}
                onChange={(e) => setAgainst(e.target.value.replace(/\D/g, ''))}
              />
              <span className="text-quiet">empty: with the boat as she is</span>
            </label>
            <Plain
              label="History"
              columns={[
                { title: 'revision', right: true },
                { title: 'when' },
                { title: 'who' },
                { title: 'what' },
                { title: 'stands' },
                { title: 'called' },
                { title: '' },
              ]}
              rows={lines.map((l) => ({
                id: String(l.revision),
                cells: [
                  l.revision,
                  when(l.at),
                  l.by ?? '–',
                  `${WHAT[l.kind]}${l.label}`,
                  STANDS[l.state],
                  <input
                    key="n"
                    className="box w-[130px] text-[12px]"
                    aria-label={`Name of revision ${l.revision}`}
                    placeholder="no name"
                    defaultValue={l.named ?? ''}
                    maxLength={120}
                    disabled={store.looksOnly}
                    onBlur={(e) => void name(l, e.target.value)}
                    onKeyDown={(e) => {
                      if (e.key === 'Enter') e.currentTarget.blur();
                    }}
                  />,
                  <button
                    key="c"
                    type="button"
                    className="plain whitespace-nowrap"
                    aria-label={`what differs since revision ${l.revision}`}
                    onClick={() => void compare(l.revision)}
                  >
                    what differs since
                  </button>,
                ],
              }))}
            />
            {oldest && lines.length < total ? (
              <button type="button" className="act mt-2" onClick={() => void fetchPage(oldest.revision)}>
                older
              </button>
            ) : null}
          </>
        )}
        {failed ? (
          <p role="alert" className="mt-2 font-semibold text-lead">
            {failed}
          </p>
        ) : null}
      </Dialog>
    </>
  );
}
