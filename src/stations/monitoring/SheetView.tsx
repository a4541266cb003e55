'use client';
import type { Gauge, GaugeSettings } from '@/core/design';
import { gaugeSheet } from '@/core/monitoring';
import { brief } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { OptionalFigure } from '@/ui/field';

const BOUND: Readonly<Record<keyof GaugeSettings, readonly [low: number, high: number]>> = {
  capacityAh: [1, 20000],
  peukert: [1, 1.6],
  chargeEff: [0.5, 1],
  chargedV: [2, 70],
  tailPct: [0.1, 20],
  chargedMin: [0, 60],
};

/** What to program, each figure with its working, beside the maker's default and what is set aboard: a sheet to print and sign. */
export function SheetView({ gauge }: { gauge: Gauge }) {
  const design = useDesign();
  const put = usePut();
  const sheet = gaugeSheet(design, gauge);
  if (!sheet) return <p className="pt-3 text-quiet">Its bank is not in the design.</p>;
  const field = (of: 'asSet' | 'maker', id: keyof GaugeSettings, label: string) => (
    <OptionalFigure
      label={label}
      kind="none"
      value={gauge[of][id]}
      low={BOUND[id][0]}
      high={BOUND[id][1]}
      onChange={(v) => put(['gauges', gauge.id, of, id], v, `${label} of ${gauge.name}`)}
    />
  );
  return (
    <div className="max-w-[980px] pt-2">
      <div className="flex items-baseline gap-4">
        <h2 className="font-semibold">
          {gauge.name}: {design.boat.name}
        </h2>
        <button type="button" className="act screen-only ml-auto" onClick={() => window.print()}>
          print
        </button>
      </div>
      <table className="mt-1 w-full text-left" aria-label="Settings to program">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
            <th className="font-medium">setting</th>
            <th className="text-right font-medium">to program</th>
            <th className="pl-4 font-medium">why</th>
            <th className="w-[120px] font-medium">maker’s default</th>
            <th className="w-[120px] font-medium">as set</th>
          </tr>
        </thead>
        <tbody>
          {sheet.lines.map((l) => (
            <tr key={l.id} className="border-b border-line align-top">
              <td className="py-1 pr-2">{l.name}</td>
              <td className="reading py-1 text-right font-semibold whitespace-nowrap">
                {brief(String(l.value))} {l.unit}
              </td>
              <td className="py-1 pl-4 text-quiet">{l.working}</td>
              <td className="py-1 pr-2">{field('maker', l.id, 'default')}</td>
              <td className="py-1">{field('asSet', l.id, 'set')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {sheet.warnings.map((w) => (
        <p key={w} className="caution mt-2">
          {w}.
        </p>
      ))}
      <p className="mt-3 text-[12px] text-quiet">
        First of all its zero: set it with the battery’s negative off or every circuit open. Then capacity as measured, where it was. The
        gauge maker’s own words rule where they differ.
      </p>
      <p className="mt-6 hidden print:block">Programmed by ______________________ on ____________</p>
    </div>
  );
}
