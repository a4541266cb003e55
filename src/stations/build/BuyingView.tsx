'use client';
import { useMemo, useState } from 'react';
import { type BuyLine, buyingOf } from '@/core/build';
import type { Article } from '@/core/design';
import { toCsv } from '@/core/format';
import { parseNumber, parseOptional, round3, show, unitOf, type Units } from '@/core/quantity';
import { useCutList, useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { useShelf } from '@/ui/boat/shelf';
import { Figure } from '@/ui/field';
import { TextCell } from '@/ui/field/TextCell';
import { fileName, saveCsv } from '@/ui/files';

/** What is bought: spares, whole packs, supplier, days and price of each, typed once for every boat. */
export function BuyingView() {
  const design = useDesign();
  const put = usePut();
  const list = useCutList();
  const shelf = useShelf<Article>('article');
  const [supplier, setSupplier] = useState('');
  const articles = useMemo(() => new Map((shelf.items ?? []).map((x) => [x.item.id, x.item])), [shelf.items]);
  if (!list) return <p className="text-quiet">Counting.</p>;
  const { boat, work } = design;
  const all = buyingOf(design, list, articles);
  const suppliers = [...new Set(all.lines.map((l) => l.supplier).filter(Boolean))].sort();
  const lines = supplier === '' ? all.lines : all.lines.filter((l) => l.supplier === supplier);
  const groups = [...new Set(lines.map((l) => l.group))];
  const money = (x: number | null): string => (x === null ? '·' : `${x.toFixed(2)} ${boat.currency}`.trim());
  const change = (l: BuyLine, patch: Partial<Article>) => {
    const known = shelf.items?.find((x) => x.item.id === l.key);
    void shelf.put(
      { ...(known?.item ?? { id: l.key, name: l.item.slice(0, 80), pack: null, price: null, supplier: '', days: null }), ...patch },
      known?.revision ?? null,
    );
  };
  return (
    <div>
      <div className="flex flex-wrap items-end gap-4">
        <h2 className="text-[15px] font-bold">What to buy</h2>
        <span className="screen-only w-[170px]">
          <Figure
            label="spares of small parts"
            kind="pct"
            value={work.sparePct}
            low={0}
            high={100}
            onChange={(v) => put(['work', 'sparePct'], v, 'spares of small parts')}
          />
        </span>
        {suppliers.length > 0 ? (
          <label className="screen-only">
            of{' '}
            <select className="box" value={supplier} onChange={(e) => setSupplier(e.target.value)}>
              <option value="">every supplier</option>
              {suppliers.map((s) => (
                <option key={s}>{s}</option>
              ))}
            </select>
          </label>
        ) : null}
        <span className="screen-only ml-auto flex gap-3">
          <button type="button" className="act" onClick={() => saveCsv(`${fileName(boat.name)}-order.csv`, orderCsv(lines, boat))}>
            order as CSV
          </button>
          <button type="button" className="act" onClick={() => window.print()}>
            print
          </button>
        </span>
      </div>
      <p className="text-quiet">
        Packs without a figure of yours are typical of the kind. Pack, price, supplier and days are kept for every boat; nothing is
        invented.
        {all.longestDays === null ? '' : ` The longest takes ${all.longestDays} days.`}
        {work.startOn === '' ? ' With the day the work begins (order of work) each line says by when it is ordered.' : ''} Cable that lies
        in the store is counted in reels.
      </p>
      {shelf.problem ? (
        <p role="alert" className="font-semibold text-lead">
          {shelf.problem}
        </p>
      ) : null}
      {groups.map((g) => (
        <section key={g} className="keep mt-4" aria-label={g}>
          <h3 className="font-semibold">{g}</h3>
          <table className="w-full text-left" aria-label={`To buy, ${g}`}>
            <thead>
              <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
                <th className="font-medium">what</th>
                <th className="text-right font-medium">needed</th>
                <th className="text-right font-medium">spare</th>
                <th className="pl-3 font-medium">sold by</th>
                <th className="text-right font-medium">to buy</th>
                <th className="pl-3 font-medium">price of one{g === 'cable' ? `, ${unitOf('m', boat).name}` : ''}</th>
                <th className="text-right font-medium">sum</th>
                <th className="pl-3 font-medium">supplier</th>
                <th className="font-medium">days</th>
                <th className="font-medium">order by</th>
              </tr>
            </thead>
            <tbody>
              {lines
                .filter((l) => l.group === g)
                .map((l) => (
                  <Line key={l.key} line={l} units={boat} money={money} onChange={(patch) => change(l, patch)} />
                ))}
            </tbody>
          </table>
        </section>
      ))}
      <p className="mt-4" role="status">
        Sum of what has a price: <b className="reading">{money(all.sum)}</b>
        {all.open > 0 ? `; ${all.open} of ${all.lines.length} lines have none.` : '.'}
      </p>
    </div>
  );
}

const many = (l: BuyLine, x: number, units: Units): string => (l.unit === 'm' ? show(x, 'm', units) : round3(x));

function Line({
  line: l,
  units,
  money,
  onChange,
}: {
  readonly line: BuyLine;
  readonly units: Units;
  readonly money: (x: number | null) => string;
  readonly onChange: (patch: Partial<Article>) => void;
}) {
  const kind = l.unit === 'm' ? 'm' : 'none';
  // Cable is priced by the boat's unit of length.
  const perTyped = l.unit === 'm' ? 1 / unitOf('m', units).to(1) : 1;
  const told = l.unit === 'm' ? unitOf('m', units).to(l.pack) : l.pack;
  return (
    <tr className="border-b border-line">
      <td className="max-w-[260px]">{l.item}</td>
      <td className="reading text-right">{many(l, l.needed, units)}</td>
      <td className="reading text-right">{l.spare === 0 ? '·' : l.spare}</td>
      <td className="pl-3">
        <TextCell
          label={`Sold by, ${l.item}`}
          value={round3(told)}
          take={(text) => {
            const parsed = parseNumber(text, kind, units, 0.1, 10000);
            if (!parsed.ok) return parsed.message;
            onChange({ pack: parsed.value });
            return null;
          }}
        />
        {l.typical ? <span className="text-[11.5px] text-quiet"> typical</span> : null}
      </td>
      <td className="reading text-right font-semibold">
        {l.pack <= 1 ? many(l, l.packs * l.pack, units) : `${l.packs} × ${many(l, l.pack, units)}`}
      </td>
      <td className="pl-3">
        <TextCell
          label={`Price, ${l.item}`}
          value={l.price === null ? '' : round3(l.price * perTyped)}
          take={(text) => {
            const parsed = parseOptional(text, 'none', units, 0, 10000000);
            if (!parsed.ok) return parsed.message;
            onChange({ price: parsed.value === null ? null : parsed.value / perTyped });
            return null;
          }}
        />
      </td>
      <td className="reading text-right">{money(l.sum)}</td>
      <td className="pl-3">
        <TextCell
          label={`Supplier, ${l.item}`}
          wide
          value={l.supplier}
          take={(text) => {
            if (text.trim().length > 60) return 'at most 60 letters';
            onChange({ supplier: text.trim() });
            return null;
          }}
        />
      </td>
      <td>
        <TextCell
          label={`Days, ${l.item}`}
          value={l.days === null ? '' : String(l.days)}
          take={(text) => {
            const parsed = parseOptional(text, 'none', units, 0, 400);
            if (!parsed.ok) return parsed.message;
            onChange({ days: parsed.value === null ? null : Math.round(parsed.value) });
            return null;
          }}
        />
      </td>
      <td className="reading whitespace-nowrap">{l.orderBy || '·'}</td>
    </tr>
  );
}

const orderCsv = (lines: readonly BuyLine[], units: Units): string => {
  const amount = (l: BuyLine, x: number) => String(Math.round((l.unit === 'm' ? unitOf('m', units).to(x) : x) * 100) / 100);
  return toCsv([
    ['what', 'unit', 'needed', 'spare', 'sold by', 'packs', 'price of a pack', 'sum', 'supplier', 'days', 'order by'],
    ...lines.map((l) => [
      l.item,
      l.unit === 'm' ? unitOf('m', units).name : '',
      amount(l, l.needed),
      String(l.spare),
      amount(l, l.pack),
      String(l.packs),
      l.price === null ? '' : String(l.price),
      l.sum === null ? '' : l.sum.toFixed(2),
      l.supplier,
      l.days === null ? '' : String(l.days),
      l.orderBy,
    ]),
  ]);
};
