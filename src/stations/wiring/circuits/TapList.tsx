'use client';
import { useDraggable } from '@dnd-kit/core';
import { useState, type KeyboardEvent } from 'react';
import type { CircuitResult } from '@/core';
import { type Circuit, setOp, shiftedTap, tapHungOn, withoutTaps } from '@/core/design';
import { bare, parseOptional, round3, show, unitOf } from '@/core/quantity';
import { useDesign, useStore } from '@/ui/boat/context';

interface Props {
  readonly circuit: Circuit;
  readonly result: CircuitResult;
  /** Moves a tap to the circuit so many rows away, or of that id. */
  readonly onMove: (tapId: string, to: { by: -1 | 1 } | { id: string }) => void;
}

function Handle({ id, name, onKeyDown }: { id: string; name: string; onKeyDown: (e: KeyboardEvent) => void }) {
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({ id });
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...attributes}
      {...listeners}
      role="button"
      aria-roledescription="tap to be moved"
      aria-label={`Move ${name}: drag it onto a circuit, or Alt with an arrow`}
      onKeyDown={onKeyDown}
      className={`reading cursor-grab px-1 text-faint hover:text-verdigris ${isDragging ? 'opacity-40' : ''}`}
    >
      ⣿
    </button>
  );
}

function Taped({ circuit, index, estimatedM }: { circuit: Circuit; index: number; estimatedM: number }) {
  const design = useDesign();
  const store = useStore();
  const tap = circuit.taps[index];
  const [message, setMessage] = useState<string | null>(null);
  if (!tap) return null;
  const units = design.boat;
  const commit = (text: string) => {
    const parsed = parseOptional(text, 'm', units, 0.05, 120);
    if (!parsed.ok) return setMessage(parsed.message);
    setMessage(null);
    if (parsed.value !== tap.tapedM)
      store.edit(`taped length on ${circuit.name}`, [
        setOp(
          design,
          ['circuits', circuit.id, 'taps'],
          circuit.taps.map((t) => (t.id === tap.id ? { ...t, tapedM: parsed.value } : t)),
        ),
      ]);
  };
  return (
    <span className="relative">
      <input
        key={`${tap.id}-${tap.tapedM ?? ''}`}
        className="box reading w-[74px] text-right"
        aria-label={`Taped length, tap ${index + 1}`}
        aria-invalid={message !== null}
        defaultValue={bare(tap.tapedM, 'm', units)}
        placeholder="–"
        onBlur={(e) => commit(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && commit(e.currentTarget.value)}
      />
      {message ? (
        <span role="alert" className="cell-message">
          {message}
        </span>
      ) : null}
      <span className="sr-only">estimate {show(estimatedM, 'm', units)}</span>
    </span>
  );
}

/** The run as it is tapped: from the way outward, each segment with its two lengths and what it serves. */
export function TapList({ circuit, result, onMove }: Props) {
  const design = useDesign();
  const store = useStore();
  const units = design.boat;
  const write = (label: string, taps: Circuit['taps'] | null) =>
    taps && store.edit(label, [setOp(design, ['circuits', circuit.id, 'taps'], taps)]);
  const onKey = (id: string, name: string) => (e: KeyboardEvent) => {
    if (!e.altKey) return;
    if (e.key === 'ArrowUp') onMove(id, { by: -1 });
    else if (e.key === 'ArrowDown') onMove(id, { by: 1 });
    else if (e.key === 'ArrowLeft') write(`tap ${name} earlier`, shiftedTap(circuit.taps, id, -1));
    else if (e.key === 'ArrowRight') write(`tap ${name} later`, shiftedTap(circuit.taps, id, 1));
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  return (
    <table className="w-full text-left">
      <thead>
        <tr className="border-b border-ink text-[12px] text-quiet">
          <th className="font-medium" />
          <th className="font-medium">serves</th>
          <th className="font-medium">follows</th>
          <th className="text-right font-medium">estimate</th>
          <th className="text-right font-medium">taped {unitOf('m', units).name}</th>
          <th className="pl-2 text-right font-medium">A</th>
          <th className="text-right font-medium">V there</th>
          <th className="pl-3 font-medium">on circuit</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {circuit.taps.map((tap, i) => {
          const r = result.taps[i];
          const volts = result.own.state.drop.taps[i]?.loadV;
          const name = r?.name ?? '';
          return (
            <tr key={tap.id} className="border-b border-line">
              <td className="w-6">
                <Handle id={tap.id} name={name} onKeyDown={onKey(tap.id, name)} />
              </td>
              <td className="max-w-[150px] truncate pr-2">{name}</td>
              <td>
                <select
                  className="box max-w-[120px] border-transparent"
                  aria-label={`${name} follows`}
                  value={tap.parent ?? ''}
                  onChange={(e) => {
                    const next = tapHungOn(circuit.taps, tap.id, e.target.value === '' ? null : e.target.value);
                    if (next) write(`branch ${name}`, next);
                    else store.say('refused', `${name} cannot follow what follows it.`);
                  }}
                >
                  <option value="">the way</option>
                  {circuit.taps.map((t, k) =>
                    t.id === tap.id ? null : (
                      <option key={t.id} value={t.id}>
                        {result.taps[k]?.name}
                      </option>
                    ),
                  )}
                </select>
              </td>
              <td className={`reading text-right ${r?.taped ? 'text-faint line-through' : 'tone-estimated'}`}>
                {show(r?.estimatedM, 'm', units)}
              </td>
              <td className={`text-right ${r?.taped ? 'tone-measured' : ''}`}>
                <Taped circuit={circuit} index={i} estimatedM={r?.estimatedM ?? 0} />
              </td>
              <td className="reading pl-2 text-right">{round3(r?.segmentA ?? 0)}</td>
              <td className="reading text-right">{volts === undefined ? '–' : round3(volts)}</td>
              <td className="pl-3">
                <select
                  className="box max-w-[130px] border-transparent"
                  aria-label={`Circuit of ${name}`}
                  value={circuit.id}
                  onChange={(e) => onMove(tap.id, { id: e.target.value })}
                >
                  {design.circuits.map((c) => (
                    <option key={c.id} value={c.id}>
                      {c.no} {c.name}
                    </option>
                  ))}
                  <option value="new">a new circuit</option>
                </select>
              </td>
              <td className="text-right">
                <button
                  type="button"
                  className="plain text-faint"
                  aria-label={`Take ${name} off`}
                  onClick={() => write(`take ${name} off ${circuit.name}`, withoutTaps(circuit.taps, new Set([tap.id])))}
                >
                  off
                </button>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
