'use client';
import { useState } from 'react';
import type { Finding } from '@/core';
import { dropOp } from '@/core/design';
import { useAsked, useDesign, useFindings, useStore } from '@/ui/boat/context';
import { Views } from '@/ui/views/Views';
import { Accept } from './Accept';
import { FindingsList } from './FindingsList';

const VIEWS = ['as decided', 'as found', 'departures'] as const;

/** The findings so far, worst first; each opens the row it is about, and may be accepted by name and with a reason. */
export default function Check() {
  const findings = useFindings();
  const design = useDesign();
  const [view, setView] = useState<(typeof VIEWS)[number]>('as decided');
  const [accepting, setAccepting] = useState<Finding | null>(null);
  const someFound = design.circuits.some((c) => c.found !== null);
  const before = useAsked(someFound ? 'before' : null, (r) => r.before());
  const open = findings.filter((f) => !f.accepted);
  const count = (list: readonly Finding[], severity: Finding['severity']) => list.filter((f) => f.severity === severity).length;
  return (
    <div className="h-full overflow-y-auto p-5" tabIndex={0}>
      <div className="flex items-baseline gap-4">
        <h1 className="text-[18px] font-bold">Check</h1>
        <Views views={VIEWS.filter((v) => v !== 'as found' || someFound)} showing={view} onShow={setView} />
      </div>
      <p className="mt-1 max-w-[640px] text-quiet">
        Every rule the program knows, asked of the design. The full survey audit comes with later stations. Local code, the maker&apos;s
        instructions and licensed practice come first; an empty list is no certificate.
      </p>
      {before ? (
        <table className="mt-3" aria-label="Before and after">
          <tbody>
            {(
              [
                ['as found', before],
                ['as decided', open],
              ] as const
            ).map(([name, list]) => (
              <tr key={name} className="border-b border-line">
                <th className="pr-6 text-left font-medium">{name}</th>
                {(['stop', 'fix', 'note'] as const).map((s) => (
                  <td key={s} className="pr-6">
                    <b className={`reading font-semibold ${s === 'stop' && count(list, s) > 0 ? 'text-lead' : ''}`}>{count(list, s)}</b> {s}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      {view === 'departures' ? (
        <Departures />
      ) : (
        <FindingsList list={view === 'as found' ? (before ?? []) : open} {...(view === 'as found' ? {} : { onAccept: setAccepting })} />
      )}
      {accepting ? <Accept finding={accepting} onClose={() => setAccepting(null)} /> : null}
    </div>
  );
}

function Departures() {
  const design = useDesign();
  const findings = useFindings();
  const store = useStore();
  const standing = new Set(findings.map((f) => f.id));
  if (design.departures.length === 0)
    return (
      <p className="mt-4 max-w-[600px]">
        None. When a finding is to stand (a maker&apos;s sheet or a rule departed from on purpose), accept it: what, why, and who answers
        for it. They are listed here and printed with the build.
      </p>
    );
  return (
    <ul className="mt-4">
      {design.departures.map((d) => (
        <li key={d.id} className="border-b border-line py-2">
          <b className="font-semibold">{d.what}</b>
          {standing.has(d.findingId) ? null : <span className="ml-3 text-quiet">its cause is gone: it may be taken off</span>}
          <p className="max-w-[720px]">
            {d.why}{' '}
            <span className="text-quiet">
              Accepted by {d.acceptedBy}, {d.on}.
            </span>
          </p>
          <button
            type="button"
            className="plain"
            onClick={() => store.edit(`no longer accept: ${d.what}`, [dropOp(design, 'departures', d.id)])}
          >
            accept it no longer
          </button>
        </li>
      ))}
    </ul>
  );
}
