'use client';
import { WORK_KINDS, type WorkKind } from '@/core/rules';
import { round3, show } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { Choice, Figure, OptionalFigure } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';
import { useBench } from './useBench';

/** Hours by what is counted, with how sure they are, and what they come to in days and money. */
export function HoursView() {
  const design = useDesign();
  const put = usePut();
  const { bench } = useBench();
  if (!bench) return <p className="text-quiet">Counting.</p>;
  const { hours } = bench;
  const { work, boat } = design;
  const kinds = WORK_KINDS.filter((k) => hours.lines.some((l) => l.kind === k));
  const ofKind = (kind: WorkKind) => hours.lines.filter((l) => l.kind === kind);
  const sum = (kind: WorkKind) => ofKind(kind).reduce((n, l) => n + l.minutes, 0);
  const price = work.hourRate === null ? null : work.hourRate * hours.p50H * (1 + work.marginPct / 100);
  return (
    <div>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <p className="text-[15px]">
          <b className="reading text-[18px]">{round3(hours.p50H)} h</b> at the median, under{' '}
          <b className="reading">{round3(hours.p90H)} h</b> nine times in ten; {hours.days} {hours.days === 1 ? 'day' : 'days'} of{' '}
          {round3(work.hoursPerDay)} h for {work.people === 1 ? 'one' : 'two'}
          {price === null ? '' : `; ${price.toFixed(0)} ${boat.currency} by the rate`}.
        </p>
        <button type="button" className="act screen-only ml-auto" onClick={() => window.print()}>
          print
        </button>
      </div>
      <div className="screen-only mt-2 grid max-w-[820px] grid-cols-5 gap-3 max-[900px]:grid-cols-2">
        <Figure
          label="hours a day"
          kind="h"
          value={work.hoursPerDay}
          low={1}
          high={16}
          onChange={(v) => put(['work', 'hoursPerDay'], v, 'hours a day')}
        />
        <Choice
          label="people"
          value={String(work.people)}
          options={['1', '2']}
          onChange={(v) => put(['work', 'people'], Number(v), 'people at work')}
        />
        <OptionalFigure
          label={`an hour costs${boat.currency ? `, ${boat.currency}` : ''}`}
          kind="none"
          value={work.hourRate}
          low={0}
          high={100000}
          onChange={(v) => put(['work', 'hourRate'], v, 'rate of an hour')}
        />
        <Figure
          label="margin"
          kind="pct"
          value={work.marginPct}
          low={0}
          high={400}
          onChange={(v) => put(['work', 'marginPct'], v, 'margin')}
        />
      </div>
      <p className="mt-2 max-w-[820px] text-[12px] text-quiet">
        Counted from this design: ends, metres, awkward places, what is mounted, tested and tidied; what is landed already is left out.
        Minutes are medians of practised hands; a kind&apos;s minutes spread by 0.35, the whole job by 0.25 (logarithms), drawn 4000 times
        with one seed. Fitting out the loads themselves, the alternator&apos;s change and joinery are not in it.
      </p>
      {kinds.map((kind) => (
        <section key={kind} className="keep mt-4 max-w-[820px]">
          <div className="flex items-baseline gap-3">
            <h2 className="font-semibold">
              {kind} <span className="reading font-normal">{round3(sum(kind) / 60)} h</span>
            </h2>
            <span className="screen-only w-[130px]">
              <Figure
                label="× of this firm"
                kind="none"
                value={work.factors[kind] ?? 1}
                low={0.1}
                high={10}
                onChange={(v) => put(['work', 'factors'], { ...work.factors, [kind]: v }, `factor of ${kind}`)}
              />
            </span>
          </div>
          <Plain
            label={kind}
            columns={[
              { title: 'what' },
              { title: 'count', right: true },
              { title: 'minutes each', right: true },
              { title: 'hours', right: true },
            ]}
            rows={ofKind(kind).map((l) => ({
              id: l.what,
              cells: [
                l.what,
                l.unit === 'm' ? show(l.count, 'm', boat) : round3(l.count),
                minutesOf(l.each, l.unit, boat.lengthUnit),
                round3(l.minutes / 60),
              ],
              opens: {
                of: `${kind}: ${l.what}`,
                at: 3,
                lines: [
                  `${l.unit === 'm' ? show(l.count, 'm', boat) : round3(l.count)} × ${minutesOf(l.each, l.unit, boat.lengthUnit, ' min')}${l.factor === 1 ? '' : ` × ${round3(l.factor)} of this firm`} = ${round3(l.minutes)} min`,
                  ...l.of,
                ],
              },
            }))}
          />
        </section>
      ))}
    </div>
  );
}

const minutesOf = (each: number, unit: string, lengthUnit: 'm' | 'ft', min = ''): string =>
  unit !== 'm' ? `${round3(each)}${min}` : lengthUnit === 'ft' ? `${round3(each * 0.3048)}${min} a foot` : `${round3(each)}${min} a metre`;
