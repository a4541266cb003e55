'use client';
import { ISOLATION_CAUTION, isolationSteps } from '@/core/ac';
import { useDesign } from '@/ui/boat/context';

/** The steps before work on the AC side of this boat, to print and tick. */
export function Isolation() {
  const design = useDesign();
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 pb-8" tabIndex={0} role="region" aria-label="before work">
      <p className="screen-only flex items-baseline gap-4 pt-1">
        <button type="button" className="act" onClick={() => window.print()}>
          print the steps
        </button>
      </p>
      <h2 className="mt-3 text-[16px] font-bold">Before work on the AC side of {design.boat.name}</h2>
      <p className="caution mt-2 max-w-[760px]">{ISOLATION_CAUTION}</p>
      <ol className="mt-3 max-w-[820px]">
        {isolationSteps(design).map((s, i) => (
          <li key={s.id} className="keep grid grid-cols-[24px_1fr_110px] gap-3 border-b border-line py-2">
            <span className="reading text-right">{i + 1}</span>
            <span>
              {s.do} <span className="text-quiet">{s.why}</span>
            </span>
            <span className="flex items-end gap-2">
              <span aria-hidden className="inline-block size-[13px] border border-ink" />
              <span className="h-px flex-1 bg-line" />
            </span>
          </li>
        ))}
      </ol>
      <p className="mt-4 text-quiet">Name and time beside each step. Whoever locks it unlocks it.</p>
    </div>
  );
}
