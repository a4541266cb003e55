'use client';
/** What was changed, by whom and when, newest first, fifty at a time; what differs since, a name for it, and the way back to it. */
import { useState } from 'react';
import { type Op, valueAt } from '@/core/design';
import { useDesign, useStore } from '@/ui/boat/context';
import { who } from '@/ui/boat/who';
import { Plain } from '@/ui/table/Plain';
import { Dialog } from './Dialog';

interface Line {
  readonly revision: number;
  readonly label: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  readonly by: string | null;
  readonly at: number;
  readonly state: 'done' | 'undone' | 'gone' | 'act';
  readonly named: string | null;
}

interface Since {
  readonly revision: number;
  readonly changes: number;
  readonly ops: readonly Op[];
}

const WHAT = { edit: '', undo: 'taken back: ', redo: 'put back: ' } as const;
const STANDS = { done: '', undone: 'taken back', gone: 'taken back, for good', act: '' } as const;
const when = (at: number): string => new Date(at).toISOString().slice(0, 16).replace('T', ' ');
const shown = (value: unknown): string =>
  value === null || value === undefined || value === ''
    ? '–'
    : (typeof value === 'string' ? value : (JSON.stringify(value) ?? '')).slice(0, 60);
const nameIn = (row: unknown, other: string): string =>
  typeof row === 'object' && row !== null && 'name' in row && row.name ? String(row.name) : other;

export function History({ boatId }: { boatId: string }) {
  const design = useDesign();
  const store = useStore();
  const [open, setOpen] = useState(false);
  const [lines, setLines] = useState<readonly Line[]>([]);
  const [total, setTotal] = useState(0);
  const [since, setSince] = useState<Since | null>(null);
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
  const compare = async (revision: number) => {
    const told = (await ask(`revisions/${revision}`)) as Omit<Since, 'revision'> | null;
    setSince(told && { ...told, revision });
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
  const whereOf = (op: Op): string => {
    const path = op.op === 'set' ? op.path : [...op.path, op.row.id];
    const row = op.op === 'set' ? valueAt(design, path.slice(0, 2)) : op.row;
    return [path[0] ?? '', nameIn(row, path[1] ?? ''), ...path.slice(2)].filter(Boolean).join(', ');
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
          <section aria-label={`Since revision ${since.revision}`}>
            <p className="flex items-baseline gap-4">
              <b className="font-semibold">
                {since.changes === 0 ? 'Nothing differs' : `${since.changes} differences`} since revision {since.revision}
                {since.changes > since.ops.length ? `, the first ${since.ops.length}` : ''}
              </b>
              {since.changes > 0 && !store.looksOnly ? (
                <button type="button" className="act" onClick={() => void back(since.revision)}>
                  go back to revision {since.revision}
                </button>
              ) : null}
              <button type="button" className="plain" onClick={() => setSince(null)}>
                the whole history
              </button>
            </p>
            <Plain
              label={`Differences since revision ${since.revision}`}
              columns={[{ title: 'what' }, { title: 'then' }, { title: 'now' }]}
              rows={since.ops.map((op, i) => ({
                id: String(i),
                cells: [
                  whereOf(op),
                  <span key="a" className="reading break-all">
                    {op.op === 'set' ? shown(op.from) : op.op === 'drop' ? 'was there' : '–'}
                  </span>,
                  <span key="b" className="reading break-all">
                    {op.op === 'set' ? shown(op.to) : op.op === 'add' ? 'is there' : '–'}
                  </span>,
                ],
              }))}
            />
          </section>
        ) : (
          <>
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
