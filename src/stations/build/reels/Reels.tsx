'use client';
import { useMemo } from 'react';
import { type CutPlan, fewerReels, groupsOf, type MadePiece, type ReelGroup, SHORT_MM, type StoreLength } from '@/core/build';
import { toCsv } from '@/core/format';
import { cutTo, round3, show, type Units } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { useShelf } from '@/ui/boat/shelf';
import { OptionalFigure } from '@/ui/field';
import { fileName, saveCsv } from '@/ui/files';
import { Plain } from '@/ui/table/Plain';
import { markOf, useBench } from '../useBench';
import { Store } from './Store';
import { usePlans } from './usePlans';

/** What each released piece is cut from, what is bought for it, and the firm's store of cable. */
export function Reels() {
  const design = useDesign();
  const put = usePut();
  const { book, bench } = useBench();
  const store = useShelf<StoreLength>('reel');
  const lengths = useMemo(() => (store.items ?? []).map((x) => x.item), [store.items]);
  const pieces = bench?.pieces;
  const groups = useMemo(() => (pieces ? groupsOf(design, pieces, lengths) : []), [design, pieces, lengths]);
  const key = useMemo(() => JSON.stringify(groups.map((g) => g.asked)), [groups]);
  const { plans, done, of, trouble, stop } = usePlans(groups, key);
  if (!pieces) return <p className="text-quiet">Working out the pieces.</p>;
  const units = design.boat;
  const byId = new Map(pieces.map((p) => [p.cut.id, p]));
  const orders = groups.map((g) => orderOf(g, plans.get(g.key)));
  const fewer = fewerReels(groups, design);
  return (
    <div>
      <div className="screen-only flex flex-wrap items-end gap-4">
        <div className="w-[190px]">
          <OptionalFigure
            label="sold in whole reels of"
            kind="m"
            value={design.work.reelM}
            low={1}
            high={1000}
            onChange={(v) => put(['work', 'reelM'], v, 'reels cable is sold in')}
          />
        </div>
        <span className="pb-1 text-quiet">
          {design.work.reelM === null
            ? `empty: from the drum, by the ${units.lengthUnit === 'ft' ? 'foot' : 'half metre'}`
            : 'empty it for cable from the drum'}
        </span>
        <span role="status" className="pb-1">
          {of > 0 && done < of ? (
            <>
              {done} of {of} plans proved{' '}
              <button type="button" className="plain" onClick={stop}>
                stop
              </button>
            </>
          ) : null}
          {trouble ? <span className="text-lead">The solver failed: {trouble}. The plans made at once are shown.</span> : null}
        </span>
        <span className="ml-auto flex gap-3 pb-1">
          <button type="button" className="act" onClick={() => saveCsv(`${fileName(design.boat.name)}-cable-order.csv`, orderCsv(orders))}>
            order as CSV
          </button>
          <button type="button" className="act" onClick={() => window.print()}>
            print
          </button>
        </span>
      </div>
      {store.problem ? (
        <p role="alert" className="mt-2 font-semibold text-lead">
          {store.problem}
        </p>
      ) : null}
      <section className="mt-3">
        <h2 className="font-semibold">What to buy</h2>
        <p className="text-[12px] text-quiet">
          For what is released, after what the store holds of it. What is not taped yet is set aside at 15 % more and bought when it is;
          prices are those typed in the store.
        </p>
        <Plain
          label="Cable to buy"
          columns={[
            { title: 'cable' },
            { title: 'colour' },
            { title: 'to buy now', right: true },
            { title: 'mass', right: true },
            { title: 'price', right: true },
            { title: 'taped, not released', right: true },
            { title: 'to be measured', right: true },
          ]}
          rows={orders.map((o) => ({
            id: o.group.key,
            cells: [
              o.group.size,
              o.group.colour,
              o.newM > 0 ? show(o.newM, 'm', units) : '·',
              o.newM > 0 ? show((o.newM * o.group.massKgPerKm) / 1000, 'kg', units) : '·',
              o.price === null ? '·' : `${o.price.toFixed(2)} ${design.boat.currency}`.trim(),
              o.group.taped.pieces > 0 ? `${show(o.group.taped.metres, 'm', units)} in ${o.group.taped.pieces}` : '·',
              o.group.measure.pieces > 0 ? `${show(o.group.measure.metres, 'm', units)} in ${o.group.measure.pieces}` : '·',
            ],
            opens: { of: `${o.group.size} ${o.group.colour} to buy`, at: 0, lines: buyLines(o, units) },
          }))}
        />
      </section>
      {fewer.length > 0 ? (
        <section className="mt-4">
          <h2 className="font-semibold">Fewer cables to buy</h2>
          <ul className="list-disc pl-5">
            {fewer.map((f) => (
              <li key={f.from}>
                {f.to} for the {f.from}: {f.reels} {f.reels === 1 ? 'cable' : 'cables'} fewer, {show(f.kg, 'kg', units)} more over{' '}
                {show(f.metres, 'm', units)}. Pin the size on those circuits in Wiring.
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <section className="mt-4">
        <h2 className="font-semibold">Cutting plan</h2>
        {of === 0 ? <p className="text-quiet">No piece is released yet: Bench releases what is taped.</p> : null}
        {groups.map((g) => {
          const plan = plans.get(g.key);
          return plan ? <PlanOf key={g.key} group={g} plan={plan} byId={byId} onCut={() => void cutAll(g, plan)} /> : null;
        })}
      </section>
      <Store shelf={store} groups={groups} />
    </div>
  );

  /** Pieces are cut: their marks, and what is left in the store. */
  async function cutAll(g: ReelGroup, plan: CutPlan) {
    const reelOf = new Map(plan.lengths.flatMap((l) => l.pieces.map((id) => [id, l.from ?? 'bought'] as const)));
    const cut = g.asked.wanted.flatMap((w) => byId.get(w.id) ?? []);
    if (!book.add(cut.map((p) => markOf(p, 'cut', { reel: reelOf.get(p.cut.id) ?? '' })))) return;
    for (const l of plan.lengths) {
      const known = store.items?.find((x) => x.item.id === l.from);
      if (known) await store.put({ ...known.item, lengthM: l.leftMm / 1000 }, known.revision);
      else if (l.leftMm >= SHORT_MM)
        await store.put(
          {
            id: `R${crypto.randomUUID().slice(0, 8)}`,
            name: g.size,
            size: g.size,
            school: design.boat.ruleSet,
            cores: g.cores,
            colour: g.colour,
            lengthM: l.leftMm / 1000,
            place: '',
            pricePerM: null,
            note: `left of ${design.boat.name}`,
          },
          null,
        );
    }
  }
}

/** What a line of the order is counted from. */
function buyLines({ group, newM, price }: OrderLine, units: Units): readonly string[] {
  const released = new Set(group.asked.wanted.map((w) => w.id));
  return [
    ...group.pieces.map((p) =>
      released.has(p.cut.id)
        ? `${p.cut.label}: ${p.cutMm === null ? '' : cutTo(p.cutMm, units)}, released`
        : `${p.cut.label}: ${show(p.reservedM, 'm', units)} set aside, ${p.stage === 'taped' ? 'taped, not released' : 'to be measured'}`,
    ),
    released.size === 0
      ? 'nothing of it is released yet: none is bought'
      : `${show(newM, 'm', units)} new: what is released, after ${group.store.length === 0 ? 'nothing of it' : `${group.store.length} lengths`} in the store, in the steps it is sold in${price === null ? '' : `; ${round3(price / newM)} for each metre`}`,
  ];
}

interface OrderLine {
  readonly group: ReelGroup;
  readonly newM: number;
  readonly price: number | null;
}

function orderOf(group: ReelGroup, plan: CutPlan | undefined): OrderLine {
  const newM = (plan?.newMm ?? 0) / 1000;
  const perM = group.store.find((s) => s.pricePerM !== null)?.pricePerM ?? null;
  return { group, newM, price: perM === null || newM === 0 ? null : perM * newM };
}

const orderCsv = (orders: readonly OrderLine[]): string =>
  toCsv([
    ['cable', 'colour', 'to buy, m', 'price'],
    ...orders
      .filter((o) => o.newM > 0)
      .map((o) => [o.group.size, o.group.colour, o.newM.toFixed(2), o.price === null ? '' : o.price.toFixed(2)]),
  ]);

function PlanOf({
  group: g,
  plan,
  byId,
  onCut,
}: {
  group: ReelGroup;
  plan: CutPlan;
  byId: ReadonlyMap<string, MadePiece>;
  onCut: () => void;
}) {
  const { boat } = useDesign();
  const said = (mm: number) => cutTo(mm, boat);
  const gap = plan.newMm - plan.leastMm;
  const named = (id: string | null) => {
    const own = g.store.find((s) => s.id === id);
    return own ? `store${own.place ? `, ${own.place}` : ''}` : 'new';
  };
  return (
    <section className="keep mt-3" aria-label={`Plan of ${g.size} ${g.colour}`}>
      <h3>
        <b className="font-semibold">
          {g.size} {g.colour}
        </b>{' '}
        <span className="text-quiet">
          {g.asked.wanted.length} pieces, {said(plan.newMm)} new;{' '}
          {plan.proved
            ? 'no plan needs less, or with as much leaves fewer short ends'
            : gap <= 0
              ? 'no plan needs less'
              : `at least ${said(plan.leastMm)} is needed: at most ${said(gap)} too much`}
          {plan.shortOffcuts > 0 ? `; ${plan.shortOffcuts} short ${plan.shortOffcuts === 1 ? 'end' : 'ends'} left` : ''}
        </span>{' '}
        <button type="button" className="act screen-only" onClick={onCut}>
          all cut: book the store
        </button>
      </h3>
      <Plain
        label={`Lengths of ${g.size} ${g.colour}`}
        columns={[{ title: 'from' }, { title: 'length', right: true }, { title: 'pieces, in this order' }, { title: 'left', right: true }]}
        rows={plan.lengths.map((l, i) => ({
          id: `${l.from ?? 'new'}-${i}`,
          cells: [
            named(l.from),
            said(l.mm),
            l.pieces
              .map((id) => byId.get(id))
              .flatMap((p) => (p && p.cutMm !== null ? [`${p.cut.label} ${said(p.cutMm)}`] : []))
              .join(' | '),
            said(l.leftMm),
          ],
        }))}
      />
    </section>
  );
}
