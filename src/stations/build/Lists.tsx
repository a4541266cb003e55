'use client';
import { useMemo, useState } from 'react';
import { show, unitOf } from '@/core/quantity';
import { nameOf } from '@/core/design';
import { type Held, heldBack } from '@/core/build';
import { byCause } from '@/core/check';
import { useDesign, useCutList, useFindings } from '@/ui/boat/context';
import { fileName, saveCsv } from '@/ui/files';
import { Counts } from './Counts';
import { cutListCsv } from './csv';
import { Extras } from './Extras';
import { LargestCrimp } from './LargestCrimp';
import { PieceRow } from './PieceRow';
import { ReelLines } from './ReelLines';
import { useBench } from './useBench';

/** What is bought and cut, whole, to be read and printed. */
export function Lists() {
  const design = useDesign();
  const list = useCutList();
  const { bench } = useBench();
  const findings = useFindings();
  const held = useMemo(() => (list ? heldBack(design, list, findings) : null), [design, list, findings]);
  const [asked, setAsked] = useState('');
  const [only, setOnly] = useState(false);
  const units = design.boat;
  const metres = unitOf('m', units).name;
  if (!list || !held) return <p className="p-6 text-quiet">Working out the list.</p>;
  const wanted = asked.trim().toLowerCase();
  const cuts = (only ? held.free : list.cuts).filter(
    (c) => wanted === '' || `${c.no} ${c.serves} ${c.size} ${c.colour} ${c.fromEnd} ${c.toEnd}`.toLowerCase().includes(wanted),
  );
  return (
    <div>
      <div className="flex items-baseline gap-4">
        <h2 className="text-[15px] font-bold">Cut list</h2>
        <span className="text-quiet">
          {list.cuts.length} pieces, {show(list.totalM, 'm', units)}, {show(list.totalKg, 'kg', units)}
        </span>
        <span className="ml-auto flex gap-3 screen-only">
          <button
            type="button"
            className="act"
            onClick={() => saveCsv(`${fileName(design.boat.name)}-cut-list.csv`, cutListCsv(list, units, held))}
          >
            CSV
          </button>
          <button type="button" className="act" onClick={() => window.print()}>
            print
          </button>
        </span>
      </div>
      <NotToBeBuilt held={held} pieces={list.cuts.length} />
      <p className="mt-1 text-[12px]">
        <b>{design.boat.name}</b>, {show(design.boat.lengthM, 'm', units)}, {design.boat.systemV} V DC
        {design.acCircuits.length > 0 ? `, ${design.boat.acRegion} AC` : ''}. Rule set: {design.boat.ruleSet === 'awg' ? 'AWG' : 'metric'}.
        Positive as stated, negative {design.house.negative}.
      </p>
      <p className="caution mt-2 max-w-[760px]">
        Supply isolated, locked and proved dead before any end is opened; negative off first, on last.
        {design.acCircuits.length > 0
          ? ' AC: shore lead out and in your hands, generator and inverter off and locked, dead proved on a meter proved before and after. '
          : ' '}{' '}
        Crimp with the matching die, pull-test each size, hot air never where vapour or hydrogen can be. Local code, the maker&apos;s
        instructions and licensed practice come first.
      </p>
      <ReelLines list={list} />
      <Counts title="Terminals" lines={list.terminals} note="Barrel × stud. Verify studs against the equipment; ends often differ." />
      <Counts title="Heat shrink" lines={list.shrink} />
      <Counts title="Protection" lines={list.protection} note="Typical of the pattern; the exact part's sheet rules." />
      <Counts
        title="Bus bars"
        lines={list.bars}
        note="As entered, else as they ask to be: Wiring, main side. The part’s own sheet rules."
      />
      {list.makers.length > 0 ? (
        <Counts
          title="Makers’ own cables"
          lines={list.makers}
          note="Bought with their machine: sensors and data. Their makers say how far they may be extended."
        />
      ) : null}
      {bench ? (
        <Counts
          title="Tools and dies"
          lines={bench.tools}
          note="For the ends still to be made: tick what is on the van before you leave."
        />
      ) : null}
      {bench ? <LargestCrimp /> : null}
      {bench ? <Counts title="Consumables" lines={bench.consumables} /> : null}
      <Extras />
      <section className="mt-5">
        <div className="flex items-baseline gap-4">
          <h2 className="font-semibold">Pieces</h2>
          <input
            className="box screen-only w-[150px]"
            aria-label="Filter pieces"
            placeholder="filter"
            value={asked}
            onChange={(e) => setAsked(e.target.value)}
          />
          <label className="screen-only flex items-baseline gap-1">
            <input type="checkbox" checked={only} onChange={(e) => setOnly(e.target.checked)} /> only what may be cut already (
            {held.free.length})
          </label>
        </div>
        <table className="mt-1 w-full text-left">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
              <th className="font-medium">label, both ends</th>
              <th className="font-medium">size</th>
              <th className="font-medium">colour</th>
              <th className="text-right font-medium">{metres}</th>
              <th className="pl-4 font-medium">from end</th>
              <th className="font-medium">far end</th>
              <th className="font-medium print:table-cell">cut</th>
            </tr>
          </thead>
          <tbody>
            {cuts.map((c, i) => (
              <PieceRow key={`${c.label}-${i}`} cut={c} units={units} against={held.against.get(c.circuitId)?.[0]?.title ?? null} />
            ))}
          </tbody>
        </table>
        <p className="mt-1 text-[12px] text-quiet">
          Lengths in bold are taped. All others are estimates from positions: tape the run before cutting.
        </p>
      </section>
    </div>
  );
}

/** The mark over a list that must not be built yet, and what stands against it. */
function NotToBeBuilt({ held, pieces }: { held: Held; pieces: number }) {
  const design = useDesign();
  if (held.stops.length === 0) return null;
  return (
    <section role="alert" data-testid="not-to-be-built" className="keep mt-3 border-[3px] border-lead p-3">
      <h2 className="text-[17px] font-bold text-lead uppercase">Not to be built</h2>
      <p>
        {held.stops.length} {held.stops.length === 1 ? 'stop is' : 'stops are'} open. {held.heldPieces} of {pieces} pieces are struck below;{' '}
        {held.free.length} may be cut already, {held.untaped} more once their runs are taped. Counts and reels are of all.
      </p>
      <ul className="mt-1 list-disc pl-5">
        {byCause(held.stops).map(({ finding: f, brings }) => (
          <li key={f.id}>
            <b className="font-semibold">
              {nameOf(design, f.about)}: {f.title}.
            </b>{' '}
            {f.todo}
            {brings.length > 0 ? (
              <span className="text-quiet">
                {' '}
                With it {brings.length === 1 ? 'goes' : 'go'}, most likely:{' '}
                {brings.map((b) => `${nameOf(design, b.about)} (${b.title})`).join('; ')}.
              </span>
            ) : null}
          </li>
        ))}
      </ul>
    </section>
  );
}
