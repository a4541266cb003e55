'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Finding } from '@/core';
import { dropOp } from '@/core/design';
import { useAsked, useDesign, useFindings, useSelected, useStore } from '@/ui/boat/context';
import { Views } from '@/ui/views/Views';
import { Accept } from './Accept';
import { nameOf } from '@/core/answer/names';

const HEADINGS = { stop: 'Stop: must be settled before it is built', fix: 'Fix: ought to be settled', note: 'Note: good to know' } as const;
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
        Every rule reckoned so far against the design. The full survey audit comes with later stations. Local code, the maker&apos;s
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
        <Findings list={view === 'as found' ? (before ?? []) : open} {...(view === 'as found' ? {} : { onAccept: setAccepting })} />
      )}
      {accepting ? <Accept finding={accepting} onClose={() => setAccepting(null)} /> : null}
    </div>
  );
}

const STATION: Readonly<Record<Finding['about']['kind'], string>> = {
  load: 'loads',
  circuit: 'wiring',
  panel: 'wiring',
  lead: 'wiring',
  bar: 'wiring',
  study: 'wiring',
  bank: 'bank',
  join: 'bank',
  living: 'bank',
  cruise: 'bank',
  source: 'charging',
  'AC source': 'ac',
  'AC panel': 'ac',
  'AC load': 'ac',
  'AC circuit': 'ac',
  boat: 'survey',
};

function Findings({ list, onAccept }: { list: readonly Finding[]; onAccept?: (finding: Finding) => void }) {
  const design = useDesign();
  const [, select] = useSelected();
  const store = useStore();
  const router = useRouter();
  const go = ({ about }: Finding) => {
    const { kind, id } = about;
    if (kind === 'circuit' || kind === 'load' || kind === 'lead' || kind === 'AC circuit' || kind === 'AC source') select({ kind, id });
    router.push(`/boats/${store.boatId}/${kind === 'boat' && id === 'ac' ? 'ac' : STATION[kind]}`);
  };
  if (list.length === 0) return <p className="mt-6">Nothing found in what is entered so far.</p>;
  return (['stop', 'fix', 'note'] as const).map((severity) => {
    const own = list.filter((f) => f.severity === severity);
    return own.length === 0 ? null : (
      <section key={severity} className="mt-5">
        <h2 className={`border-b-[1.5px] border-ink pb-1 font-semibold ${severity === 'stop' ? 'text-lead' : ''}`}>
          {HEADINGS[severity]} <span className="font-normal text-faint">{own.length}</span>
        </h2>
        <ul>
          {own.map((f) => (
            <li key={f.id} className="flex items-baseline gap-4 border-b border-line py-2">
              <div className="min-w-0 flex-1">
                <button type="button" className="plain text-left font-semibold" onClick={() => go(f)}>
                  {nameOf(design, f.about)}: {f.title}
                </button>
                <p className="max-w-[720px] text-quiet">
                  {f.why} <span className="text-ink">{f.todo}</span>
                </p>
              </div>
              {onAccept ? (
                <button
                  type="button"
                  className="plain flex-none screen-only"
                  aria-label={`Accept: ${nameOf(design, f.about)}: ${f.title}`}
                  onClick={() => onAccept(f)}
                >
                  accept
                </button>
              ) : null}
            </li>
          ))}
        </ul>
      </section>
    );
  });
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
