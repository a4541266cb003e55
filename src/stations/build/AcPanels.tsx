'use client';
import { rowOf } from '@/core/design';
import type { AcPanelSchedule } from '@/core/build';
import { round3 } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { LegendStrip } from '@/ui/lists/LegendStrip';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';

/** AC panels: ways, legend strips, and what each lamp means, to hang beside them. */
export function AcPanels({ panels }: { panels: readonly AcPanelSchedule[] }) {
  const design = useDesign();
  const split = design.boat.acRegion === '120/240 V';
  return panels
    .filter((p) => p.ways.some((w) => w.circuitId !== null))
    .map((p) => (
      <section key={p.panelId} className="mt-6" aria-label={`AC panel ${p.name}`}>
        <h2 className="font-semibold">
          {p.name}{' '}
          <span className="font-normal text-quiet">
            AC{p.feeds.length > 0 ? `, fed by ${p.feeds.join('; ')}` : ''}
            {p.transfer === 'none' ? '' : `, transfer ${p.transfer === 'relay' ? 'by relay' : 'by hand'}`}, {p.ways.length - p.spare} of{' '}
            {p.ways.length} ways, sum of ratings {round3(p.sumOfRatingsA)} A
          </span>
        </h2>
        <Plain
          label={`Ways of ${p.name}`}
          columns={[
            { title: 'way', right: true },
            { title: 'circuit' },
            { title: 'device' },
            { title: 'A', right: true },
            { title: 'poles', right: true },
            { title: 'trips at' },
            ...(split ? [{ title: 'leg' }] : []),
            { title: 'cable' },
          ]}
          rows={p.ways.map((w) => ({
            id: String(w.way),
            cells: [
              String(w.way),
              `${w.no} ${w.name}`.trim(),
              w.device,
              w.ratingA === null ? '' : round3(w.ratingA),
              w.poles === null ? '' : String(w.poles),
              w.leakageMa === null ? '' : `${w.leakageMa} mA`,
              ...(split ? [w.leg] : []),
              w.circuitId === null ? (
                w.cable
              ) : (
                <Worked key="c" at={{ kind: 'AC circuit', id: w.circuitId }} of={`${w.no} ${w.name}`.trim()}>
                  {w.cable}
                </Worked>
              ),
            ],
          }))}
        />
        {p.lamps.length > 0 ? (
          <Plain
            label={`Lamps of ${p.name}`}
            columns={[{ title: 'lamp or button' }, { title: 'what it means, and what to do' }]}
            rows={p.lamps.map((l, i) => ({ id: String(i), cells: [l.lamp, l.means] }))}
          />
        ) : null}
        {rowOf(design.acPanels, p.panelId) ? <LegendStrip name={p.name} pitchMm={p.pitchMm} ways={p.ways} /> : null}
      </section>
    ));
}
