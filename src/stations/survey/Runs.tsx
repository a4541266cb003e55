import type { Finding } from '@/core';
import type { Circuit, Design, Point } from '@/core/design';
import { runOf } from '@/core/topology';

export type RunsShown = 'none' | 'to be settled' | 'all';

/** The worst open finding on each circuit. */
export function worstByCircuit(findings: readonly Finding[]): ReadonlyMap<string, Finding> {
  const worst = new Map<string, Finding>();
  // Findings come worst first.
  for (const f of findings) if (f.about.kind === 'circuit' && !f.accepted && !worst.has(f.about.id)) worst.set(f.about.id, f);
  return worst;
}

interface RunsProps {
  readonly design: Design;
  readonly shown: RunsShown;
  readonly chosenId: string | null;
  readonly worst: ReadonlyMap<string, Finding>;
  readonly onChoose: (circuit: Circuit) => void;
  /** From metres to the view: plan takes y, profile takes z. */
  readonly to: (p: Point) => readonly [x: number, y: number];
  readonly view: 'plan' | 'profile';
}

/** Circuits along their ways, coloured and labelled by the worst that is found on them. */
export function Runs({ design, shown, chosenId, worst, onChoose, to, view }: RunsProps) {
  const drawn = design.circuits.filter((c) => {
    const severity = worst.get(c.id)?.severity;
    return c.id === chosenId || shown === 'all' || (shown === 'to be settled' && (severity === 'stop' || severity === 'fix'));
  });
  // What is chosen lies on top.
  drawn.sort((a, b) => Number(a.id === chosenId) - Number(b.id === chosenId));
  // Several that end at one place are named under each other.
  const named = new Map<string, number>();
  return drawn.map((c) => {
    const found = worst.get(c.id);
    const chosen = c.id === chosenId;
    const settle = found !== undefined && found.severity !== 'note';
    const colour = settle ? 'var(--lead)' : chosen ? 'var(--verdigris)' : found ? 'var(--copper)' : 'var(--faint)';
    const segments = runOf(design, c).map((points) => points.map(to));
    const last = segments[segments.length - 1];
    const end = last?.[last.length - 1];
    const spot = end ? `${Math.round(end[0] / 20)},${Math.round(end[1] / 20)}` : '';
    const nth = named.get(spot) ?? 0;
    if (chosen || settle) named.set(spot, nth + 1);
    return (
      <g
        key={c.id}
        data-run={`${view}-${c.id}`}
        className="cursor-pointer"
        role="button"
        aria-label={`run of ${c.no} ${c.name}, ${view}${found ? `, ${found.severity} ${c.no}: ${found.title}` : ''}`}
        onClick={() => onChoose(c)}
      >
        {segments.map((points, i) => {
          const d = `M${points.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join('L')}`;
          return (
            <g key={i}>
              <path d={d} fill="none" stroke="transparent" strokeWidth={8} />
              <path
                d={d}
                fill="none"
                stroke={colour}
                strokeWidth={chosen ? 2.6 : settle ? 1.8 : 1}
                strokeDasharray={found?.severity === 'note' ? '5 2' : undefined}
              />
            </g>
          );
        })}
        {end && (chosen || settle) ? (
          <text
            x={end[0] + 6}
            y={end[1] + (view === 'plan' ? 17 + 12 * nth : -8 - 12 * nth)}
            fill={colour}
            stroke="var(--sheet)"
            strokeWidth={3}
            paintOrder="stroke"
            className="text-[11px] font-semibold select-none"
          >
            {found && settle ? `${found.severity} ${c.no}` : `${c.no} ${c.name}`}
          </text>
        ) : null}
      </g>
    );
  });
}
