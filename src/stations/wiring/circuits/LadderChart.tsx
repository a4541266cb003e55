'use client';
import type { Ladder } from '@/core';
import { choiceName, sizeName } from '@/core/quantity';
import { CONDUCTORS } from '@/core/rules';
import { CRITERION_WORDS } from './words';

const LEFT = 116;
const STEP = 33;
const TOP = 62;
const ROW = 22;

/** The worst study of what the circuit serves: what it asks of this run alone. */
export interface Studied {
  /** null: no size in the table does, all else as it is. */
  readonly wants: string | null;
  readonly said: string;
  /** Pins a size. */
  readonly take: (size: string) => void;
}

/** Every test as the smallest conductor that passes it, on one axis of conductors drawn to scale. */
export function LadderChart({ ladder, other, studied }: { ladder: Ladder; other: string; studied: Studied | null }) {
  const sizes = CONDUCTORS[ladder.school];
  const rungs = ladder.rungs;
  const x = (i: number) => LEFT + 18 + i * STEP;
  const indexOf = (size: string) => sizes.findIndex((c) => c.size === size);
  const width = x(sizes.length) + 34;
  const height = TOP + (rungs.length + (studied ? 1 : 0)) * ROW + 24;
  const studyY = TOP + 12 + rungs.length * ROW;
  const studyAt = studied?.wants == null ? sizes.length : indexOf(studied.wants);
  const chosenAt = ladder.chosen.school === ladder.school ? indexOf(ladder.chosen.size) : -1;
  const asksMore = studied !== null && chosenAt >= 0 && studyAt > chosenAt;
  const studyTone = asksMore ? 'var(--lead)' : 'var(--ink)';
  const largest = sizes[sizes.length - 1]?.areaMm2 ?? 1;
  const tone = ladder.pinned || ladder.kept ? 'var(--copper)' : 'var(--verdigris)';
  const rules = (governs: boolean) => governs && !asksMore;
  const told = rungs
    .map(
      (r) =>
        `${CRITERION_WORDS[r.id].long}: ${!r.applies ? 'not asked' : r.smallest ? sizeName(ladder.school, r.smallest) : 'no size passes'}${rules(r.governs) ? ', governs' : ''}`,
    )
    .join('; ');
  return (
    <figure className="overflow-x-auto" tabIndex={0} aria-label="Ladder of tests">
      <svg
        role="img"
        aria-label={`Ladder. ${told}${studied ? `; worst study: ${studied.wants ? sizeName(ladder.school, studied.wants) : 'none alone'}${asksMore ? ', governs' : ''}` : ''}. Chosen ${choiceName(ladder.chosen)}.`}
        width={width}
        height={height}
        className="block"
      >
        <text x={0} y={TOP - 12} className="fill-faint text-[11px]">
          {ladder.school === 'awg' ? 'AWG' : 'mm²'}, copper to scale
        </text>
        {sizes.map((c, i) => {
          const r = Math.max(1.1, 15 * Math.sqrt(c.areaMm2 / largest));
          return (
            <g key={c.size}>
              <line x1={x(i)} x2={x(i)} y1={TOP} y2={height - 22} stroke="var(--line)" />
              <circle
                cx={x(i)}
                cy={TOP - 42 + 15 - r}
                r={r}
                fill={i === chosenAt ? tone : 'none'}
                stroke={i === chosenAt ? tone : 'var(--quiet)'}
              />
              <text
                x={x(i)}
                y={TOP - 12}
                textAnchor="middle"
                className={`reading text-[11px] ${i === chosenAt ? 'font-bold' : ''}`}
                fill={i === chosenAt ? tone : 'var(--quiet)'}
              >
                {c.size}
              </text>
            </g>
          );
        })}
        {rungs.map((rung, row) => {
          const y = TOP + 12 + row * ROW;
          const at = rung.smallest === null ? sizes.length : indexOf(rung.smallest);
          const colour = !rung.applies ? 'var(--line)' : !rung.chosenPasses && !rung.advisory ? 'var(--lead)' : 'var(--ink)';
          return (
            <g key={rung.id}>
              <title>{CRITERION_WORDS[rung.id].why}</title>
              <text
                x={0}
                y={y + 4}
                fill={rung.applies ? colour : 'var(--faint)'}
                className={`text-[12px] ${rules(rung.governs) ? 'font-bold' : ''}`}
              >
                {CRITERION_WORDS[rung.id].long}
              </text>
              {rung.applies ? (
                <>
                  <line
                    x1={LEFT}
                    x2={x(at)}
                    y1={y}
                    y2={y}
                    stroke={colour}
                    strokeWidth={rules(rung.governs) ? 4 : 1.4}
                    strokeDasharray={rung.advisory ? '3 3' : undefined}
                    opacity={rules(rung.governs) ? 1 : 0.65}
                  />
                  <line x1={x(at)} x2={x(at)} y1={y - 6} y2={y + 6} stroke={colour} strokeWidth={2} />
                  {rules(rung.governs) || rung.smallest === null || rung.advisory ? (
                    <text
                      x={x(at) + 6}
                      y={y + 4}
                      fill={colour}
                      className="text-[11.5px] font-semibold"
                      stroke="var(--sheet)"
                      strokeWidth={3}
                      paintOrder="stroke"
                    >
                      {rung.smallest === null ? 'none passes' : rung.advisory ? 'advice' : 'governs'}
                    </text>
                  ) : null}
                </>
              ) : (
                <text x={LEFT + 4} y={y + 4} fill="var(--faint)" className="text-[11.5px]">
                  not asked
                </text>
              )}
            </g>
          );
        })}
        {studied ? (
          <g data-testid="study-rung">
            <title>{studied.said}</title>
            <text x={0} y={studyY + 4} className={`text-[12px] ${asksMore ? 'font-bold' : ''}`} fill={studyTone}>
              worst study
            </text>
            <line
              x1={LEFT}
              x2={x(studyAt)}
              y1={studyY}
              y2={studyY}
              stroke={studyTone}
              strokeWidth={asksMore ? 4 : 1.4}
              opacity={asksMore ? 1 : 0.65}
            />
            <line x1={x(studyAt)} x2={x(studyAt)} y1={studyY - 6} y2={studyY + 6} stroke={studyTone} strokeWidth={2} />
            {asksMore ? (
              <text
                x={x(studyAt) + 6}
                y={studyY + 4}
                fill={studyTone}
                className="text-[11.5px] font-semibold"
                stroke="var(--sheet)"
                strokeWidth={3}
                paintOrder="stroke"
              >
                {studied.wants === null ? 'none alone' : 'governs'}
              </text>
            ) : null}
          </g>
        ) : null}
        {chosenAt >= 0 ? (
          <>
            <line x1={x(chosenAt)} x2={x(chosenAt)} y1={TOP - 4} y2={height - 18} stroke={tone} strokeWidth={1.6} strokeDasharray="6 4" />
            <text x={x(chosenAt)} y={height - 4} textAnchor="middle" fill={tone} className="text-[11.5px] font-semibold">
              {ladder.kept ? 'as found' : ladder.pinned ? 'pinned' : ladder.together ? 'chosen together' : 'chosen'}
              {ladder.chosen.legs > 1 ? ` ${ladder.chosen.legs} ×` : ''}
            </text>
          </>
        ) : null}
      </svg>
      <figcaption className="text-[12px] text-quiet">
        {other} {studied?.said}
        {studied?.wants && asksMore ? (
          <>
            {' '}
            <button type="button" className="plain" onClick={() => studied.take(studied.wants ?? '')}>
              pin {sizeName(ladder.school, studied.wants)}
            </button>
          </>
        ) : null}
      </figcaption>
    </figure>
  );
}
