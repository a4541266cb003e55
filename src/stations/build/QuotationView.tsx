'use client';
import { quotationOf } from '@/core/build';
import { round3, show } from '@/core/quantity';
import { useCutList, useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { OptionalFigure } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';
import { useBench } from './useBench';

/** Parts by group with typed prices, hours by the rate, margin: printed for the owner. What has no price says so. */
export function QuotationView() {
  const design = useDesign();
  const put = usePut();
  const list = useCutList();
  const { bench } = useBench();
  if (!list || !bench) return <p className="text-quiet">Counting.</p>;
  const q = quotationOf(design, list, bench.hours);
  const { boat, work } = design;
  const money = (x: number | null): string => (x === null ? 'not priced' : `${x.toFixed(2)} ${boat.currency}`.trim());
  const margin = `× ${round3(1 + work.marginPct / 100)}: ${round3(work.marginPct)} % of margin`;
  return (
    <div className="max-w-[820px]">
      <div className="flex flex-wrap items-baseline gap-4">
        <h2 className="text-[15px] font-bold">{boat.name}: quotation</h2>
        <button type="button" className="act screen-only ml-auto" onClick={() => window.print()}>
          print
        </button>
      </div>
      <p className="text-quiet">
        Prices are those you type, kept with the boat; none is invented. Rate and margin stand under hours. Machines, joinery and what is
        fitted out besides are not in it.
      </p>
      {q.groups.map((g) => (
        <section key={g.name} className="keep mt-4" aria-label={g.name}>
          <h3 className="border-b-[1.5px] border-ink font-semibold">
            {g.name}
            {g.kg === null ? '' : `, ${show(g.kg, 'kg', boat)}`} <span className="reading float-right">{money(g.sum)}</span>
          </h3>
          <ul>
            {g.lines.map((l) => (
              <li key={l.key} className="flex items-end gap-3 border-b border-line py-[2px]">
                <span className="min-w-0 flex-1">{l.item}</span>
                <span className="reading w-[90px] text-right">{l.unit === 'm' ? show(l.quantity, 'm', boat) : l.quantity}</span>
                <span className="screen-only w-[120px]">
                  <OptionalFigure
                    label={l.unit === 'm' ? 'a metre' : 'each'}
                    kind="none"
                    value={l.price}
                    low={0}
                    high={10000000}
                    onChange={(v) => put(['boat', 'prices'], { ...boat.prices, [l.key]: v }, `price of ${l.item}`)}
                  />
                </span>
                <span className={`reading w-[110px] text-right ${l.sum === null ? 'text-copper' : ''}`}>{money(l.sum)}</span>
              </li>
            ))}
          </ul>
        </section>
      ))}
      <div className="mt-5">
        <Plain
          label="Sum"
          columns={[{ title: 'sum' }, { title: '', right: true }]}
          rows={[
            {
              id: 'parts',
              cells: [`parts, with ${round3(work.marginPct)} % of margin`, money(q.parts)],
              opens: { of: 'parts', at: 1, lines: [...q.groups.map((g) => `${g.name}: ${money(g.sum)}`), margin] },
            },
            {
              id: 'work',
              cells: [
                `${round3(q.hours)} h of work${work.hourRate === null ? ', no rate typed' : ` at ${round3(work.hourRate)}, with margin`}`,
                money(q.work),
              ],
              opens: {
                of: 'work',
                at: 1,
                lines:
                  work.hourRate === null
                    ? ['the rate of an hour is typed under hours']
                    : [`${round3(q.hours)} h at the median (hours) × ${round3(work.hourRate)}`, margin],
              },
            },
            {
              id: 'together',
              cells: [<b key="t">together</b>, <b key="s">{money(q.total)}</b>],
              opens: { of: 'together', at: 1, lines: [`${money(q.parts)} of parts + ${money(q.work ?? 0)} of work`] },
            },
          ]}
        />
      </div>
      {q.open > 0 ? (
        <p className="mt-2 text-copper">
          {q.open} {q.open === 1 ? 'line has' : 'lines have'} no price: the sum is without {q.open === 1 ? 'it' : 'them'}.
        </p>
      ) : null}
      <p className="mt-8 hidden print:block">Offered on ____________ by ______________________ Accepted by ______________________</p>
    </div>
  );
}
