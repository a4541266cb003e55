'use client';
import type { Gauge } from '@/core/design';
import { round3, show } from '@/core/quantity';
import type { ShuntAnswer } from '@/workers/analysis.worker';
import { useAsked, useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';

const UNRATED = 'its rating is not entered: Wiring, main side';

/** The shunt judged by what flows through it, and what goes round it. */
export function ShuntView({ gauge }: { gauge: Gauge }) {
  const { boat } = useDesign();
  const answer = useAsked<ShuntAnswer>(`shunt:${gauge.id}`, (r) => r.shunt(gauge.id));
  if (!answer) return <p className="pt-3 text-quiet">Looking at what flows.</p>;
  const { figures: f, unseen } = answer;
  return (
    <div className="max-w-[900px] pt-2">
      <p className="text-[15px]">
        <b className="reading">{show(f.steadyA, 'A', boat)}</b> flow through it for long at most: a shunt of{' '}
        <b className="reading">{f.wantedA} A</b>
        {f.ratingA === null ? (f.device ? '; its rating is not entered (Wiring, main side).' : '.') : `; ${round3(f.ratingA)} A is there.`}
      </p>
      {f.faults.map((x) => (
        <p key={x} className="caution mt-2">
          {x}.
        </p>
      ))}
      <Plain
        label="The shunt"
        columns={[{ title: 'what' }, { title: 'figure', right: true }, { title: 'of what' }]}
        rows={[
          {
            id: 'resistance',
            cells: ['resistance', f.mohm > 0 ? `${round3(f.mohm)} mΩ` : '–', '50 mV at its rating, where its maker says nothing'],
            lines: [
              f.ratingA === null
                ? UNRATED
                : typeof f.device?.mohm === 'number'
                  ? `${round3(f.mohm)} mΩ, as entered`
                  : `50 mV ÷ ${round3(f.ratingA)} A = ${round3(f.mohm)} mΩ`,
            ],
          },
          {
            id: 'heat at its rating',
            cells: ['heat at its rating', f.wattsRated > 0 ? show(f.wattsRated, 'W', boat) : '–', 'rating² × resistance'],
            lines: [f.ratingA === null ? UNRATED : `(${round3(f.ratingA)} A)² × ${round3(f.mohm)} mΩ = ${show(f.wattsRated, 'W', boat)}`],
          },
          {
            id: 'heat at this boat’s worst',
            cells: [
              'heat at this boat’s worst',
              f.wattsWorst > 0 ? show(f.wattsWorst, 'W', boat) : '–',
              'largest steady current² × resistance',
            ],
            lines: [
              f.ratingA === null ? UNRATED : `(${show(f.steadyA, 'A', boat)})² × ${round3(f.mohm)} mΩ = ${show(f.wattsWorst, 'W', boat)}`,
              'the most that flows for long through the negative it stands in',
            ],
          },
          {
            id: 'drawn at rest',
            cells: ['drawn at rest', show(f.standingA, 'A', boat), 'what is live while nobody uses it'],
            lines: f.standing.map((x) => `${x.name}: ${show(x.amps, 'A', boat)}`),
          },
          {
            id: 'steps of the gauge',
            cells: [
              'of that, steps of the gauge',
              Number.isFinite(f.standingSteps) ? round3(f.standingSteps) : '–',
              'ten or more read well; under one it is lost',
            ],
            lines: [`${show(f.standingA, 'A', boat)} ÷ ${show(gauge.stepA, 'A', boat)} that its gauge tells apart`],
          },
        ].map(({ lines, ...row }) => ({ ...row, opens: { of: row.id, at: 1, lines } }))}
      />
      <h2 className="mt-4 font-semibold">What goes round it</h2>
      {unseen.length === 0 ? (
        <p>Nothing: every negative of this bank lands on the far side of the shunt.</p>
      ) : (
        <>
          <p className="caution">
            The gauge never sees what lands on the battery’s post: it is wrong from then on. Land it on the negative bus.
          </p>
          <Plain
            label="Round the shunt"
            columns={[{ title: 'cable' }, { title: 'Ah a day, by way of living' }, { title: 'a tenth wrong after', right: true }]}
            rows={unseen.map((u) => ({
              id: u.name,
              opens: {
                of: u.name,
                at: 2,
                lines: [
                  `a tenth of the gauge’s capacity ÷ (${show(Math.abs(u.meanA), 'A', boat)} on the mean of its first way of living × 24 h)`,
                ],
              },
              cells: [
                u.name,
                u.byLiving.map((x) => `${x.living} ${round3(x.ah)}`).join(', '),
                Number.isFinite(u.days) ? show(u.days, 'days', boat) : 'whenever it charges or draws',
              ],
            }))}
          />
        </>
      )}
    </div>
  );
}
