import { type Design, type Place, rowOf, type Study } from '@/core/design';
import type { WarmEnd, Warmth } from '@/core/network';
import { round3, show } from '@/core/quantity';
import { useDesign, useSelected } from '@/ui/boat/context';
import { TableBeside } from '@/ui/chart/TableBeside';
import { planOutline } from '@/ui/hull/hull';
import { planLabels } from '@/ui/hull/labels';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';

const WIDTH = 760;
const EDGE = 16;
/** So many ends are listed, and so many named on the plan. */
const LISTED = 12;
const NAMED = 3;

const tooWarm = (e: WarmEnd): boolean => e.tempC > e.limitC;

/** Watts in a metre, or a foot, of a run. */
export const perLength = (wPerM: number, { boat }: Pick<Design, 'boat'>): string =>
  boat.lengthUnit === 'ft' ? `${round3(wPerM * 0.3048)} W/ft` : `${round3(wPerM)} W/m`;

/** Where the boat gets warm in a study: the hottest end of each place on her plan, and every end in a list. */
export function Warm({ warmth, study }: { warmth: Warmth; study: Study }) {
  const design = useDesign();
  const [, select] = useSelected();
  const { ends } = warmth;
  const placeName = (id: string | null) => rowOf(design.places, id)?.name ?? 'no place';
  const rowsOf = (list: readonly WarmEnd[]) =>
    list.map((e) => [e.name, e.end, placeName(e.placeId), ...[e.ambientC, e.tempC, e.limitC].map((c) => show(c, 'C', design.boat))]);
  return (
    <section aria-label="How warm the ends get">
      <h2 className="mt-4 font-semibold">Where it gets warm, the hottest end first</h2>
      <WarmPlan design={design} ends={ends} />
      <Plain
        label="Ends in the study"
        columns={[
          { title: 'circuit or cable' },
          { title: 'end' },
          { title: 'place' },
          { title: 'air there', right: true },
          { title: 'comes to', right: true },
          { title: 'bears', right: true },
        ]}
        rows={ends.slice(0, LISTED).map((e, i) => ({
          id: String(i),
          cells: [
            <button key="n" type="button" className="plain text-left" onClick={() => select(e.about)}>
              {e.name}
            </button>,
            e.end,
            placeName(e.placeId),
            show(e.ambientC, 'C', design.boat),
            <b key="t" className={`font-semibold ${tooWarm(e) ? 'text-lead' : ''}`}>
              <Worked at={{ kind: 'end', id: `${study.id}:${i}` }} of={`${e.name}, ${e.end}`}>
                {show(e.tempC, 'C', design.boat)}
              </Worked>
            </b>,
            show(e.limitC, 'C', design.boat),
          ],
        }))}
      />
      <TableBeside
        title={`Ends, ${study.name}`}
        columns={['circuit or cable', 'end', 'place', 'air there', 'comes to', 'bears']}
        rows={rowsOf(ends)}
      />
      <p className="mt-2 max-w-[760px] text-[12px] text-quiet">
        What is on is taken to stay on until it is as warm as it gets; a start or a short duty warms for as long as it is on. Sound joints:
        a bad one is warmer than anything here, and is found by its millivolts (Commission).
      </p>
    </section>
  );
}

/** The plan of the boat with the hottest end of each place. */
function WarmPlan({ design, ends }: { design: Design; ends: readonly WarmEnd[] }) {
  const { boat } = design;
  const scale = (WIDTH - 2 * EDGE - 60) / boat.lengthM;
  const middle = EDGE + (boat.beamM / 2) * scale;
  const px = (x: number) => EDGE + x * scale;
  const py = (y: number) => middle - y * scale;
  // Ends come hottest first: so do places, and the first have their labels first.
  const placeIds = [...new Set(ends.flatMap((e) => (e.placeId === null ? [] : [e.placeId])))];
  const hottest = placeIds.flatMap((id, i): (Place & { readonly end: WarmEnd })[] => {
    const place = rowOf(design.places, id);
    const end = ends.find((e) => e.placeId === id);
    if (!place || !end) return [];
    const temp = `${tooWarm(end) ? '! ' : ''}${show(end.tempC, 'C', boat)}`;
    return [{ ...place, end, name: i < NAMED ? `${temp}, ${end.name}` : temp }];
  });
  if (hottest.length === 0) return null;
  const labels = planLabels(hottest, (p) => ({ x: px(p.at.x), y: py(p.at.y) }), WIDTH);
  const outline = planOutline(boat)
    .map(([x, y]) => `${px(x).toFixed(1)},${py(y).toFixed(1)}`)
    .join('L');
  const said = hottest.map((p) => `${rowOf(design.places, p.id)?.name ?? ''}: ${show(p.end.tempC, 'C', boat)}, ${p.end.name}`).join('; ');
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${(2 * middle).toFixed(0)}`}
      className="mt-1 block w-full max-w-[760px]"
      role="img"
      aria-label={`Plan of the boat with the hottest end of each place. ${said}`}
      data-testid="warm-plan"
    >
      <path d={`M${outline}Z`} fill="none" stroke="var(--ink)" strokeWidth={1.4} />
      <line x1={px(0)} x2={px(boat.lengthM)} y1={middle} y2={middle} stroke="var(--line)" strokeDasharray="10 3 2 3" />
      {hottest.map((p) => {
        const rise = (p.end.tempC - p.end.ambientC) / Math.max(1, p.end.limitC - p.end.ambientC);
        const colour = tooWarm(p.end) ? 'var(--lead)' : 'var(--copper)';
        const spot = labels.get(p.id) ?? { dx: 9, dy: 4 };
        return (
          <g key={p.id}>
            <circle
              cx={px(p.at.x)}
              cy={py(p.at.y)}
              r={3 + 9 * Math.min(1.2, Math.max(0, rise))}
              fill={colour}
              fillOpacity={0.35}
              stroke={colour}
            />
            <text
              x={px(p.at.x) + spot.dx}
              y={py(p.at.y) + spot.dy}
              className={`text-[11px] ${tooWarm(p.end) ? 'fill-lead font-semibold' : 'fill-ink'}`}
              stroke="var(--sheet)"
              strokeWidth={3}
              paintOrder="stroke"
            >
              {p.name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
