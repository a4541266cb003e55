'use client';
import { useMemo, useState } from 'react';
import { type Element, type Reading, stretchesOf } from '@/core/commission';
import type { Load } from '@/core/design';
import { round3, show } from '@/core/quantity';
import { useAsked, useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import type { FoundOnPath } from '@/workers/analysis.worker';
import { figure, typed } from './said';
import { SymptomView } from './SymptomView';

const AIR_C = 20;

/** What its label says it draws, A. */
const drawnA = (load: Load): number => load.quantity * (load.ratingBy === 'A' ? load.rating : load.rating / load.nominalV);

/** A reading over several parts at once, as it was asked for. */
interface Over {
  readonly key: string;
  readonly what: string;
  readonly elements: readonly string[];
  readonly mv: number;
}

/** Something gets too little: millivolts along its path say which part has what it should not. */
export function FindView() {
  const design = useDesign();
  const choices = useMemo(
    () =>
      design.circuits.flatMap((c) =>
        c.taps.flatMap((t, i) => {
          const load = t.serves.kind === 'load' ? design.loads.find((l) => l.id === t.serves.id) : undefined;
          return load && load.group !== 'charging'
            ? [{ key: `${c.id} ${i}`, circuitId: c.id, tap: i, name: `${c.no} ${load.name}`.trim(), drawsA: drawnA(load) }]
            : [];
        }),
      ),
    [design.circuits, design.loads],
  );
  const [key, setKey] = useState(choices[0]?.key ?? '');
  const [typedA, setAmps] = useState<string | null>(null);
  const [typedMv, setTypedMv] = useState<Readonly<Record<string, string>>>({});
  const [whole, setWhole] = useState('');
  const [over, setOver] = useState<readonly Over[]>([]);
  const [nextMv, setNextMv] = useState('');
  const chosen = choices.find((c) => c.key === key) ?? choices[0];
  // Until somebody has read what it draws: what its label says.
  const amps = typedA ?? (chosen ? round3(chosen.drawsA) : '');
  const loadA = typed(amps);
  const path = useAsked<FoundOnPath>(chosen ? `path:${chosen.key}` : null, (r) =>
    chosen ? r.found(chosen.circuitId, chosen.tap, AIR_C, [], 0) : Promise.resolve(null),
  );
  const elements = path?.elements ?? [];
  const rows = stretchesOf(elements);
  const readings: Reading[] =
    loadA === null || loadA <= 0
      ? []
      : [
          ...(typed(whole) === null ? [] : [{ elements: elements.map((e) => e.id), amps: loadA, mv: typed(whole) ?? 0 }]),
          ...rows.flatMap((s) => {
            const mv = typed(typedMv[`${key} ${s.id}`] ?? '');
            return mv === null ? [] : [{ elements: s.elements.map((e) => e.id), amps: loadA, mv }];
          }),
          ...over.filter((o) => o.key === key).map((o) => ({ elements: o.elements, amps: loadA, mv: o.mv })),
        ];
  const asked = JSON.stringify(readings);
  const found = useAsked<FoundOnPath>(chosen && loadA !== null && loadA > 0 ? `find:${loadA}:${chosen.key}:${asked}` : null, (r) =>
    chosen ? r.found(chosen.circuitId, chosen.tap, AIR_C, readings, loadA ?? 0) : Promise.resolve(null),
  );
  if (!chosen) return <p className="text-quiet">No load hangs on a circuit yet.</p>;
  const diagnosis = found?.diagnosis ?? null;
  const next = diagnosis?.next ?? null;
  const take = () => {
    const mv = typed(nextMv);
    if (!next || mv === null) return;
    setOver([...over, { key, what: next.what, elements: next.elements, mv }]);
    setNextMv('');
  };
  const expected = (list: readonly Element[]) => list.reduce((n, e) => n + e.mohm, 0) * (loadA ?? 0);
  return (
    <div>
      <SymptomView />
      <h2 className="mt-5 text-[15px] font-bold">Along a path</h2>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <label>
          what gets too little{' '}
          <select
            className="box max-w-[280px]"
            value={chosen.key}
            onChange={(e) => {
              setKey(e.target.value);
              setWhole('');
              setAmps(null);
            }}
          >
            {choices.map((c) => (
              <option key={c.key} value={c.key}>
                {c.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          it draws now, A{' '}
          <input
            className="box reading w-[70px]"
            inputMode="decimal"
            value={amps}
            aria-invalid={loadA === null || loadA <= 0}
            onChange={(e) => setAmps(e.target.value)}
          />
        </label>
        <label>
          lost from bank to load and back, mV{' '}
          <input
            className="box reading w-[80px]"
            inputMode="decimal"
            value={whole}
            aria-invalid={whole !== '' && typed(whole) === null}
            onChange={(e) => setWhole(e.target.value)}
          />
        </label>
        <span className="text-quiet">{elements.length > 0 ? `expected ${figure(expected(elements))} mV` : 'it hangs on nothing'}</span>
      </div>
      <p className="caution mt-2 max-w-[820px]">
        With the load on: millivolts only, never ohms on a live circuit; no live AC behind an opened panel; the charging path is not opened
        while the engine turns.
      </p>
      <div className="mt-3 grid grid-cols-2 gap-8 max-[1000px]:grid-cols-1">
        <section>
          <h2 className="font-semibold">Along the path, from the bank and back</h2>
          <table className="mt-1 w-full text-left" aria-label="Readings along the path">
            <thead>
              <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
                <th className="font-medium">over</th>
                <th className="text-right font-medium">expected, mV</th>
                <th className="w-[100px] pl-3 font-medium">read, mV</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((s) => (
                <tr key={s.id} className="border-b border-line">
                  <td className="py-1 pr-2">{s.what}</td>
                  <td className="reading text-right">{figure(expected(s.elements))}</td>
                  <td className="pl-3">
                    <input
                      className="box reading w-[90px]"
                      inputMode="decimal"
                      aria-label={`Millivolts over ${s.what}`}
                      value={typedMv[`${key} ${s.id}`] ?? ''}
                      onChange={(e) => setTypedMv({ ...typedMv, [`${key} ${s.id}`]: e.target.value })}
                    />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <section aria-label="Suspects">
          <h2 className="font-semibold">What it may be</h2>
          {over.some((o) => o.key === key) ? (
            <ul className="mt-1" aria-label="Readings over several parts">
              {over.map((o, i) =>
                o.key === key ? (
                  <li key={`${o.what}${i}`}>
                    {figure(o.mv)} mV over {o.what}{' '}
                    <button type="button" className="plain" onClick={() => setOver(over.filter((_, k) => k !== i))}>
                      take off
                    </button>
                  </li>
                ) : null,
              )}
            </ul>
          ) : null}
          {diagnosis && readings.length > 0 ? (
            <>
              <Plain
                label="Suspects"
                columns={[
                  { title: 'suspect' },
                  { title: 'likely', right: true },
                  { title: 'more than it should be', right: true },
                  { title: 'heat', right: true },
                ]}
                rows={diagnosis.suspects
                  .filter((s) => s.probability >= 0.005)
                  .map((s) => ({
                    id: s.what,
                    cells: [
                      s.what,
                      `${Math.round(100 * s.probability)} %`,
                      s.extraMohm.length > 0 ? `${s.extraMohm.map((x) => round3(x)).join(' and ')} mΩ` : '·',
                      s.watts > 0 ? show(s.watts, 'W', design.boat) : '·',
                    ],
                  }))}
              />
              {diagnosis.suspects[0]?.notDrawn ? (
                <p className="caution mt-2">Nothing in this drawing explains it: look for a joint, a cable or a load that is not in it.</p>
              ) : null}
            </>
          ) : (
            <p className="mt-1 text-quiet">
              Each reading says which parts are left under suspicion, how much heat they make, and where the next one tells most. Begin
              where it is said below, or with what is lost from the bank to the load and back.
            </p>
          )}
          {next ? (
            <div className="mt-3">
              <p>
                <b className="font-semibold">{readings.length > 0 ? 'Measure next' : 'Measure first'}</b>: {next.what}
                {readings.length > 0 ? `; ${next.predicts.map((p) => `${figure(p.mv)} mV if it is ${p.what}`).join('; ')}` : ''}.
              </p>
              <p className="screen-only mt-1 flex items-baseline gap-2">
                <label>
                  read there, mV{' '}
                  <input
                    className="box reading w-[90px]"
                    inputMode="decimal"
                    value={nextMv}
                    aria-invalid={nextMv !== '' && typed(nextMv) === null}
                    onChange={(e) => setNextMv(e.target.value)}
                    onKeyDown={(e) => {
                      if (e.key === 'Enter') take();
                    }}
                  />
                </label>
                <button type="button" className="act" disabled={typed(nextMv) === null} onClick={take}>
                  take it
                </button>
              </p>
            </div>
          ) : null}
        </section>
      </div>
    </div>
  );
}
