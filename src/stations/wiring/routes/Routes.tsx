'use client';
import { useMemo, useState } from 'react';
import type { RouteResult } from '@/core';
import { addOp, blankRoute, type Design, dropOp, type Route, setOp, WAY_KINDS, rowOf } from '@/core/design';
import { bare, parseChoice, type Parsed, parseNumber, parseOptional, parseYesNo, round3, unitOf } from '@/core/quantity';
import { useDesign, useFreshId, useLists, useStore } from '@/ui/boat/context';
import { opsOf, Sheet, type Column } from '@/ui/sheet';
import { PenetrationTable } from '@/ui/lists/PenetrationTable';

interface RouteRow extends Route {
  readonly result: RouteResult | undefined;
}

const map = <A, B>(parsed: Parsed<A>, to: (value: A) => B): Parsed<B> => (parsed.ok ? { ok: true, value: to(parsed.value) } : parsed);

function routeColumns(design: Design): Column<RouteRow>[] {
  const units = design.boat;
  const places = design.places.map((p) => p.name);
  return [
    {
      key: 'name',
      title: 'conduit, gland, bulkhead',
      width: 190,
      text: (r) => r.name,
      write: (_, text) =>
        text.trim() ? { ok: true, value: { name: text.trim().slice(0, 120) } } : { ok: false, message: 'a name is needed' },
    },
    {
      key: 'kind',
      title: 'kind',
      width: 80,
      options: WAY_KINDS,
      text: (r) => r.kind,
      write: (_, t) => map(parseChoice(t, WAY_KINDS), (kind) => ({ kind })),
    },
    {
      key: 'place',
      title: 'where',
      width: 120,
      options: places,
      text: (r) => rowOf(design.places, r.placeId)?.name ?? '',
      write: (_, text) =>
        text.trim() === ''
          ? { ok: true, value: { placeId: null } }
          : map(parseChoice(text, places), (name) => ({ placeId: design.places.find((p) => p.name === name)?.id ?? null })),
    },
    {
      key: 'boreMm',
      title: 'bore',
      unit: unitOf('mm', units).name,
      hint: 'Inside diameter, or inside width of trunking; of a gland the largest it clamps',
      width: 62,
      align: 'right',
      mono: true,
      text: (r) => bare(r.boreMm, 'mm', units),
      write: (_, t) => map(parseNumber(t, 'mm', units, 3, 400), (boreMm) => ({ boreMm })),
    },
    {
      key: 'heightMm',
      title: 'height',
      unit: unitOf('mm', units).name,
      hint: 'Inside height, of trunking',
      width: 70,
      align: 'right',
      mono: true,
      text: (r) => bare(r.heightMm, 'mm', units),
      write: (_, t) => map(parseOptional(t, 'mm', units, 3, 400), (heightMm) => ({ heightMm })),
    },
    {
      key: 'bends',
      title: 'bends',
      width: 52,
      align: 'right',
      mono: true,
      text: (r) => String(r.bends),
      write: (_, t) => map(parseNumber(t, 'none', units, 0, 12), (n) => ({ bends: Math.round(n) })),
    },
    {
      key: 'drawLine',
      title: 'draw line',
      hint: 'Left in for the next cable',
      width: 64,
      yesNo: true,
      options: ['yes', 'no'],
      text: (r) => (r.drawLine ? 'yes' : 'no'),
      write: (_, t) => map(parseYesNo(t), (drawLine) => ({ drawLine })),
    },
    {
      key: 'cables',
      title: 'conductors',
      width: 74,
      align: 'right',
      mono: true,
      text: (r) => String(r.result?.bundled ?? 0),
      sort: (r) => r.result?.bundled ?? 0,
    },
    {
      key: 'fill',
      title: 'fill',
      unit: '%',
      hint: 'Of the inside, and the most that should be',
      width: 92,
      align: 'right',
      mono: true,
      text: (r) => (r.result ? `${round3(r.result.fill * 100)} of ${round3(r.result.mostFill * 100)}` : '–'),
      tone: (r) => (r.result?.passes === false ? 'breaks' : undefined),
      sort: (r) => r.result?.fill ?? 0,
    },
    {
      key: 'needs',
      title: 'would need',
      unit: unitOf('mm', units).name,
      width: 100,
      align: 'right',
      mono: true,
      text: (r) => (r.result?.needsBoreMm ? round3(unitOf('mm', units).to(r.result.needsBoreMm)) : '–'),
      tone: () => 'quiet',
    },
  ];
}

/** Where cables run: what is in each conduit, how full it is, which holes and glands are to be made. */
export function Routes() {
  const design = useDesign();
  const lists = useLists();
  const store = useStore();
  const freshId = useFreshId();
  const [chosenId, setChosenId] = useState<string | null>(null);
  const columns = useMemo(() => routeColumns(design), [design]);
  const rows = design.routes.map((r): RouteRow => ({ ...r, result: lists?.routes.find((x) => x.id === r.id) }));
  const route = rows.find((r) => r.id === chosenId) ?? rows[0];
  const toggle = (circuitId: string) => {
    if (!route) return;
    const ids = route.circuitIds.includes(circuitId) ? route.circuitIds.filter((x) => x !== circuitId) : [...route.circuitIds, circuitId];
    store.edit(`circuits in ${route.name}`, [setOp(design, ['routes', route.id, 'circuitIds'], ids)]);
  };
  const bundle = () => {
    if (!route?.result) return;
    const { bundled } = route.result;
    const ops = route.circuitIds.flatMap((id) => {
      const c = rowOf(design.circuits, id);
      if (!c) return [];
      const enclosure = route.kind === 'conduit' && c.enclosure === 'open' ? 'conduit' : c.enclosure;
      return [
        ...(c.bundled < bundled ? [setOp(design, ['circuits', id, 'bundled'], Math.min(200, bundled))] : []),
        ...(enclosure === c.enclosure ? [] : [setOp(design, ['circuits', id, 'enclosure'], enclosure)]),
      ];
    });
    if (ops.length === 0) return store.say('said', 'They are counted so already.');
    store.edit(`count ${route.name} as a bundle`, ops);
  };
  return (
    <div className="min-h-0 flex-1 overflow-y-auto pb-6">
      {rows.length === 0 ? (
        <p className="max-w-[560px] px-4 py-4">
          A conduit, a length of trunking, a gland or a hole in a bulkhead, and the circuits that pass it: the application counts how full
          it is from the cables&apos; outside diameters, and lists the holes and glands to make.
        </p>
      ) : (
        <Sheet
          label="Where cables run"
          rows={rows}
          columns={columns}
          selectedId={route?.id ?? null}
          onSelect={(r) => setChosenId(r.id)}
          onChange={(change) => store.edit(change.label, opsOf(store.snapshot().design, 'routes', change))}
          onDelete={([r]) => r && store.edit(`remove ${r.name}`, [dropOp(design, 'routes', r.id)])}
          onRefuse={(m) => store.say('refused', m)}
        />
      )}
      <button
        type="button"
        className="act mx-4 my-3"
        onClick={() => {
          const fresh = blankRoute(freshId('r'));
          store.edit('add a run', [addOp(design, 'routes', fresh)]);
          setChosenId(fresh.id);
        }}
      >
        add a conduit, gland or hole
      </button>
      {route ? (
        <section aria-label={`Circuits in ${route.name}`} className="border-t-[1.5px] border-ink px-4 py-2">
          <div className="flex items-baseline gap-4">
            <h2 className="font-semibold">{route.name}</h2>
            {route.result && route.result.cables.length > 1 ? (
              <button type="button" className="act" onClick={bundle}>
                count its {route.result.bundled} conductors as a bundle
              </button>
            ) : null}
          </div>
          {route.result?.notes.map((n) => (
            <p key={n} className="text-quiet">
              {n}
            </p>
          ))}
          <div className="mt-2 grid grid-cols-3 gap-x-4">
            {design.circuits
              .filter((c) => c.found?.decision !== 'remove')
              .map((c) => (
                <label key={c.id} className="flex items-baseline gap-2 border-b border-line py-[2px]">
                  <input type="checkbox" checked={route.circuitIds.includes(c.id)} onChange={() => toggle(c.id)} />
                  <span className="truncate">
                    {c.no} {c.name}
                  </span>
                </label>
              ))}
          </div>
        </section>
      ) : null}
      {lists && lists.penetrations.length > 0 ? (
        <section className="px-4 pt-3">
          <h2 className="font-semibold">Holes and glands to make</h2>
          <PenetrationTable penetrations={lists.penetrations} />
        </section>
      ) : null}
    </div>
  );
}
