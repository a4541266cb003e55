'use client';
import { useState } from 'react';
import type { Finding } from '@/core';
import { nameOf } from '@/core/design';
import { byCause, type Caused } from '@/core/check';
import { Remedies } from '@/ui/remedies/Remedies';
import { useAnalyser, useAsked, useDesign, useStore } from '@/ui/boat/context';
import { NextSteps } from '@/ui/next/NextSteps';
import { type Grouping, groupsOf } from './groups';
import { useGo } from './useGo';

/** Worst first, what one finding brings about below it; each opens the row it is about. */
export function FindingsList({
  list,
  by = 'severity',
  onAccept,
}: {
  list: readonly Finding[];
  by?: Grouping;
  onAccept?: (finding: Finding) => void;
}) {
  const design = useDesign();
  if (list.length === 0)
    return (
      <div className="mt-6">
        <p>Nothing found in what is entered so far.</p>
        <NextSteps />
      </div>
    );
  return groupsOf(design, byCause(list), by).map(({ key, title, grave, caused }) => (
    <section key={key} className="mt-5">
      <h2 className={`border-b-[1.5px] border-ink pb-1 font-semibold ${grave ? 'text-lead' : ''}`}>
        {title} <span className="font-normal text-faint">{caused.reduce((n, c) => n + 1 + c.brings.length, 0)}</span>
      </h2>
      <ul>
        {caused.map((c) => (
          <Grown key={c.finding.id} caused={c} onAccept={onAccept} severities={by !== 'severity'} />
        ))}
      </ul>
    </section>
  ));
}

function Grown({
  caused: { finding, brings },
  onAccept,
  severities,
}: {
  caused: Caused;
  onAccept: ((finding: Finding) => void) | undefined;
  severities: boolean;
}) {
  return (
    <li className="border-b border-line py-2">
      <One finding={finding} onAccept={onAccept} severity={severities} />
      {brings.length > 0 ? (
        <ul className="mt-1 ml-1 border-l-[1.5px] border-line pl-4" aria-label={`Because of: ${finding.title}`}>
          {brings.map((f) => (
            <li key={f.id} className="py-1">
              <One finding={f} onAccept={onAccept} severity={severities} />
            </li>
          ))}
        </ul>
      ) : null}
    </li>
  );
}

function One({ finding, onAccept, severity }: { finding: Finding; onAccept: ((finding: Finding) => void) | undefined; severity: boolean }) {
  const design = useDesign();
  const go = useGo();
  const name = `${nameOf(design, finding.about)}: ${finding.title}`;
  return (
    <div className="flex items-baseline gap-4">
      <div className="min-w-0 flex-1">
        {severity ? (
          <span className={`mr-2 ${finding.severity === 'stop' ? 'font-semibold text-lead' : 'text-quiet'}`}>{finding.severity}</span>
        ) : null}
        <button type="button" className="plain text-left font-semibold" onClick={() => go(finding.about)}>
          {name}
        </button>
        <p className="max-w-[720px] text-quiet">
          {finding.why} <span className="text-ink">{finding.todo}</span>
        </p>
        {finding.lapsed ? (
          <p className="max-w-[720px] text-copper">
            {finding.lapsed.by} {finding.lapsed.notHere ? 'said that it does not apply' : 'accepted it'} on {finding.lapsed.on} (
            {finding.lapsed.why}); what it goes by has changed since, and it is open again.
          </p>
        ) : null}
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
