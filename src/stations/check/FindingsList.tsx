'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Finding } from '@/core';
import { nameOf } from '@/core/answer';
import { byCause } from '@/core/check';
import { Remedies } from '@/ui/remedies/Remedies';
import { useAnalyser, useAsked, useDesign, useSelected, useStore } from '@/ui/boat/context';
import { NextSteps } from '@/ui/next/NextSteps';

const HEADINGS = { stop: 'Stop: must be settled before it is built', fix: 'Fix: ought to be settled', note: 'Note: good to know' } as const;

const STATION: Readonly<Record<Finding['about']['kind'], string>> = {
  load: 'loads',
  circuit: 'wiring',
  panel: 'wiring',
  lead: 'wiring',
  bar: 'wiring',
  study: 'wiring',
  bank: 'bank',
  gauge: 'monitoring',
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

/** Worst first, what one finding brings about below it; each opens the row it is about. */
export function FindingsList({ list, onAccept }: { list: readonly Finding[]; onAccept?: (finding: Finding) => void }) {
  if (list.length === 0)
    return (
      <div className="mt-6">
        <p>Nothing found in what is entered so far.</p>
        <NextSteps />
      </div>
    );
  const caused = byCause(list);
  return (['stop', 'fix', 'note'] as const).map((severity) => {
    const own = caused.filter((c) => c.finding.severity === severity);
    return own.length === 0 ? null : (
      <section key={severity} className="mt-5">
        <h2 className={`border-b-[1.5px] border-ink pb-1 font-semibold ${severity === 'stop' ? 'text-lead' : ''}`}>
          {HEADINGS[severity]} <span className="font-normal text-faint">{list.filter((f) => f.severity === severity).length}</span>
        </h2>
        <ul>
          {own.map(({ finding, brings }) => (
            <li key={finding.id} className="border-b border-line py-2">
              <One finding={finding} onAccept={onAccept} />
              {brings.length > 0 ? (
                <ul className="mt-1 ml-1 border-l-[1.5px] border-line pl-4" aria-label={`Because of: ${finding.title}`}>
                  {brings.map((f) => (
                    <li key={f.id} className="py-1">
                      <One finding={f} onAccept={onAccept} />
                    </li>
                  ))}
                </ul>
              ) : null}
            </li>
          ))}
        </ul>
      </section>
    );
  });
}

function One({ finding, onAccept }: { finding: Finding; onAccept: ((finding: Finding) => void) | undefined }) {
  const design = useDesign();
  const store = useStore();
  const router = useRouter();
  const [, select] = useSelected();
  const { kind, id } = finding.about;
  const name = `${nameOf(design, finding.about)}: ${finding.title}`;
  const go = () => {
    if (kind === 'circuit' || kind === 'load' || kind === 'lead' || kind === 'AC circuit' || kind === 'AC source') select({ kind, id });
    router.push(`/boats/${store.boatId}/${kind === 'boat' && id === 'ac' ? 'ac' : STATION[kind]}`);
  };
  return (
    <div className="flex items-baseline gap-4">
      <div className="min-w-0 flex-1">
        <button type="button" className="plain text-left font-semibold" onClick={go}>
          {name}
        </button>
        <p className="max-w-[720px] text-quiet">
          {finding.why} <span className="text-ink">{finding.todo}</span>
        </p>
        {onAccept ? <Remedies finding={finding} name={name} /> : null}
      </div>
      {onAccept ? (
        <>
          <CureButton finding={finding} name={name} />
          <button type="button" className="plain flex-none screen-only" aria-label={`Accept: ${name}`} onClick={() => onAccept(finding)}>
            accept
          </button>
        </>
      ) : null}
    </div>
  );
}

/** Where the design itself can be put right: one edit, to be undone like any other. It is tried before it is made. */
function CureButton({ finding, name }: { finding: Finding; name: string }) {
  const store = useStore();
  const analyser = useAnalyser();
  const curable = useAsked('curable', (r) => r.curable());
  const [trying, setTrying] = useState(false);
  if (!curable?.includes(finding.id)) return null;
  const cure = async () => {
    setTrying(true);
    try {
      const answer = await analyser.ask((r) => r.cure(finding));
      if (!answer) store.say('refused', 'Nothing changed: this cannot be put right here.');
      else if (!answer.gone) store.say('refused', `Nothing changed: the edit alone does not settle it. ${finding.todo}`);
      else {
        store.edit(`put right: ${name}`, answer.ops);
        const [first, ...more] = answer.brings;
        if (first) store.say('said', `Done. It brings: ${first.title}${more.length > 0 ? `, and ${more.length} more` : ''}.`);
      }
    } catch (error) {
      store.say('refused', `Nothing changed: ${error instanceof Error ? error.message : String(error)}`);
    } finally {
      setTrying(false);
    }
  };
  return (
    <button
      type="button"
      className="plain flex-none screen-only"
      aria-label={`Put right: ${name}`}
      disabled={trying}
      onClick={() => void cure()}
    >
      put right
    </button>
  );
}
