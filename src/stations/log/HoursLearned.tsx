'use client';
import { useState } from 'react';
import { setOp } from '@/core/design';
import { learnedOf } from '@/core/keep';
import { KIND_OF, TASK_KINDS } from '@/core/order';
import { round3 } from '@/core/quantity';
import { useDesign, useStore } from '@/ui/boat/context';
import { useBook } from '@/ui/boat/useBook';
import { Plain } from '@/ui/table/Plain';
import { dayOf } from './said';

/** Minutes as they really were, task by task, and what they say of the next estimate. */
export function HoursLearned() {
  const design = useDesign();
  const store = useStore();
  const book = useBook();
  if (book.records === null) return <p className="text-quiet">Reading the records.</p>;
  const done = [...book.marks.values()].filter((m) => m.thing.startsWith('task:') && m.body.state === 'done');
  const times = new Map(book.records.filter((r) => r.kind === 'time').map((r) => [r.thing, r]));
  const learned = learnedOf(book.records);
  const take = () =>
    store.edit('hours as learned', [
      setOp(design, ['work', 'factors'], {
        ...design.work.factors,
        ...Object.fromEntries(learned.map((l) => [l.kind, Math.round(l.factor * 100) / 100])),
      }),
    ]);
  return (
    <div className="max-w-[900px]">
      {learned.length > 0 ? (
        <section>
          <div className="flex items-baseline gap-4">
            <h2 className="font-semibold">What was learned</h2>
            <button type="button" className="act screen-only" onClick={take}>
              take these factors for this boat’s hours
            </button>
          </div>
          <Plain
            label="Hours learned"
            columns={[
              { title: 'kind' },
              { title: 'tasks', right: true },
              { title: 'estimated, h', right: true },
              { title: 'real, h', right: true },
              { title: 'ratio', right: true },
              { title: 'factor', right: true },
              { title: 'now', right: true },
            ]}
            rows={learned.map((l) => ({
              id: l.kind,
              cells: [
                l.kind,
                String(l.n),
                round3(l.estimatedMin / 60),
                round3(l.realMin / 60),
                round3(l.ratio),
                round3(l.factor),
                round3(design.work.factors[l.kind] ?? 1),
              ],
            }))}
          />
          <p className="mt-1 text-[12px] text-quiet">1 + (ratio − 1) n/(n + 5): it moves slowly while there are few.</p>
        </section>
      ) : null}
      <section className="mt-4">
        <h2 className="font-semibold">Tasks done</h2>
        {done.length === 0 ? (
          <p className="text-quiet">None yet: Build, order of work, ticks them. Then say here how long each took.</p>
        ) : (
          <ul>
            {done.map((m) => (
              <Task
                key={m.thing}
                what={String(m.body.what ?? m.thing)}
                day={dayOf(m.at)}
                estimated={typeof m.body.minutes === 'number' ? m.body.minutes : null}
                real={typeof times.get(m.thing)?.body.minutes === 'number' ? Number(times.get(m.thing)?.body.minutes) : null}
                onTake={(minutes) => {
                  const kind = TASK_KINDS.find((k) => m.thing.startsWith(`task:${k}:`));
                  if (!kind) return;
                  book.add([
                    {
                      kind: 'time',
                      thing: m.thing,
                      body: {
                        minutes,
                        estimated: typeof m.body.minutes === 'number' ? m.body.minutes : 0,
                        kind: KIND_OF[kind],
                        what: String(m.body.what ?? '').slice(0, 200),
                      },
                    },
                  ]);
                }}
              />
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}

function Task({
  what,
  day,
  estimated,
  real,
  onTake,
}: {
  what: string;
  day: string;
  estimated: number | null;
  real: number | null;
  onTake: (minutes: number) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const minutes = text === null ? null : Number(text.replace(',', '.'));
  const wrong = text !== null && text.trim() !== '' && (minutes === null || !Number.isFinite(minutes) || minutes < 0 || minutes > 10_000);
  const commit = () => {
    if (text === null || text.trim() === '' || wrong || minutes === null) return;
    if (minutes !== real) onTake(minutes);
    setText(null);
  };
  return (
    <li className="flex flex-wrap items-baseline gap-3 border-b border-line py-1">
      <span className="reading">{day}</span>
      <span className="min-w-[220px] flex-1">{what}</span>
      <span className="text-quiet">{estimated === null ? '' : `${estimated} min estimated`}</span>
      <label>
        took, min{' '}
        <input
          className="box reading w-[80px]"
          inputMode="decimal"
          aria-label={`Minutes of ${what}`}
          aria-invalid={wrong}
          value={text ?? (real === null ? '' : String(real))}
          onChange={(e) => setText(e.target.value)}
          onBlur={commit}
          onKeyDown={(e) => {
            if (e.key === 'Enter') commit();
            if (e.key === 'Escape') setText(null);
          }}
        />
      </label>
    </li>
  );
}
