'use client';
import { useMemo, useState } from 'react';
import { smallLeadResults } from '@/core/charging';
import { addRows, dropOps, rowCount } from '@/core/design';
import { blankSmallLead } from '@/core/propose';
import { useDesign, useFindings, useFreshId, useStore } from '@/ui/boat/context';
import { counted, useProposal } from '@/ui/propose/useProposal';
import { useWanted } from '@/ui/propose/useWanted';
import { type Change, opsOf, Sheet } from '@/ui/sheet';
import { smallLeadColumns, type SmallLeadRow } from './smallLeadColumns';

/** What senses, excites, counts and tells: the small conductors of the sources. */
export function SmallLeads() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const [chosen, setChosen] = useState<string | null>(null);
  const { banks, boat, house, panels, places, smallLeads, sources } = design;
  const rows = useMemo(
    () =>
      smallLeadResults({ banks, boat, house, panels, places, smallLeads, sources }).map((result): SmallLeadRow => ({
        ...result.lead,
        result,
      })),
    [banks, boat, house, panels, places, smallLeads, sources],
  );
  const columns = useMemo(() => smallLeadColumns({ banks, boat, panels, places, sources }), [banks, boat, panels, places, sources]);
  const findings = useFindings().filter((f) => !f.accepted && smallLeads.some((l) => f.id.endsWith(`:${l.id}`)));
  const proposal = useProposal();
  const wanted = useWanted();
  const propose = async (): Promise<void> => {
    const proposed = await wanted('smallLeads');
    if (!proposed) return;
    if (rowCount(proposed) === 0)
      return store.say(
        'said',
        sources.length === 0 ? 'Small leads belong to what charges: enter that first.' : 'Every lead the sources want is there.',
      );
    proposal.propose({
      rows: proposed,
      label: (taken) => `propose ${taken.smallLeads?.length ?? 0} small leads`,
      stays: counted([smallLeads.length, 'small lead', 'small leads']),
    });
  };
  const add = () => {
    const lead = blankSmallLead(fresh('small'), 'sense', sources[0]?.id ?? null, sources[0]?.name);
    store.edit('add a small lead', addRows(design, { smallLeads: [lead] }));
    setChosen(lead.id);
  };
  return (
    <div className="pt-2">
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-2 pb-2">
        <p className="max-w-[640px] flex-1 text-quiet">
          One row is one small conductor of a machine: what it senses by, is woken by, and tells. Each taps with a fuse of its own, ends
          where it is meant to, and is no longer than its maker allows.
        </p>
        <button type="button" className="act" onClick={add}>
          add a small lead
        </button>
        {proposal.dialog}
        <button type="button" className="act" onClick={() => void propose()}>
          propose small leads
        </button>
      </div>
      {findings.length > 0 ? (
        <ul className="pb-2" aria-label="Findings of small leads">
          {findings.map((f) => (
            <li key={f.id} className={f.severity === 'note' ? 'border-l-4 border-line pl-[10px]' : 'caution my-1'}>
              <b className="font-semibold">
                {smallLeads.find((l) => f.id.endsWith(`:${l.id}`))?.name}: {f.title}.
              </b>{' '}
              {f.why} <i>{f.todo}</i>
            </li>
          ))}
        </ul>
      ) : null}
      {rows.length > 0 ? (
        <div className="overflow-x-auto">
          <Sheet
            label="Small leads"
            rows={rows}
            columns={columns}
            selectedId={chosen}
            onSelect={(r) => setChosen(r.id)}
            onChange={(c: Change<SmallLeadRow>) => store.edit(c.label, opsOf(store.snapshot().design, 'smallLeads', c))}
            onLook={(c: Change<SmallLeadRow> | null) => store.look(c && opsOf(store.snapshot().design, 'smallLeads', c))}
            onDelete={(doomed: readonly SmallLeadRow[]) =>
              store.edit(
                `remove ${doomed.length} small ${doomed.length === 1 ? 'lead' : 'leads'}`,
                dropOps(
                  design,
                  'smallLeads',
                  doomed.map((r) => r.id),
                ),
              )
            }
            onRefuse={(m: string) => store.say('refused', m)}
          />
        </div>
      ) : (
        <p className="max-w-[560px] py-4">
          Nothing yet. &quot;Propose&quot; lays what the sources want as they are regulated: a sense lead to the bank, excitation through a
          diode, the tachometer, the temperature sensor. Whatever is found or bought is corrected row by row.
        </p>
      )}
    </div>
  );
}
