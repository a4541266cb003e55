'use client';
import { useState } from 'react';
import { round3, show } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import { figure } from './said';
import { type Practice, useTrainer } from './useTrainer';

/** Practice at a boat that is only calculated: something is wrong on a path, and nobody here knows what. */
export function TrainerView() {
  const design = useDesign();
  const { practice, busy, begin, read, say, tell } = useTrainer();
  const [circuitId, setCircuit] = useState('');
  const [faults, setFaults] = useState<1 | 2>(1);
  return (
    <div>
      <p className="max-w-[760px]">
        Something is bad on a path of this boat: a joint, a cable, a device. It is hidden on the server, and every reading is what a meter
        would show there. Find it with fewest minutes; at the end the program’s own way stands beside yours.
      </p>
      <p className="mt-2 flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <label>
          on the path of{' '}
          <select className="box max-w-[260px]" value={circuitId} onChange={(e) => setCircuit(e.target.value)}>
            <option value="">any circuit</option>
            {design.circuits.map((c) => (
              <option key={c.id} value={c.id}>
                {`${c.no} ${c.name}`.trim()}
              </option>
            ))}
          </select>
        </label>
        <label>
          hidden{' '}
          <select className="box" value={faults} onChange={(e) => setFaults(e.target.value === '2' ? 2 : 1)}>
            <option value={1}>one fault</option>
            <option value={2}>two faults</option>
          </select>
        </label>
        <button type="button" className="act" disabled={busy} onClick={() => void begin(circuitId === '' ? null : circuitId, faults)}>
          {practice ? 'begin another' : 'begin'}
        </button>
      </p>
      {practice ? (
        <Running key={practice.complaint.exercise} practice={practice} busy={busy} read={read} say={say} tell={tell} />
      ) : (
        <p className="mt-3 text-quiet">Nothing is hidden yet.</p>
      )}
    </div>
  );
}

type Asks = Pick<ReturnType<typeof useTrainer>, 'read' | 'say' | 'tell' | 'busy'>;

function Running({ practice, busy, read, say, tell }: { readonly practice: Practice } & Asks) {
  const design = useDesign();
  const { complaint, steps, minutes, found, end } = practice;
  const { parts } = complaint;
  const [from, setFrom] = useState(parts[0]?.id ?? '');
  const [to, setTo] = useState(parts[parts.length - 1]?.id ?? '');
  const at = (id: string) => parts.findIndex((p) => p.id === id);
  const nameOf = (id: string) => parts[at(id)]?.what ?? '';
  const backwards = at(to) < at(from);
  const over = end !== null;
  return (
    <>
      <p className="mt-4 max-w-[760px] text-[15px]">
        <b className="font-semibold">{complaint.load}</b> gets <span className="reading">{complaint.loadV.toFixed(2)} V</span>, with{' '}
        <span className="reading">{complaint.bankV.toFixed(2)} V</span> at the posts of its bank and{' '}
        <span className="reading">{round3(complaint.amps)} A</span> flowing; {complaint.expectedV.toFixed(2)} V are expected.
      </p>
      <p className="mt-1" role="status">
        {minutes} min so far; {found} of {complaint.faults} found.
      </p>
      <div className="mt-3 grid grid-cols-2 gap-8 max-[1000px]:grid-cols-1">
        <section>
          <h2 className="font-semibold">The path, from the bank and back</h2>
          <table className="mt-1 w-full text-left" aria-label="Parts of the path">
            <thead>
              <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
                <th className="font-medium">part</th>
                <th className="text-right font-medium">expected, mV</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {parts.map((p) => (
                <tr key={p.id} className="border-b border-line">
                  <td className="py-1 pr-2">{p.what}</td>
                  <td className="reading text-right">{figure(p.expectedMv)}</td>
                  <td className="pl-3 whitespace-nowrap">
                    <button
                      type="button"
                      className="act"
                      disabled={busy || over}
                      aria-label={`read over ${p.what}`}
                      onClick={() => void read(p.id, p.id, p.what)}
                    >
                      read
                    </button>{' '}
                    <button
                      type="button"
                      className="plain"
                      disabled={busy || over}
                      aria-label={`it is this: ${p.what}`}
                      onClick={() => void say(p.id, p.what)}
                    >
                      it is this
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-3 flex flex-wrap items-baseline gap-2">
            <label>
              probes before{' '}
              <select className="box max-w-[220px]" value={from} onChange={(e) => setFrom(e.target.value)}>
                {parts.map((p) => (
                  <option key={p.id} value={p.id}>
                    {p.what}
                  </option>
                ))}
              </select>
            </label>
            <label>
              and behind{' '}
              <select className="box max-w-[220px]" value={to} aria-invalid={backwards} onChange={(e) => setTo(e.target.value)}>
                {parts.map((p) => (
                  <option key={p.id} value={p.id}>
                    {p.what}
                  </option>
                ))}
              </select>
            </label>
            <button
              type="button"
              className="act"
              disabled={busy || over || backwards}
              onClick={() => void read(from, to, from === to ? nameOf(from) : `all from ${nameOf(from)} to ${nameOf(to)}`)}
            >
              read over these
            </button>
          </p>
        </section>
        <section aria-label="Your way">
          <h2 className="font-semibold">Your way</h2>
          {steps.length === 0 ? (
            <p className="mt-1 text-quiet">
              A reading takes 6 min; taking apart what was sound 15. Halve the path: where one half shows what is expected, what is bad lies
              in the other.
            </p>
          ) : (
            <Plain
              label="Your readings"
              columns={[{ title: 'over' }, { title: 'read', right: true }, { title: 'expected', right: true }]}
              rows={steps.map((s, i) => ({
                id: String(i),
                cells: s.reading
                  ? [s.what, `${figure(s.reading.mv)} mV`, `${figure(s.reading.expectedMv)} mV`]
                  : [`${s.what}: ${s.right ? 'it is bad' : 'taken apart, and sound'}`, '', ''],
              }))}
            />
          )}
          {over ? (
            <Ended practice={practice} units={design.boat} />
          ) : (
            <p className="mt-3">
              <button type="button" className="plain" disabled={busy} onClick={() => void tell()}>
                give up and be told
              </button>
            </p>
          )}
        </section>
      </div>
    </>
  );
}

function Ended({ practice: { end, found, minutes }, units }: { readonly practice: Practice; readonly units: Parameters<typeof show>[2] }) {
  if (!end) return null;
  return (
    <div className="mt-3" role="status" aria-label="What it was">
      <p>
        <b className="font-semibold">{found === end.bad.length ? `Found in ${minutes} min.` : 'Given up.'}</b> It was{' '}
        {end.bad
          .map((b) => `${b.what}: ${round3(b.extraMohm)} mΩ more than it should have, ${show(b.watts, 'W', units)} of heat`)
          .join('; ')}
        .
      </p>
      <h3 className="mt-2 font-semibold">The program’s way: {end.programMinutes} min</h3>
      <Plain
        label="The program’s readings"
        columns={[{ title: 'over' }, { title: 'read', right: true }]}
        rows={end.program.map((r, i) => ({ id: String(i), cells: [r.what, `${figure(r.mv)} mV`] }))}
      />
      <p className="mt-1">After these it says: {end.programSays}.</p>
    </div>
  );
}
