'use client';
import { busName } from '@/core/network';
import { round3, sizeName } from '@/core/quantity';
import { studName } from '@/core/rules';
import { useDesign, useWorst } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';

/** Bus bars as they are loaded: what lasts through each, what lands on it, and the bar that asks for. */
export function Buses() {
  const design = useDesign();
  const bars = useWorst()?.bars ?? [];
  if (bars.length === 0) return null;
  const { ruleSet } = design.boat;
  return (
    <section className="px-4" aria-label="Bus bars">
      <h2 className="mt-6 font-semibold">Bus bars, as they are loaded</h2>
      <p className="max-w-[720px] text-quiet">
        What lasts: the largest of the studies in which nothing starts, or what its cables are sized for. A cable of{' '}
        {ruleSet === 'awg' ? '6 AWG' : '16 mm²'} and up has a stud of its own, lighter ones lie two to a stud, one in four is kept free.
      </p>
      <Plain
        label="Bus bars, as they are loaded"
        columns={[
          { title: 'bar' },
          { title: 'lasting', right: true },
          { title: 'rated', right: true },
          { title: 'terminals', right: true },
          { title: 'studs', right: true },
          { title: 'free', right: true },
          { title: 'largest cable', right: true },
          { title: 'least volts', right: true },
          { title: 'fault', right: true },
          { title: 'asks for' },
        ]}
        rows={bars.map((b) => {
          const over = b.ratedA !== null && b.amps > b.ratedA;
          return {
            id: `${b.about.kind} ${b.about.id}`,
            cells: [
              b.name,
              <Worked key="a" at={{ kind: 'bar', id: `${b.about.kind}:${b.about.id}` }} of={b.name}>
                <span className={over ? 'font-semibold text-lead' : ''}>{round3(b.amps)} A</span>
              </Worked>,
              b.ratedA === null ? '–' : `${round3(b.ratedA)} A`,
              b.terminals,
              b.studs === null ? '–' : `${b.studs} × ${studName(ruleSet, b.stud)}`,
              <span key="s" className={(b.spare ?? 0) < 0 ? 'font-semibold text-lead' : ''}>
                {b.spare ?? '–'}
              </span>,
              <span key="l" className={b.largest?.fits === false ? 'font-semibold text-lead' : ''}>
                {b.largest ? sizeName(b.largest.school, b.largest.size) : '–'}
              </span>,
              b.volts === null ? '–' : `${b.volts.toFixed(Math.abs(b.volts) < 1 ? 3 : 2)} V`,
              b.faultA === null ? '–' : `${round3(b.faultA / 1000)} kA`,
              busName(b, design),
            ],
          };
        })}
      />
    </section>
  );
}
