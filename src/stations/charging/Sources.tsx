'use client';
import { useState } from 'react';
import {
  addSourceOps,
  andTheirRows,
  blankSource,
  nominalVOf,
  removeMachines,
  type Source,
  sourcesAboard,
  SOURCE_KINDS,
  rowOf,
} from '@/core/design';
import { houseIndex } from '@/core/energy';
import { round3 } from '@/core/quantity';
import { useAnalysis, useAsked, useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import { OneSource } from './OneSource';
import { Worked } from '@/ui/working/Worked';
import { NextSteps } from '@/ui/next/NextSteps';

const hours = (h: number | null | undefined) => (h == null ? 'not in 2 days' : `${round3(h)} h`);

/** All sources: what each makes by way of living, and how long it takes to fill the bank. */
export function Sources() {
  const design = useDesign();
  const { balance, findings } = useAnalysis();
  const store = useStore();
  const fresh = useFreshId();
  const [id, setId] = useState<string | null>(null);
  const source = rowOf(design.sources, id) ?? design.sources[0];
  const { sources, banks, engine } = design;
  const aboard = sourcesAboard(sources);
  const fills = useAsked('fills', (r) => r.fills()) ?? [];
  const bankName = (bankId: string | null) => rowOf(banks, bankId)?.name ?? 'no bank';
  const add = (kind: Source['kind']) => {
    const next = fresh('q');
    const start = banks.find((b) => b.job === 'start');
    const from = banks[houseIndex(banks)]?.id ?? null;
    const to = kind === 'DC–DC' ? (start?.id ?? null) : from;
    const blank = blankSource(next, kind, nominalVOf(design, to), to, nominalVOf(design, from));
    const same = sources.filter((s) => s.name === blank.name || s.name.startsWith(`${blank.name} `)).length;
    const row = same > 0 ? { ...blank, name: `${blank.name} ${same + 1}` } : blank;
    store.edit(`add ${kind}`, addSourceOps(design, kind === 'DC–DC' ? { ...row, fromBankId: from } : row, fresh));
    setId(next);
  };
  return (
    <div className="pt-2">
      <p className="flex flex-wrap items-baseline gap-3">
        <span className="text-quiet">add</span>
        {SOURCE_KINDS.map((kind) => (
          <button key={kind} type="button" className="act" disabled={sources.length >= 24} onClick={() => add(kind)}>
            {kind}
          </button>
        ))}
      </p>
      {source ? (
        <>
          <Plain
            label="Sources"
            columns={[
              { title: 'source' },
              { title: 'kind' },
              { title: 'charges' },
              { title: 'rated', right: true },
              ...design.living.map((l) => ({ title: `${l.name}, Ah`, right: true })),
              { title: 'to 80 %', right: true },
              { title: 'to 95 %', right: true },
              { title: 'to 100 %', right: true },
              { title: 'to settle' },
            ]}
            rows={sources.map((s) => {
              const i = aboard.indexOf(s);
              const fill = fills.find((f) => f.sourceId === s.id);
              const open = findings.filter((f) => f.about.kind === 'source' && f.about.id === s.id && f.severity !== 'note' && !f.accepted);
              return {
                id: s.id,
                cells: [
                  <button
                    key="n"
                    type="button"
                    aria-pressed={s.id === source.id}
                    className={`text-left whitespace-nowrap ${s.id === source.id ? 'font-semibold text-verdigris' : 'plain'}`}
                    onClick={() => setId(s.id)}
                  >
                    {s.name}
                  </button>,
                  s.kind,
                  s.insteadOfId === null ? bankName(s.bankId) : `instead of ${rowOf(sources, s.insteadOfId)?.name ?? 'what is gone'}`,
                  s.solar ? `${round3(s.solar.wp * s.solar.series * s.solar.parallel)} Wp` : `${round3(s.ratedA)} A`,
                  ...design.living.map((l) => {
                    const made = balance.needs.find((n) => n.livingId === l.id)?.made;
                    return made && i >= 0 ? (
                      <Worked key={l.id} at={{ kind: 'made', id: l.id }} of={`made, ${l.name}`}>
                        {round3(made.bySource[i] ?? 0)}
                      </Worked>
                    ) : (
                      '–'
                    );
                  }),
                  ...(fill
                    ? fill.hours.map((h, k) => (
                        <Worked key={k} at={{ kind: 'fill', id: s.id }} of={`hours of ${s.name}`}>
                          {hours(h)}
                        </Worked>
                      ))
                    : ['–', '–', '–']),
                  open.length > 0 ? (
                    <b key="f" className={`font-semibold ${open.some((f) => f.severity === 'stop') ? 'text-lead' : ''}`}>
                      {open[0]?.title}
                      {open.length > 1 ? `, and ${open.length - 1} more` : ''}
                    </b>
                  ) : (
                    ''
                  ),
                ],
              };
            })}
          />
          <p className="mt-1 text-[12px] text-quiet">
            Ah of a day that begins in the middle of the house bank&apos;s window. Hours: the source alone, no load, from the bottom of the
            window; alternators at {engine.cruiseRpm} rpm of the engine.
          </p>
          <OneSource key={source.id} source={source} fill={fills.find((f) => f.sourceId === source.id)} />
          <button
            type="button"
            className="plain mt-4"
            onClick={() =>
              store.edit(
                `remove ${source.name}${andTheirRows(design, 'sources', [source.id])}`,
                removeMachines(design, 'sources', [source.id]),
              )
            }
          >
            remove {source.name}
          </button>
        </>
      ) : (
        <div className="mt-4 max-w-[560px]">
          <p>
            Nothing charges the boat yet. Add what is aboard: the engine&apos;s alternator first, then shore, sun and wind. Each brings
            typical figures; put the maker&apos;s in their place.
          </p>
          <NextSteps />
        </div>
      )}
    </div>
  );
}
