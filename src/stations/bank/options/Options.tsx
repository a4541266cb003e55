'use client';
import { useState } from 'react';
import { addOptionOps, dropOp, onTable, switchOps } from '@/core/design';
import { useAsked, useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { TableBeside } from '@/ui/chart/TableBeside';
import { Choice, Words } from '@/ui/field';
import { ForRevision } from '@/ui/boat/ForRevision';
import { Plain } from '@/ui/table/Plain';

/** Options of the design: the same boat with other parts, one on the table, any two side by side. */
export function Options() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const put = usePut();
  const here = onTable(design);
  const [a, setA] = useState('');
  const [b, setB] = useState('');
  const { options } = design;
  const first = options.find((o) => o.id === a) ?? here ?? options[0];
  const second = options.find((o) => o.id === b) ?? options.find((o) => o.id !== first?.id);
  const comparing = first && second ? `compare:${first.id}:${second.id}` : null;
  const lines = useAsked(comparing, (r) => r.compare(first?.id ?? '', second?.id ?? ''), { saysItself: true }) ?? [];
  const add = () =>
    store.edit('add an option', addOptionOps(design, [fresh('o'), fresh('o')], String.fromCharCode(65 + Math.max(1, options.length))));
  const names = Object.fromEntries(options.map((o) => [o.id, o.name]));
  return (
    <div className="max-w-[980px] pt-2">
      <p className="max-w-[720px] text-quiet">
        An option has banks, sources, what joins them, panels and circuits of its own; the boat, her places, her loads and her days are
        shared. All stations show the option on the table.
      </p>
      <ul className="mt-2 max-w-[720px]">
        {options.map((o) => (
          <li key={o.id} className="grid grid-cols-[1fr_150px_auto] items-end gap-3 border-b border-line py-1">
            <Words label="option" value={o.name} onChange={(t) => t && put(['options', o.id, 'name'], t, 'name of an option')} />
            {o.parts === null ? (
              <b className="pb-1 font-semibold text-verdigris">on the table</b>
            ) : (
              <button type="button" className="act" onClick={() => store.edit(`${o.name} on the table`, switchOps(design, o))}>
                put on the table
              </button>
            )}
            <button
              type="button"
              className="plain pb-1"
              disabled={o.parts === null && options.length > 1}
              aria-label={`Remove option ${o.name}`}
              onClick={() => store.edit(`remove option ${o.name}`, [dropOp(design, 'options', o.id)])}
            >
              remove
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-2">
        <button type="button" className="act" disabled={options.length >= 6} onClick={add}>
          {options.length === 0 ? 'weigh two options' : 'add an option'}
        </button>
        <span className="ml-3 text-quiet">A new one begins as a copy of what is on the table.</span>
      </p>
      <div className="mt-2 w-[150px]">
        <Words label="prices are in" value={design.boat.currency} most={8} onChange={(t) => put(['boat', 'currency'], t, 'currency')} />
      </div>
      {first && second ? (
        <>
          <div className="mt-4 grid max-w-[460px] grid-cols-2 gap-4">
            <Choice label="compare" value={first.id} options={options.map((o) => o.id)} names={names} onChange={setA} />
            <Choice label="with" value={second.id} options={options.map((o) => o.id)} names={names} onChange={setB} />
          </div>
          <ForRevision about={comparing ?? ''} />
          <Plain
            label="Options side by side"
            columns={[{ title: 'figure or part' }, { title: `${first.name} `, right: true }, { title: second.name, right: true }]}
            rows={lines.map((l) => ({
              id: l.what,
              cells: [
                <span key="w" className={l.differs ? 'font-semibold' : 'text-quiet'}>
                  {l.what}
                </span>,
                l.a,
                <span key="b" className={l.differs ? 'font-semibold' : ''}>
                  {l.b}
                </span>,
              ],
              opens: { of: l.what, at: 2, lines: [`${first.name}: ${l.a}, ${l.of[0]}`, `${second.name}: ${l.b}, ${l.of[1]}`] },
            }))}
          />
          <TableBeside
            title={`${first.name} and ${second.name}`}
            columns={['figure or part', first.name, second.name]}
            rows={lines.map((l) => [l.what, l.a, l.b])}
          />
        </>
      ) : null}
    </div>
  );
}
