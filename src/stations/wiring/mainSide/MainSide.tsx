'use client';
import { useCallback, useMemo } from 'react';
import { blankBar, addRows, type Bar, dropOps, rowCount, rowOf } from '@/core/design';
import { blankBatteryCable } from '@/core/propose';
import { counted, useProposal } from '@/ui/propose/useProposal';
import { useWanted } from '@/ui/propose/useWanted';
import { useAnalysis, useAsked, useDesign, useFindings, useFreshId, useSelected, useStore } from '@/ui/boat/context';
import { opsOf, Sheet, type Change } from '@/ui/sheet';
import { barColumns, leadColumns, type LeadRow } from './leadColumns';
import { Grow } from '../Grow';
import { Buses } from './Buses';
import { Posts } from './Posts';

/** What stands between the batteries and the buses: leads on each rail and to earth, the bars they meet at, and what lands on each post. */
export function MainSide() {
  const design = useDesign();
  const analysis = useAnalysis();
  const store = useStore();
  const fresh = useFreshId();
  const [selected, select] = useSelected();
  const posts = useAsked('posts', (r) => r.posts());
  const rows = useMemo(
    () => design.leads.map((l, i): LeadRow => ({ ...l, result: analysis.leads[i]?.id === l.id ? analysis.leads[i] : undefined })),
    [design.leads, analysis.leads],
  );
  const { boat, banks, panels, bars, joins, sources, loads, places } = design;
  const columns = useMemo(
    () => leadColumns({ boat, banks, panels, bars, joins, sources, loads, places }, fresh),
    [boat, banks, panels, bars, joins, sources, loads, places, fresh],
  );
  const ofBars = useMemo(() => barColumns({ places, boat }), [places, boat]);
  const onSelect = useCallback((row: LeadRow) => select({ kind: 'lead', id: row.id }), [select]);
  const change = <Row extends { readonly id: string }>(list: 'leads' | 'bars') => ({
    onChange: (c: Change<Row>) => store.edit(c.label, opsOf(store.snapshot().design, list, c)),
    onLook: (c: Change<Row> | null) => store.look(c && opsOf(store.snapshot().design, list, c)),
    onDelete: (doomed: readonly Row[]) =>
      store.edit(
        `remove ${doomed.length} of the main side`,
        dropOps(
          design,
          list,
          doomed.map((r) => r.id),
        ),
      ),
    onRefuse: (m: string) => store.say('refused', m),
  });
  const proposal = useProposal();
  const wanted = useWanted();
  const propose = async (): Promise<void> => {
    if (design.banks.length === 0) return store.say('refused', 'The main side starts at a bank: enter a first one on Survey.');
    const rows = await wanted('mainSide');
    if (!rows) return;
    if (rowCount(rows) === 0) return store.say('said', 'Everything the other stations know of is there.');
    proposal.propose({
      rows,
      label: (taken) => `propose ${taken.leads?.length ?? 0} battery cables of the main side`,
      stays: counted([design.leads.length, 'battery cable', 'battery cables'], [design.bars.length, 'bar', 'bars']),
    });
  };
  const addLead = () => {
    const [bank] = design.banks;
    const to = design.bars[0] ? { kind: 'bar' as const, id: design.bars[0].id } : bank && { kind: 'bank' as const, id: bank.id };
    if (!bank || !to) return store.say('refused', 'A lead starts at a bank or a bar: there is none yet.');
    const lead = blankBatteryCable(fresh('lead'), 'New lead', 'negative', { kind: 'bank', id: bank.id }, to);
    store.edit('add a lead', addRows(design, { leads: [lead] }));
    select({ kind: 'lead', id: lead.id });
  };
  const addBar = () =>
    store.edit(
      'add a bar',
      addRows(design, {
        bars: [blankBar(fresh('bar'), 'New bar', 'negative bus', design.banks[0]?.placeId ?? null)],
      }),
    );
  const findings = useFindings().filter((f) => !f.accepted && (f.about.kind === 'lead' || f.about.kind === 'bar'));
  const lead = selected?.kind === 'lead' ? rowOf(design.leads, selected.id) : undefined;
  const source = lead && design.sources.find((s) => [lead.from, lead.to].some((e) => e.kind === 'source' && e.id === s.id));
  const nameOf = (id: string) => [...design.leads, ...design.bars].find((x) => x.id === id)?.name ?? id;
  return (
    <div className="min-h-0 flex-1 overflow-y-auto pb-6" tabIndex={0} role="region" aria-label="main side">
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-2 px-4 pb-2">
        <p className="max-w-[640px] flex-1 text-quiet">
          One row is one conductor from a post to a post. Circuits from a bank return to the bus its negative leads to, so that a shunt on
          the way sees them.
        </p>
        <button type="button" className="act" onClick={addLead}>
          add a lead
        </button>
        <button type="button" className="act" onClick={addBar}>
          add a bar
        </button>
        {proposal.dialog}
        <button type="button" className="act" onClick={() => void propose()}>
          propose the main side
        </button>
      </div>
      {findings.length > 0 ? (
        <ul className="px-4 pb-2" aria-label="Findings of the main side">
          {findings.map((f) => (
            <li key={f.id} className={f.severity === 'note' ? 'border-l-4 border-line pl-[10px]' : 'caution my-1'}>
              <b className="font-semibold">
                {nameOf(f.about.id)}: {f.title}.
              </b>{' '}
              {f.why} <i>{f.todo}</i>
            </li>
          ))}
        </ul>
      ) : null}
      {design.leads.length > 0 ? (
        <div className="overflow-x-auto">
          <Sheet
            label="Leads"
            rows={rows}
            columns={columns}
            selectedId={selected?.kind === 'lead' ? selected.id : null}
            onSelect={onSelect}
            {...change<LeadRow>('leads')}
          />
        </div>
      ) : (
        <p className="max-w-[560px] px-4 py-4">
          Nothing yet. Proposed are a negative bus behind a shunt, the other banks&apos; and the engine&apos;s negatives on it, the
          starter&apos;s cables, what joins the banks, and one joint each to the bonding bus and the AC earth bar. You correct it row by
          row.
        </p>
      )}
      {source ? (
        <div className="px-4 pt-3">
          <Grow key={source.id} things={[{ key: source.id, name: source.name, of: (by) => ({ source: { id: source.id, by } }) }]} />
        </div>
      ) : null}
      {design.bars.length > 0 ? (
        <>
          <h2 className="mt-5 px-4 font-semibold">Bars and points</h2>
          <Sheet label="Bars" rows={design.bars} columns={ofBars} selectedId={null} onSelect={() => undefined} {...change<Bar>('bars')} />
        </>
      ) : null}
      <Buses />
      {posts ? <Posts posts={posts} /> : null}
    </div>
  );
}
