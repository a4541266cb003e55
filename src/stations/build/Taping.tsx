'use client';
import { useState } from 'react';
import type { AcCircuitResult } from '@/core/ac';
import type { Design } from '@/core/design';
import { bare, brief, parseNumber, show, unitOf } from '@/core/quantity';
import { useAnalysis, useAsked, useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { type Taped, toTape } from './toTape';

/** Runs to be measured, in the order somebody walks through the boat: from the stern forward, place by place. */
export function Taping() {
  const design = useDesign();
  const { circuits, leads } = useAnalysis();
  const [all, setAll] = useState(false);
  const acRuns = useAsked<readonly AcCircuitResult[]>('AC runs', (r) => r.acRuns()) ?? [];
  const runs = toTape(design, circuits, leads, acRuns);
  const open = runs.filter((r) => r.tapedM === null);
  const shown = all ? runs : open;
  const places = [...new Set(shown.map((r) => r.place))];
  return (
    <div className="max-w-[760px]">
      <p className="text-quiet">
        {runs.length - open.length} of {runs.length} runs are taped. Tape the way the cable will lie, from stud to stud, without slack: bow
        and slack where a panel opens are added when it is cut.
        <label className="ml-3 text-ink">
          <input type="checkbox" checked={all} onChange={(e) => setAll(e.target.checked)} /> also those that are taped
        </label>
      </p>
      {shown.length === 0 ? <p className="mt-3">Every run is taped: Bench releases the pieces to be cut.</p> : null}
      {places.map((place) => (
        <section key={place} className="keep mt-4">
          <h2 className="font-semibold">{place}</h2>
          <ul>
            {shown
              .filter((r) => r.place === place)
              .map((r) => (
                <Run key={r.id} run={r} design={design} />
              ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

function Run({ run, design }: { run: Taped; design: Design }) {
  const put = usePut();
  const [draft, setDraft] = useState<string | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const units = design.boat;
  const commit = () => {
    if (draft === null) return;
    const text = draft.trim();
    const parsed = text === '' ? null : parseNumber(text, 'm', units, 0.05, 120);
    if (parsed && !parsed.ok) return setWhy(parsed.message);
    setWhy(null);
    setDraft(null);
    const value = parsed?.ok ? parsed.value : null;
    if (value === run.tapedM) return;
    if (run.links) {
      put(
        ['banks', run.links, 'links'],
        { ...(design.banks.find((b) => b.id === run.links)?.links ?? {}), lengthM: value ?? run.estimatedM, measured: value !== null },
        `taped: ${run.name}`,
      );
      return;
    }
    put(run.path, value, `taped: ${run.name}`);
  };
  return (
    <li className="flex min-h-[44px] flex-wrap items-center gap-x-3 border-b border-line py-1">
      <span className="min-w-[220px] flex-1">
        <b className="font-semibold">{run.name}</b>
        <span className="block text-[12px] text-quiet">
          to {run.to}; {Number.isNaN(run.estimatedM) ? 'its places are not entered' : `${show(run.estimatedM, 'm', units)} by the places`}
        </span>
      </span>
      <label className="flex items-baseline gap-1">
        <span className="text-[12px] text-quiet">taped, {unitOf('m', units).name}</span>
        <input
          className="box reading min-h-[40px] w-[110px] text-[15px]"
          inputMode="decimal"
          aria-label={`${run.name}, taped`}
          aria-invalid={why !== null}
          value={draft ?? (run.tapedM === null ? '' : brief(bare(run.tapedM, 'm', units)))}
          onChange={(e) => setDraft(e.target.value)}
          onBlur={commit}
          onKeyDown={(e) => {
            if (e.key === 'Enter') {
              commit();
              // On to the next, as a tape goes on.
              const fields = [...document.querySelectorAll<HTMLInputElement>('input[aria-label$=", taped"]')];
              fields[fields.indexOf(e.currentTarget) + 1]?.focus();
            }
            if (e.key === 'Escape') {
              setDraft(null);
              setWhy(null);
            }
          }}
        />
      </label>
      {why ? (
        <span role="alert" className="w-full text-lead">
          {why}
        </span>
      ) : null}
    </li>
  );
}
