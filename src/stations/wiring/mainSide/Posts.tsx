'use client';
import { rowOf } from '@/core/design';
import { type Landing, MOST_ON_A_STUD, type Post } from '@/core/mainSide';
import { endName } from '@/core/build';
import { round3, show, sizeName } from '@/core/quantity';
import { findFamily, studName, STUDS } from '@/core/rules';
import { useAnalysis, useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';

/** What lands on every post, drawn as it is stacked: the largest lowest, on the conducting face; washers above. */
export function Posts({ posts }: { posts: readonly Post[] }) {
  const design = useDesign();
  const used = posts.filter((p) => p.landings.length > 0);
  if (used.length === 0) return null;
  return (
    <section className="px-4" aria-label="What lands where">
      <h2 className="mt-6 font-semibold">What lands on each post, as it is stacked</h2>
      <p className="max-w-[720px] text-quiet">
        Largest lowest, its palm on the conducting face, washers and nut above, never a steel washer between; {MOST_ON_A_STUD} on a stud at
        the most. Torque: the maker&apos;s figure rules.
      </p>
      <div className="mt-3 grid grid-cols-2 gap-x-8 gap-y-6">
        {used.map((post) => (
          <div key={post.node} className="min-w-0">
            <h3 className="mb-1 flex items-baseline gap-3 font-semibold">
              {post.name}
              <span className="reading text-[12px] font-normal text-quiet">{studName(design.boat.ruleSet, post.stud)}</span>
              {post.kind === 'bank' && post.landings.length > MOST_ON_A_STUD ? (
                <span className="font-semibold text-lead">{post.landings.length} on one stud: move some to a bus</span>
              ) : null}
            </h3>
            {post.kind === 'bank' ? <Stack landings={post.landings} /> : null}
            <Plain
              label={`Lands on ${post.name}`}
              columns={[
                { title: 'lowest first' },
                { title: 'cable', right: true },
                { title: 'device here', right: true },
                { title: 'standby', right: true },
              ]}
              rows={post.landings.map((l, i) => ({
                id: `${l.id}-${i}`,
                cells: [
                  l.name,
                  l.kind === 'link' ? (
                    sizeName(l.school, l.size)
                  ) : (
                    <Worked key="s" at={{ kind: l.kind, id: l.id }} of={l.name}>
                      {sizeName(l.school, l.size)}
                    </Worked>
                  ),
                  l.fuseA === null ? '–' : `${round3(l.fuseA)} A`,
                  l.standingA > 0 ? show(l.standingA, 'A', design.boat) : '–',
                ],
              }))}
            />
            {post.bypasses === null ? null : (
              <p className={`mt-1 text-[12px] ${post.bypasses.length > 0 ? 'font-semibold text-lead' : 'text-quiet'}`}>
                {post.bypasses.length > 0 ? `Round the shunt: ${post.bypasses.join(', ')}.` : 'Nothing goes round the shunt.'}
              </p>
            )}
          </div>
        ))}
      </div>
      <Bolted />
    </section>
  );
}

/** Bolted fuses on their studs: what lies on what. Breakers and plugged fuses have terminals of their own. */
function Bolted() {
  const design = useDesign();
  const { circuits, leads } = useAnalysis();
  const { ruleSet } = design.boat;
  const named = [
    ...circuits.map((r) => ({
      id: r.id,
      kind: 'circuit' as const,
      name: `${r.no} ${r.name}`.trim(),
      protection: r.own.protection,
      size: r.own.state.candidate,
    })),
    ...leads.flatMap(({ id, device, conductor }) =>
      device
        ? [{ id, kind: 'lead' as const, name: rowOf(design.leads, id)?.name ?? '', protection: device.own.protection, size: conductor }]
        : [],
    ),
  ];
  const rows = named.flatMap(({ id, kind, name, protection, size }) => {
    const family = findFamily(protection.familyId);
    const stud = STUDS.find((s) => s.metric === family?.terminal.metric);
    if (!stud || family?.kind !== 'fuse' || protection.missing) return [];
    const fuse = `${round3(protection.ratingA)} A ${protection.familyName}`;
    const above = `, ${endName(stud.metric, size.school, size.size)} face to face with it, flat washer, spring washer, nut`;
    const stack = (
      <>
        <Worked at={{ kind, id }} of={name}>
          {fuse}
        </Worked>
        {above}
      </>
    );
    return [{ id, cells: [name, studName(ruleSet, stud.metric), stack, show(stud.torqueNm, 'Nm', design.boat)] }];
  });
  if (rows.length === 0) return null;
  return (
    <>
      <h2 className="mt-6 font-semibold">Bolted fuses, lowest first</h2>
      <Plain
        label="Bolted fuses"
        columns={[{ title: 'conductor' }, { title: 'stud', right: true }, { title: 'stacked' }, { title: 'torque', right: true }]}
        rows={rows}
      />
      <p className="mt-1 text-[12px] text-quiet">
        The fuse&apos;s sheet rules for the order and the torque; nothing of steel between faces that carry current.
      </p>
    </>
  );
}

/** The stud in section: each palm to the scale of its copper, washers and the nut on top. */
function Stack({ landings }: { landings: readonly Landing[] }) {
  const [w, row] = [330, 15];
  const shown = landings.slice(0, 8);
  const height = 26 + shown.length * row;
  const largest = Math.max(...shown.map((l) => l.areaMm2));
  return (
    <svg viewBox={`0 0 ${w} ${height}`} className="mb-1 w-full max-w-[330px]" aria-hidden>
      <rect x={51} y={0} width={10} height={height} className="fill-line" />
      <rect x={41} y={2} width={30} height={8} className="fill-sheet stroke-ink" strokeWidth={1} />
      <rect x={36} y={10} width={40} height={3} className="fill-quiet" />
      {shown.map((l, i) => {
        const thick = 4 + 7 * Math.sqrt(l.areaMm2 / largest);
        const y = 14 + (shown.length - 1 - i) * row + (row - thick) / 2;
        return (
          <g key={`${l.id}-${i}`}>
            <rect x={30} y={y} width={70} height={thick} className="fill-copper" />
            <text x={106} y={y + thick / 2 + 3.5} className="fill-ink text-[10.5px]">
              {sizeName(l.school, l.size)} {l.name.length > 36 ? `${l.name.slice(0, 35)}…` : l.name}
            </text>
          </g>
        );
      })}
      <rect x={20} y={height - 11} width={72} height={11} className="fill-ink" />
    </svg>
  );
}
