'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { addOp, blankTie, dropOp, type BankTie, TIE_KINDS, SELECTOR_POSITIONS } from '@/core/design';
import type { BankSide, TiePart, TieWay } from '@/core/energy';
import { round3 } from '@/core/quantity';
import { joinedSections } from '@/core/working';
import { useAsked, useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { ForRevision } from '@/ui/boat/ForRevision';
import { TableBeside } from '@/ui/chart/TableBeside';
import { Choice, Figure, OptionalFigure, Tick, Words } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';
import { Sections } from '@/ui/working/Sections';

const Curves = dynamic(() => import('@/ui/chart/Curves'), { ssr: false });
const KINDS = { selector: 'selector by hand', splitter: 'charge splitter', relay: 'voltage-sensitive relay' } as const;
const POSITIONS = { off: 'off', first: 'first bank', second: 'second bank', both: 'both' } as const;
const BOTH = [
  { key: 'house', name: 'house', color: 'var(--verdigris)', width: 2 },
  { key: 'start', name: 'start', color: 'var(--copper)', dash: '5 3' },
] as const;
const pct = (x: number) => `${Math.round(100 * x)} %`;
const hours = (x: number | null) => (x === null ? 'not in 12 h' : `${round3(x)} h`);

/** Prices typed so far, and how many parts have none. */
function costText(parts: readonly TiePart[], currency: string): string {
  if (parts.length === 0) return '–';
  const unpriced = parts.filter((p) => p.price === null).length;
  const sum = Math.round(parts.reduce((total, p) => total + (p.price ?? 0), 0));
  if (unpriced === parts.length) return 'not priced';
  return `${sum}${currency ? ` ${currency}` : ''}${unpriced > 0 ? `, ${unpriced} not priced` : ''}`;
}

/** What joins the banks, and every other way to join them by its consequences on this boat. */
export function Joined() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const put = usePut();
  const compared = useAsked('joins', (r) => r.joins(), { saysItself: true });
  const [way, setWay] = useState<TieWay>('as designed');
  const [looked, setLooked] = useState<TieWay | null>(null);
  const lookedAt = compared?.ways.find((w) => w.way === looked);
  const shown = compared?.ways.find((w) => w.way === way) ?? compared?.ways[0];
  const names = { '': 'none', ...Object.fromEntries(design.banks.map((b) => [b.id, b.name])) };
  const ids = ['', ...design.banks.map((b) => b.id)];
  const add = (kind: BankTie['kind']) =>
    store.edit(`add a ${KINDS[kind]}`, [
      addOp(design, 'joins', {
        ...blankTie(fresh('j'), kind, design.boat.systemV),
        firstId: design.banks[0]?.id ?? null,
        secondId: design.banks[1]?.id ?? null,
      }),
    ]);
  const side = (s: BankSide) => [pct(s.lowest), pct(s.endSoc), hours(s.hoursTo95)];
  const rows = (compared?.ways ?? []).map((w) => [
    w.way,
    ...side(w.house),
    `${w.houseV.toFixed(2)} V`,
    ...side(w.start),
    `${w.startV.toFixed(2)} V`,
    w.failsAfterDays === null ? 'throughout' : `${w.failsAfterDays} days`,
    w.runsOut || '–',
    costText(w.parts, design.boat.currency),
  ]);
  const columns = [
    'joined by',
    'house lowest',
    'house at the end',
    'house to 95 %',
    'house posts, most',
    'start lowest',
    'start at the end',
    'start to 95 %',
    'start posts, most',
    'engine starts',
    'is left short',
    'parts cost',
  ];
  return (
    <div className="max-w-[1080px] pt-2">
      <p className="flex flex-wrap items-baseline gap-4">
        <span className="text-quiet">add</span>
        {TIE_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            className="act"
            disabled={design.banks.length < 2 || design.joins.length >= 12}
            onClick={() => add(kind)}
          >
            {KINDS[kind]}
          </button>
        ))}
        <span className="text-quiet">A DC–DC charger is a source: add it under Charging.</span>
      </p>
      <ForRevision about="joins" />
      {design.banks.length < 2 ? (
        <p className="mt-3">There is one bank: with a second, house and start for instance, the ways to join them are compared here.</p>
      ) : null}
      {design.joins.map((j) => {
        const to = (key: keyof BankTie, value: unknown) => put(['joins', j.id, key], value, j.name);
        return (
          <div
            key={j.id}
            className="mt-3 grid grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3 border-b border-line pb-3"
          >
            <Words label={KINDS[j.kind]} value={j.name} onChange={(t) => t && to('name', t)} />
            <Choice label="first bank" value={j.firstId ?? ''} options={ids} names={names} onChange={(v) => to('firstId', v || null)} />
            <Choice label="second bank" value={j.secondId ?? ''} options={ids} names={names} onChange={(v) => to('secondId', v || null)} />
            <Figure label="rated" kind="A" value={j.ratedA} low={1} high={2000} onChange={(v) => to('ratedA', v)} />
            <OptionalFigure label="price" kind="none" value={j.price} low={0} high={10000000} onChange={(v) => to('price', v)} />
            <button
              type="button"
              className="plain pb-1 text-left"
              onClick={() => store.edit(`remove ${j.name}`, [dropOp(design, 'joins', j.id)])}
            >
              remove
            </button>
            {j.kind === 'selector' ? (
              <>
                <Choice
                  label="engine running"
                  value={j.running}
                  options={SELECTOR_POSITIONS}
                  names={POSITIONS}
                  onChange={(v) => to('running', v)}
                />
                <Choice
                  label="engine stopped"
                  value={j.stopped}
                  options={SELECTOR_POSITIONS}
                  names={POSITIONS}
                  onChange={(v) => to('stopped', v)}
                />
                <Tick label="makes before it breaks" value={j.makeBeforeBreak} onChange={(v) => to('makeBeforeBreak', v)} />
                <Tick label="field disconnect" value={j.fieldDisconnect} onChange={(v) => to('fieldDisconnect', v)} />
                <p className="caution col-span-2">
                  Not through OFF with the engine running{j.makeBeforeBreak ? '' : ', nor from one bank to the other'}: load dump. A
                  timetable is drawn under the day.
                </p>
              </>
            ) : null}
            {j.kind === 'splitter' ? (
              <Figure
                label="takes (diode 0.7, field-effect 0.05)"
                kind="V"
                value={j.dropV}
                low={0}
                high={2}
                onChange={(v) => to('dropV', v)}
              />
            ) : null}
            {j.kind === 'relay' ? (
              <>
                <Figure label="closes at" kind="V" value={j.closeV} low={1} high={80} onChange={(v) => to('closeV', v)} />
                <Figure label="opens at" kind="V" value={j.openV} low={1} high={80} onChange={(v) => to('openV', v)} />
                <Figure label="after" kind="s" value={j.delayS} low={0} high={3600} onChange={(v) => to('delayS', v)} />
              </>
            ) : null}
          </div>
        );
      })}
      {compared && compared.ways.length > 0 ? (
        <>
          <h2 className="mt-5 font-semibold">Each way to join them, through {compared.cruise}</h2>
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Ways to join">
            <Plain
              label="Ways to join the banks"
              columns={columns.map((c, i) => ({ title: c, right: (i > 0 && i < 10) || i === 11 }))}
              rows={compared.ways.map(({ way: of }, i) => {
                const [name, lowest, ...rest] = rows[i] ?? [];
                return {
                  id: of,
                  cells: [
                    name,
                    <button
                      key="l"
                      type="button"
                      className="opens"
                      aria-description={`The working: ${of}`}
                      aria-expanded={looked === of}
                      onClick={() => setLooked(looked === of ? null : of)}
                    >
                      {lowest}
                    </button>,
                    ...rest,
                  ],
                };
              })}
            />
          </div>
          <p className="mt-1 text-[12px] text-quiet">
            To 95 %: hours of engine at 2000 rpm from 60 %. A diode splitter is taken as the alternator senses now. Prices are those you
            type below; none is assumed.
          </p>
          <TableBeside title="Ways to join the banks" columns={columns} rows={rows} />
          {lookedAt ? (
            <section aria-label={`The working: ${lookedAt.way}`} className="mt-3 max-w-[560px]">
              <Sections sections={joinedSections(design, lookedAt, compared.cruise, design.boat)} />
            </section>
          ) : null}
          {shown ? (
            <div className="mt-3 grid grid-cols-[200px_minmax(0,1fr)_minmax(0,1fr)] gap-4">
              <div>
                <Choice label="parts and trace of" value={shown.way} options={compared.ways.map((w) => w.way)} onChange={setWay} />
                <ul className="mt-2" aria-label={`Parts of ${shown.way}`}>
                  {shown.parts.map((p) => (
                    <li key={p.id} className="mt-1">
                      <OptionalFigure
                        label={`price: ${p.name}`}
                        kind="none"
                        value={p.price}
                        low={0}
                        high={10000000}
                        onChange={(v) =>
                          shown.way === 'as designed'
                            ? put(['joins', p.id, 'price'], v, p.name)
                            : put(['boat', 'prices', p.id], v, `price of ${p.name}`)
                        }
                      />
                    </li>
                  ))}
                </ul>
              </div>
              <Curves
                label={`Charge of both banks, ${shown.way}`}
                data={shown.trace.map((p) => ({ ...p }))}
                x={{ key: 'day', unit: ' d' }}
                unit=" %"
                domain={[0, 100]}
                height={170}
                curves={BOTH}
              />
              <Curves
                label={`Volts at both posts, ${shown.way}`}
                data={shown.trace.map((p) => ({ ...p }))}
                x={{ key: 'day', unit: ' d' }}
                unit=" V"
                height={170}
                curves={BOTH.map((c) => ({ ...c, key: `${c.key}V` }))}
              />
            </div>
          ) : null}
        </>
      ) : null}
      {compared && compared.wrong.length > 0 ? (
        <>
          <h2 className="mt-5 font-semibold">The selector left in one position throughout</h2>
          <Plain
            label="Wrong positions"
            columns={[
              { title: 'left on' },
              { title: 'house lowest', right: true },
              { title: 'start lowest', right: true },
              { title: 'engine starts', right: true },
              { title: 'not to be had, Ah', right: true },
            ]}
            rows={compared.wrong.map((w) => ({
              id: w.position,
              cells: [
                POSITIONS[w.position as keyof typeof POSITIONS],
                pct(w.houseLowest),
                pct(w.startLowest),
                w.failsAfterDays === null ? 'throughout' : `${w.failsAfterDays} days`,
                round3(w.unmetAh),
              ],
            }))}
          />
        </>
      ) : null}
    </div>
  );
}
