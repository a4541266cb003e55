'use client';
import { useMemo, useRef, useState } from 'react';
import { AC_APPLIANCES, type AcLoad, acLoadFrom, addRows, blankAcLoad, BOUNDS } from '@/core/design';
import { toCsv } from '@/core/format';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { fileName, saveCsv } from '@/ui/files';
import { FromList } from '@/ui/lists/FromList';
import { applianceColumns } from './columns';
import { readTable, tableOf } from './table';
import { Rows } from './Rows';
import { NextSteps } from '@/ui/next/NextSteps';

/** What runs on AC aboard, one row each. */
export function Appliances() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const [choosing, setChoosing] = useState(false);
  const [filter, setFilter] = useState('');
  const [chosen, setChosen] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const { boat, banks, living, places, sources } = design;
  const columns = useMemo(() => applianceColumns({ boat, banks, living, places, sources }), [boat, banks, living, places, sources]);
  const add = (rows: readonly AcLoad[], label: string) => {
    if (design.acLoads.length + rows.length > BOUNDS.acLoads)
      return store.say('refused', `At most ${BOUNDS.acLoads} AC appliances are taken.`);
    if (rows.length > 0) store.edit(label, addRows(design, { acLoads: rows }));
  };
  const take = async (picked: File) => {
    const answer = await fetch('/api/tables', { method: 'POST', body: picked }).catch(() => null);
    if (!answer?.ok) return store.say('refused', 'The file was not read: a CSV or XLSX table is meant.');
    const { sheets } = (await answer.json()) as { sheets: { rows: string[][] }[] };
    const read = readTable(sheets[0]?.rows ?? [], columns, () => blankAcLoad(fresh('al')));
    add(read.rows, `import ${read.rows.length} AC appliances`);
    store.say(
      read.problems.length > 0 ? 'refused' : 'said',
      read.problems.length > 0
        ? `${read.rows.length} rows taken. ${read.problems.slice(0, 3).join('; ')}`
        : `${read.rows.length} rows taken.`,
    );
  };
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 px-4 pb-2">
        <p className="max-w-[560px] flex-1 text-quiet">
          Watts and power factor, the start of motors, hours in each way of living. Hours run ashore or on the generator while either is
          there, the rest on the inverter where it reaches.
        </p>
        <input
          className="box w-[100px]"
          placeholder="filter"
          aria-label="Filter appliances"
          value={filter}
          onChange={(e) => setFilter(e.target.value)}
        />
        <button type="button" className="plain" onClick={() => file.current?.click()}>
          import
        </button>
        <input
          ref={file}
          type="file"
          accept=".csv,.xlsx,.tsv,.txt"
          className="hidden"
          aria-label="AC appliances from a file"
          onChange={(e) => {
            const picked = e.target.files?.[0];
            e.target.value = '';
            if (picked) void take(picked);
          }}
        />
        <button
          type="button"
          className="plain"
          onClick={() => saveCsv(`${fileName(boat.name)}-ac-appliances.csv`, toCsv(tableOf(design.acLoads, columns)))}
        >
          CSV
        </button>
        <button type="button" className="act" onClick={() => add([blankAcLoad(fresh('al'))], 'add an AC appliance')}>
          add a row
        </button>
        <button type="button" className="act" onClick={() => setChoosing(true)}>
          from the list
        </button>
      </div>
      {design.acLoads.length === 0 ? (
        <div className="max-w-[560px] px-4 py-4">
          <p>
            Nothing on AC yet. Take appliances from the list and correct their figures, add rows by hand, or paste a block from a
            spreadsheet: columns in the order of this sheet. The chargers of the Charging station join them when the AC side is proposed.
          </p>
          <NextSteps />
        </div>
      ) : null}
      <div className="min-h-0 flex-1 overflow-auto">
        <Rows
          label="AC appliances"
          list="acLoads"
          rows={design.acLoads}
          columns={columns}
          selectedId={chosen}
          onSelect={(r) => setChosen(r.id)}
          blank={() => blankAcLoad(fresh('al'))}
          most={BOUNDS.acLoads}
          filter={filter}
        />
      </div>
      {choosing ? (
        <FromList
          title="AC appliances aboard cruising boats"
          items={AC_APPLIANCES}
          onClose={() => setChoosing(false)}
          onTake={(names) =>
            add(
              names.flatMap((n) => acLoadFrom(n, fresh('al'), design) ?? []),
              names.length === 1 ? `add ${names[0] ?? ''}` : `add ${names.length} AC appliances`,
            )
          }
        />
      ) : null}
    </>
  );
}
