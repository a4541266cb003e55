'use client';
import { useMemo, useState } from 'react';
import type { CircuitResult } from '@/core';
import { type PathDevice, selectivityText } from '@/core/circuit';
import { round3, show } from '@/core/quantity';
import { useAnalysis, useAsked, useDesign, useSelected } from '@/ui/boat/context';
import { TableBeside } from '@/ui/chart/TableBeside';
import { Plain } from '@/ui/table/Plain';
import { FaultNodes } from './FaultNodes';
import { Legend, TimeCurrent } from './TimeCurrent';
import { NextSteps } from '@/ui/next/NextSteps';

const COLUMNS = [
  'circuit',
  'device',
  'largest fault, A',
  'interrupts, A',
  'least fault, A',
  'opens within, s',
  'bears it, s',
  'beside the one above',
];
const seconds = (s: number | null | undefined) => (s == null ? '–' : !Number.isFinite(s) ? 'may not' : s < 0.01 ? '< 0.01' : round3(s));

interface Row {
  readonly result: CircuitResult;
  readonly devices: readonly PathDevice[];
  readonly cells: readonly string[];
  readonly wrong: boolean;
}

/** Every device: what a fault drives through it at either end, whether it stops it in time, and whether it opens alone. */
export default function Protection() {
  const { circuits } = useAnalysis();
  const [selected, select] = useSelected();
  const [filter, setFilter] = useState('');
  const [onlyWrong, setOnlyWrong] = useState(false);
  const devices = useAsked('devices', (r) => r.devicesOnPaths());
  const rows = useMemo(() => circuits.map((r): Row => rowOf(r, devices?.[r.id] ?? [])), [circuits, devices]);
  const shown = rows.filter((r) => (!onlyWrong || r.wrong) && r.cells.join(' ').toLowerCase().includes(filter.toLowerCase()));
  const picked = rows.find((r) => selected?.kind === 'circuit' && r.result.id === selected.id) ?? shown[0];
  if (rows.length === 0)
    return (
      <div className="px-4 pt-[10px]">
        <h1 className="text-[18px] font-bold">Protection</h1>
        <p className="mt-3 max-w-[560px]">
          There is no circuit yet. Under Wiring they are proposed for the loads; their devices stand here then.
        </p>
        <NextSteps />
      </div>
    );
  return (
    <div className="flex h-full flex-col">
      <div className="flex flex-none items-baseline gap-4 px-4 py-[10px]">
        <h1 className="text-[18px] font-bold">Protection</h1>
        <span className="text-quiet">
          {rows.filter((r) => r.wrong).length} of {rows.length} want looking at
        </span>
        <label className="ml-auto flex items-baseline gap-2">
          <input type="checkbox" checked={onlyWrong} onChange={(e) => setOnlyWrong(e.target.checked)} /> only these
        </label>
        <input
          className="box w-[140px]"
          placeholder="filter"
          aria-label="Filter devices"
          value={filter}
          onChange={(e) => setFilter(e.target.value)}
        />
      </div>
      {picked ? <OnePath row={picked} /> : null}
      <div className="min-h-0 flex-1 overflow-y-auto px-4 pb-6" tabIndex={0} role="region" aria-label="devices">
        <FaultNodes />
        <h2 className="mt-4 font-semibold">Every device</h2>
        <Plain
          label="Every device"
          columns={COLUMNS.map((title, i) => ({ title, right: i > 1 && i < 7 }))}
          rows={shown.map((r) => ({
            id: r.result.id,
            cells: r.cells.map((cell, i) =>
              i === 0 ? (
                <button
                  key="n"
                  type="button"
                  aria-pressed={r.result.id === picked?.result.id}
                  className={`text-left ${r.result.id === picked?.result.id ? 'border-b-2 border-verdigris font-semibold' : 'plain'}`}
                  onClick={() => select({ kind: 'circuit', id: r.result.id })}
                >
                  {cell}
                </button>
              ) : i === 7 && r.wrong ? (
                <b key="w" className="font-semibold">
                  {cell}
                </b>
              ) : i === 1 ? (
                <span key="d" className="whitespace-nowrap">
                  {cell}
                </span>
              ) : (
                cell
              ),
            ),
          }))}
        />
        <TableBeside title="Every device" columns={COLUMNS} rows={rows.map((r) => [...r.cells])} />
      </div>
    </div>
  );
}

function rowOf(result: CircuitResult, devices: readonly PathDevice[]): Row {
  const { protection, state } = result.own;
  const { fault } = state;
  const above = devices[0]?.above ?? null;
  const wrong =
    protection.missing ||
    protection.conflict !== null ||
    protection.faultA > protection.interruptsA ||
    (fault !== null && !fault.passes) ||
    above?.verdict === 'never' ||
    // Alone at least for what a fault at the far end drives.
    (above?.untilA ?? Infinity) < (fault?.farA ?? 0);
  return {
    result,
    devices,
    wrong,
    cells: [
      `${result.no} ${result.name}`.trim(),
      protection.missing ? 'none' : `${protection.familyName} ${round3(protection.ratingA)} A`,
      round3(protection.faultA),
      round3(protection.interruptsA),
      fault ? round3(fault.farA) : '–',
      seconds(fault?.farClearsS),
      seconds(fault?.farBearsS),
      protection.missing ? '–' : selectivityText(above),
    ],
  };
}

/** The path of one circuit: its devices' bands over one another, and what to make of them. */
function OnePath({ row }: { row: Row }) {
  const units = useDesign().boat;
  const { result, devices } = row;
  const { protection, state } = result.own;
  const { fault } = state;
  const first = devices[0];
  return (
    <section
      aria-label={`Path of ${result.name}`}
      tabIndex={0}
      className="grid max-h-[62%] flex-none grid-cols-[minmax(0,1fr)_270px] max-[999px]:grid-cols-1 gap-6 overflow-y-auto border-b-[1.5px] border-ink px-4 pb-2"
    >
      <div>
        <h2 className="font-semibold">
          {result.no} {result.name}: from its device up to the bank
        </h2>
        <TimeCurrent result={result} devices={devices} />
      </div>
      <div>
        <Legend devices={devices} />
        {first ? (
          <p className="mt-3">
            A short just after it drives up to <b className="reading font-semibold">{show(first.faultA, 'A', units)}</b>; it interrupts{' '}
            {show(first.interruptsA, 'A', units)}.
          </p>
        ) : (
          <p className="mt-3 font-semibold text-lead">Nothing protects this circuit.</p>
        )}
        {fault ? (
          <p className="mt-2">
            At the far end a fault may be as small as <b className="reading font-semibold">{show(fault.farA, 'A', units)}</b>: it opens
            within {seconds(fault.farClearsS)} s{fault.passes ? '' : ', too late'}; the conductor bears that for {seconds(fault.farBearsS)}{' '}
            s.
          </p>
        ) : null}
        {devices.slice(0, -1).map((d, i) => (
          <p key={d.circuitId} className={`mt-2 ${d.above && d.above.verdict !== 'selective' ? 'font-semibold' : ''}`}>
            {d.name} under {devices[i + 1]?.name}: {selectivityText(d.above)}.
          </p>
        ))}
        {protection.refused.length > 0 ? (
          <>
            <h3 className="mt-3 font-semibold">Why not another kind</h3>
            <ul className="text-[12px] text-quiet">
              {protection.refused.map((r) => (
                <li key={r.family}>
                  {r.family}: {r.reason}.
                </li>
              ))}
            </ul>
          </>
        ) : null}
        <p className="caution mt-3">
          Curves are typical of the pattern; the exact part&apos;s data sheet rules. A blown fuse has a cause: find it before another goes
          in. Local code, the maker&apos;s instructions and licensed practice come first.
        </p>
      </div>
    </section>
  );
}
