'use client';
/** What was changed, by whom and when, newest first, fifty at a time. */
import { useState } from 'react';
import { Plain } from '@/ui/table/Plain';
import { Dialog } from './Dialog';

interface Line {
  readonly revision: number;
  readonly label: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  readonly by: string | null;
  readonly at: number;
  readonly state: 'done' | 'undone' | 'gone' | 'act';
  readonly changes: number;
}

const WHAT = { edit: '', undo: 'taken back: ', redo: 'put back: ' } as const;
const STANDS = { done: '', undone: 'taken back', gone: 'taken back, for good', act: '' } as const;
const when = (at: number): string => new Date(at).toISOString().slice(0, 16).replace('T', ' ');

export function History({ boatId }: { boatId: string }) {
  const [open, setOpen] = useState(false);
  const [lines, setLines] = useState<readonly Line[]>([]);
  const [total, setTotal] = useState(0);
  const [failed, setFailed] = useState('');
  const fetchPage = async (before: number | null) => {
    setFailed('');
    const answer = await fetch(`/api/boats/${boatId}/history${before === null ? '' : `?before=${before}`}`).catch(() => null);
    const page = answer?.ok ? ((await answer.json()) as { lines: readonly Line[]; total: number }) : null;
    if (!page) return setFailed('The server does not answer. Open it again.');
    setTotal(page.total);
    setLines((had) => (before === null ? page.lines : [...had, ...page.lines]));
  };
  const oldest = lines[lines.length - 1];
  return (
    <>
      <button
        type="button"
        onClick={() => {
          setOpen(true);
          void fetchPage(null);
        }}
      >
        history
      </button>
      <Dialog open={open} onClose={() => setOpen(false)} title="History" about={`${total} changes, newest first. Times are UTC.`} wide>
        <div className="max-h-[60vh] overflow-auto">
          <Plain
            label="History"
            columns={[{ title: 'revision', right: true }, { title: 'when' }, { title: 'who' }, { title: 'what' }, { title: 'stands' }]}
            rows={lines.map((l) => ({
              id: String(l.revision),
              cells: [l.revision, when(l.at), l.by ?? '–', `${WHAT[l.kind]}${l.label}`, STANDS[l.state]],
            }))}
          />
          {failed ? <p role="alert">{failed}</p> : null}
          {oldest && lines.length < total ? (
            <button type="button" className="act mt-2" onClick={() => void fetchPage(oldest.revision)}>
              older
            </button>
          ) : null}
        </div>
      </Dialog>
    </>
  );
}
