'use client';
import dynamic from 'next/dynamic';
import { useCallback, useMemo, useState } from 'react';
import {
  addLoadsOps,
  andTheirRows,
  blankLoad,
  BOUNDS,
  type Card,
  cardFrom,
  type Load,
  removeMachines,
  setOp,
  withCard,
  rowOf,
} from '@/core/design';
import { useDesign, useFreshId, useSelected, useStore } from '@/ui/boat/context';
import { fileName, saveBlob, saveCsv } from '@/ui/files';
import { opsOf, Sheet, type Change } from '@/ui/sheet';
import { View, Viewed, Views } from '@/ui/views/Views';
import { loadColumns } from './columns';
import { loadsCsv, loadsXlsx } from './exports';
import { Library } from './Library';
import { LivingMenu } from './LivingMenu';
import { NextSteps } from '@/ui/next/NextSteps';

const VIEWS = ['this boat', 'cards'] as const;
const Cards = dynamic(() => import('./Cards').then((m) => m.Cards), { ssr: false });
const Import = dynamic(() => import('./Import').then((m) => m.Import), { ssr: false });

export default function Loads() {
  const design = useDesign();
  const store = useStore();
  const [selected, select] = useSelected();
  const [filter, setFilter] = useState('');
  const [view, setView] = useState<(typeof VIEWS)[number]>('this boat');
  const [importing, setImporting] = useState(false);
  const [choosing, setChoosing] = useState(false);
  const freshId = useFreshId();
  // Columns depend on these parts only, so that an edit of one load redraws one row.
  const { boat, living, places } = design;
  const columns = useMemo(() => loadColumns({ boat, living, places }), [boat, living, places]);
  const onChange = useCallback(
    (change: Change<Load>) => store.edit(change.label, opsOf(store.snapshot().design, 'loads', change)),
    [store],
  );
  const onLook = useCallback(
    (change: Change<Load> | null) => store.look(change && opsOf(store.snapshot().design, 'loads', change)),
    [store],
  );
  const onSelect = useCallback((row: Load) => select({ kind: 'load', id: row.id }), [select]);
  const blank = () => blankLoad(freshId('L'), design.boat.systemV);
  const add = (rows: readonly Load[], label: string) => {
    if (design.loads.length + rows.length > BOUNDS.loads) return store.say('refused', `A boat holds at most ${BOUNDS.loads} loads here.`);
    store.edit(label, addLoadsOps(store.snapshot().design, rows, freshId));
    const [first] = rows;
    if (first) select({ kind: 'load', id: first.id });
  };
  const chosen = selected?.kind === 'load' ? rowOf(design.loads, selected.id) : undefined;
  const makeCard = async (load: Load) => {
    const card = cardFrom(load, freshId('k'));
    const answer = await fetch('/api/shelf/card', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ item: card, seen: null }),
    }).catch(() => null);
    if (!answer?.ok) return store.say('refused', 'The card was not kept: the server does not answer.');
    store.edit(`card of ${load.name}`, [setOp(store.snapshot().design, ['loads', load.id, 'cardId'], card.id)]);
    store.say('said', `${load.name} is on a card now, for every boat.`);
  };
  const useCard = (card: Card) => {
    const row: Load = { ...withCard(blank(), card), name: card.name };
    setView('this boat');
    add([row], `add ${card.name} from its card`);
  };
  const remove = (rows: readonly Load[]) => {
    const ids = rows.map((r) => r.id);
    store.edit(
      `${rows.length === 1 ? `remove ${rows[0]?.name ?? ''}` : `remove ${rows.length} loads`}${andTheirRows(design, 'loads', ids)}`,
      removeMachines(design, 'loads', ids),
    );
  };
  return (
    <Viewed showing={view} onShow={setView} className="flex h-full flex-col">
      <div className="flex flex-none flex-wrap items-baseline gap-x-4 gap-y-1 px-4 py-[10px]">
        <h1 className="text-[18px] font-bold">Loads</h1>
        <span className="text-quiet">{design.loads.length} rows</span>
        <Views views={VIEWS} label="Sheets of loads" />
        {view === 'this boat' ? <LivingMenu /> : null}
        {view === 'cards' ? null : (
          <>
            <input
              className="box ml-auto w-[100px]"
              placeholder="filter"
              aria-label="Filter loads"
              value={filter}
              onChange={(e) => setFilter(e.target.value)}
            />
            <button type="button" className="plain" onClick={() => setImporting(true)}>
              import
            </button>
            <button
              type="button"
              className="plain"
              onClick={() => saveCsv(`${fileName(boat.name)}-loads.csv`, loadsCsv(design.loads, columns))}
            >
              CSV
            </button>
            <button
              type="button"
              className="plain"
              onClick={() => void loadsXlsx(design.loads, columns).then((blob) => saveBlob(`${fileName(boat.name)}-loads.xlsx`, blob))}
            >
              XLSX
            </button>
            {chosen ? (
              <button type="button" className="plain" onClick={() => void makeCard(chosen)}>
                card from this load
              </button>
            ) : null}
            <button type="button" className="act" onClick={() => add([blank()], 'add a load')}>
              add a row
            </button>
            <button type="button" className="act" onClick={() => setChoosing(true)}>
              from the list
            </button>
          </>
        )}
      </div>
      <View of={view} className="flex min-h-0 flex-1 flex-col">
        {view === 'cards' ? <Cards onUse={useCard} /> : null}
        {design.loads.length === 0 && view === 'this boat' ? (
          <div className="max-w-[520px] px-4 py-6">
            <p>
              One row is one kind of appliance: how many, watts or amps (either gives the other), where it is, and its hours a day in each
              way of living aboard.
            </p>
            <p className="mt-2 text-quiet">
              Take them from the built-in list and correct the figures, add rows by hand, or paste a block from a spreadsheet: columns in
              the order of this sheet.
            </p>
            <NextSteps />
          </div>
        ) : null}
        <div className={view === 'cards' ? 'hidden' : 'min-h-0 flex-1 overflow-auto'}>
          <Sheet
            label="Loads"
            rows={design.loads}
            columns={columns}
            selectedId={selected?.kind === 'load' ? selected.id : null}
            onSelect={onSelect}
            onChange={onChange}
            onLook={onLook}
            onDelete={remove}
            onDuplicate={(row) => add([{ ...row, id: freshId('L'), name: `${row.name.slice(0, 110)}, copy` }], `duplicate ${row.name}`)}
            onRefuse={(message) => store.say('refused', message)}
            blank={blank}
            most={BOUNDS.loads}
            filter={filter}
          />
        </div>
      </View>
      {importing ? <Import onClose={() => setImporting(false)} onTake={(rows) => add(rows, `import ${rows.length} loads`)} /> : null}
      {choosing ? (
        <Library
          onClose={() => setChoosing(false)}
          onTake={(rows) => add(rows, rows.length === 1 ? `add ${rows[0]?.name ?? ''}` : `add ${rows.length} loads`)}
        />
      ) : null}
    </Viewed>
  );
}
