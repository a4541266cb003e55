'use client';
import type { Finding } from '@/core';
import { ALONGS, type Circuit, setOp, rowOf } from '@/core/design';
import { show } from '@/core/quantity';
import { useAnalysis, useDesign, useStore } from '@/ui/boat/context';

/** The chosen run under the drawing: which way it goes along the hull, how long that makes it, the worst found on it. */
export function RunLine({ circuit, worst, onClose }: { circuit: Circuit; worst: Finding | undefined; onClose: () => void }) {
  const design = useDesign();
  const store = useStore();
  const result = rowOf(useAnalysis().circuits, circuit.id);
  const taped = circuit.taps.some((t) => t.tapedM !== null) || (circuit.found?.lengthM ?? null) !== null;
  const estimate = result?.taps.reduce((sum, t) => sum + t.estimatedM, 0) ?? 0;
  return (
    <div className="flex flex-none flex-wrap items-baseline gap-x-3 gap-y-1 border-t border-line px-4 py-2" data-testid="run-line">
      <b className="font-semibold">
        {circuit.no} {circuit.name}
      </b>
      <label className="flex items-baseline gap-2">
        goes
        <select
          className="box"
          value={circuit.along}
          onChange={(e) =>
            store.edit(`way along the hull of ${circuit.name}`, [setOp(design, ['circuits', circuit.id, 'along'], e.target.value)])
          }
        >
          {ALONGS.map((a) => (
            <option key={a}>{a}</option>
          ))}
        </select>
      </label>
      <span className="reading">{result ? show(result.lengthM, 'm', design.boat) : '–'}</span>
      <span className="text-quiet">
        {taped ? `taped; the estimate this way is ${show(estimate, 'm', design.boat)}` : 'estimated, slack at both ends'}
      </span>
      {worst ? (
        <span className={worst.severity === 'note' ? '' : 'font-semibold text-lead'}>
          {worst.severity}: {worst.title}
        </span>
      ) : null}
      <button type="button" className="plain ml-auto" onClick={onClose}>
        close
      </button>
    </div>
  );
}
