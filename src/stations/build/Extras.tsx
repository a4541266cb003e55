'use client';
import { rowOf } from '@/core/design';
import { round3, show } from '@/core/quantity';
import { useDesign, useLists } from '@/ui/boat/context';
import { LegendStrip } from '@/ui/lists/LegendStrip';
import { PenetrationTable } from '@/ui/lists/PenetrationTable';
import { SwitchTable } from '@/ui/lists/SwitchTable';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';
import { AcPanels } from './AcPanels';

/** What belongs to the cut list and is not cut: what comes out, what stays, holes, switches, panels, departures. */
export function Extras() {
  const design = useDesign();
  const lists = useLists();
  const units = design.boat;
  if (!lists) return null;
  const { stripOut, reuse, unidentified } = lists.found;
  const foundRows = (rows: typeof stripOut) =>
    rows.map((l) => ({
      id: l.circuitId,
      cells: [l.circuit, l.cable, l.colour, show(l.lengthM, 'm', units), show(l.massKg, 'kg', units), l.faults, l.reason, '☐'],
    }));
  const foundColumns = [
    { title: 'circuit' },
    { title: 'wire' },
    { title: 'colour' },
    { title: 'run', right: true },
    { title: 'mass', right: true },
    { title: 'condition' },
    { title: 'why' },
    { title: 'done' },
  ];
  return (
    <>
      {stripOut.length > 0 ? (
        <section className="keep mt-5">
          <h2 className="font-semibold">Strip out</h2>
          <p className="text-[12px] text-quiet">Prove each dead at both ends first; picture and label what it passes.</p>
          <Plain label="Strip out" columns={foundColumns} rows={foundRows(stripOut)} />
        </section>
      ) : null}
      {reuse.length > 0 ? (
        <section className="keep mt-5">
          <h2 className="font-semibold">Use again</h2>
          <Plain
            label="Use again"
            columns={[
              { title: 'circuit' },
              { title: 'wire' },
              { title: 'colour' },
              { title: 'run', right: true },
              { title: 'left after cutting back', right: true },
              { title: 'bad joints', right: true },
              { title: 'condition' },
              { title: 'why' },
            ]}
            rows={reuse.map((l) => ({
              id: l.circuitId,
              cells: [
                l.circuit,
                l.cable,
                l.colour,
                show(l.lengthM, 'm', units),
                show(l.leftM, 'm', units),
                l.heatW > 0 ? show(l.heatW, 'W', units) : '·',
                l.faults,
                l.reason,
              ],
            }))}
          />
        </section>
      ) : null}
      {unidentified.length > 0 ? (
        <section className="keep mt-5">
          <h2 className="font-semibold">Not identified yet</h2>
          <Plain label="Not identified" columns={foundColumns} rows={foundRows(unidentified)} />
        </section>
      ) : null}
      {lists.penetrations.length > 0 ? (
        <section className="keep mt-5">
          <h2 className="font-semibold">Holes and glands</h2>
          <PenetrationTable penetrations={lists.penetrations} />
        </section>
      ) : null}
      {lists.switches.length > 0 ? (
        <section className="keep mt-5">
          <h2 className="font-semibold">Switches and what is in line</h2>
          <SwitchTable label="Switches in line" switches={lists.switches} />
        </section>
      ) : null}
      <Panels lists={lists} />
      <AcPanels panels={lists.acPanels} />
      {design.departures.length > 0 ? (
        <section className="keep mt-5">
          <h2 className="font-semibold">Departures, accepted</h2>
          <Plain
            label="Departures"
            columns={[{ title: 'what' }, { title: 'why' }, { title: 'accepted by' }, { title: 'on' }]}
            rows={design.departures.map((d) => ({ id: d.id, cells: [d.what, d.why, d.acceptedBy, d.on] }))}
          />
        </section>
      ) : null}
    </>
  );
}

function Panels({ lists }: { lists: NonNullable<ReturnType<typeof useLists>> }) {
  const design = useDesign();
  const units = design.boat;
  const panels = lists.panels.filter((p) => p.ways.some((w) => w.circuitId !== null));
  return panels.map((p) => {
    const row = rowOf(design.panels, p.panelId);
    return (
      <section key={p.panelId} className="mt-6" aria-label={`Panel ${p.name}`}>
        <h2 className="font-semibold">
          {p.name}{' '}
          <span className="font-normal text-quiet">
            {p.partOf ? `part of ${p.partOf}, ` : ''}
            {p.supply ? `${p.supply}, ` : ''}
            {p.ways.length - p.spare} of {p.ways.length} ways, {show(p.demandA, 'A', units)} asked, sum of ratings {round3(p.sumOfRatingsA)}{' '}
            A{p.spareA === null ? '' : `, ${show(p.spareA, 'A', units)} to spare of ${p.limitedBy}`}
          </span>
        </h2>
        <Plain
          label={`Ways of ${p.name}`}
          columns={[
            { title: 'way', right: true },
            { title: 'circuit' },
            { title: 'device' },
            { title: 'A', right: true },
            { title: 'works at', right: true },
            { title: 'cable' },
          ]}
          rows={p.ways
            .filter((w) => w.circuitId !== null)
            .map((w) => ({
              id: String(w.way),
              cells: [
                String(w.way),
                `${w.no} ${w.name}`.trim(),
                w.device,
                w.ratingA === null ? '' : round3(w.ratingA),
                <Worked key="a" at={{ kind: 'circuit', id: w.circuitId ?? '' }} of={`${w.no} ${w.name}`.trim()}>
                  {show(w.workingA, 'A', units)}
                </Worked>,
                w.cable,
              ],
            }))}
        />
        {row?.kind === 'panel' ? <LegendStrip name={p.name} pitchMm={row.pitchMm} ways={p.ways} /> : null}
      </section>
    );
  });
}
