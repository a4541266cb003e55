'use client';
import { useRouter } from 'next/navigation';
import type { Finding } from '@/core';
import { useAnalysis, useBoat, useSelected, useStore } from '@/ui/boat/context';

const HEADINGS = { stop: 'Stop: must be settled before it is built', fix: 'Fix: ought to be settled', note: 'Note: good to know' } as const;

/** The findings so far, worst first; each opens the row it is about. */
export default function Check() {
  const { findings } = useAnalysis();
  const { design } = useBoat();
  const [, select] = useSelected();
  const store = useStore();
  const router = useRouter();
  const nameOf = (f: Finding): string => {
    const lists = { circuit: design.circuits, load: design.loads, panel: design.panels, bank: design.banks } as const;
    return f.about.kind === 'boat' ? design.boat.name : (lists[f.about.kind].find((r) => r.id === f.about.id)?.name ?? f.about.id);
  };
  const open = (f: Finding) => {
    if (f.about.kind === 'circuit' || f.about.kind === 'load') select({ kind: f.about.kind, id: f.about.id });
    router.push(
      `/boats/${store.boatId}/${f.about.kind === 'load' ? 'loads' : f.about.kind === 'circuit' || f.about.kind === 'panel' ? 'wiring' : 'survey'}`,
    );
  };
  return (
    <div className="h-full overflow-y-auto p-5">
      <h1 className="text-[18px] font-bold">Check</h1>
      <p className="mt-1 max-w-[640px] text-quiet">
        Every rule reckoned so far against the design. The full survey audit comes with later stations. Local code, the maker&apos;s
        instructions and licensed practice come first; an empty list is no certificate.
      </p>
      {findings.length === 0 ? <p className="mt-6">Nothing found in what is entered so far.</p> : null}
      {(['stop', 'fix', 'note'] as const).map((severity) => {
        const own = findings.filter((f) => f.severity === severity);
        return own.length === 0 ? null : (
          <section key={severity} className="mt-5">
            <h2 className={`border-b-[1.5px] border-ink pb-1 font-semibold ${severity === 'stop' ? 'text-lead' : ''}`}>
              {HEADINGS[severity]} <span className="font-normal text-faint">{own.length}</span>
            </h2>
            <ul>
              {own.map((f) => (
                <li key={f.id} className="border-b border-line py-2">
                  <button type="button" className="plain text-left font-semibold" onClick={() => open(f)}>
                    {nameOf(f)}: {f.title}
                  </button>
                  <p className="max-w-[720px] text-quiet">
                    {f.why} <span className="text-ink">{f.todo}</span>
                  </p>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
