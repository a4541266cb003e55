'use client';
import { useState } from 'react';
import type { Finding } from '@/core';
import type { Remedy } from '@/core/analysis';
import { show } from '@/core/quantity';
import { REST, useAnalyser, useAsked, useDesign, useStore } from '@/ui/boat/context';

/** Ways out of a finding on a circuit, searched when they are asked for: each says what it costs and what else it changes before it is taken, as one edit. */
export function Remedies({ finding, name }: { finding: Finding; name: string }) {
  const design = useDesign();
  const store = useStore();
  const analyser = useAnalyser();
  const [answer, setAnswer] = useState<{ readonly of: typeof design; readonly remedies: readonly Remedy[] } | null>(null);
  const [busy, setBusy] = useState(false);
  const searchable = useAsked('searchable', (r) => r.searchable(), REST);
  if (!searchable?.includes(finding.id)) return null;
  const search = async () => {
    setBusy(true);
    try {
      setAnswer({ of: design, remedies: (await analyser.ask((r) => r.remedies(finding))) ?? [] });
    } catch (error) {
      store.say('refused', `The ways out could not be searched: ${error instanceof Error ? error.message : String(error)}`);
    } finally {
      setBusy(false);
    }
  };
  // Found for another design they prove nothing of this one.
  const remedies = answer?.of === design ? answer.remedies : null;
  if (!remedies)
    return (
      <button type="button" className="plain screen-only" aria-label={`Ways out: ${name}`} disabled={busy} onClick={() => void search()}>
        {busy ? 'searching' : 'ways out'}
      </button>
    );
  const take = (r: Remedy) => store.edit(`${r.say}, for ${name}`.slice(0, 120), r.ops);
  return (
    <div className="mt-1 w-full screen-only" data-testid="remedies">
      {remedies.length === 0 ? (
        <p className="text-quiet">
          No edit the program can try settles it without another stop: other equipment, a larger bank, or an accepted departure.
        </p>
      ) : (
        <ul aria-label={`Ways out: ${name}`}>
          {remedies.map((r) => (
            <li key={r.id} className="flex items-baseline gap-3 border-t border-line py-1 text-[12.5px] hover:bg-wash">
              <span className="min-w-0 flex-1">
                <b className="font-semibold">{r.say}</b>
                <span className="text-quiet">{told(r)}</span>
              </span>
              <span className="reading flex-none text-right">
                {signed(r.kg, show(Math.abs(r.kg), 'kg', design.boat))}
                <br />
                {signed(r.minutes, `${Math.round(Math.abs(r.minutes))} min`)}
              </span>
              <button type="button" className="act flex-none" aria-label={`Take: ${r.say}`} onClick={() => take(r)}>
                take
              </button>
            </li>
          ))}
        </ul>
      )}
      <button type="button" className="plain text-[12px]" onClick={() => setAnswer(null)}>
        close the ways out
      </button>
    </div>
  );
}

const signed = (x: number, text: string): string => (Math.abs(x) < 0.005 ? 'no more' : `${x > 0 ? '+' : '−'}${text}`);

/** What it does to everything else. */
function told({ changes, brings, alsoGone }: Remedy): string {
  const cables = changes.slice(0, 3).map((c) => `${`${c.no} ${c.name}`.trim()} ${c.from} → ${c.to}`);
  return [
    ...(cables.length > 0 ? [`: ${cables.join(', ')}${changes.length > 3 ? ` and ${changes.length - 3} more` : ''}`] : []),
    ...(alsoGone > 0 ? [`settles ${alsoGone} more`] : []),
    ...(brings.length > 0 ? [`brings: ${brings.map((f) => f.title).join('; ')}`] : []),
  ]
    .join('; ')
    .replace(/^(?!:)(.)/, '. $1');
}
