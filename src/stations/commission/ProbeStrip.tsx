'use client';
import type { ProbesAt } from '@/core/commission';

const STEP = 26;
const OUT_Y = 13;
const BACK_Y = 36;
const LEFT = 18;

/** The path, out above and back below, with the two places the probes go to. */
export function ProbeStrip({ at: { parts, before, behind } }: { readonly at: ProbesAt }) {
  const out = parts.filter((p) => !p.back).length;
  const right = LEFT + STEP * Math.max(out, parts.length - out, 1);
  // The k-th part from its beginning to its end, going along.
  const along = parts.map(({ back }, k) =>
    back
      ? { y: BACK_Y, from: right - STEP * (k - out), to: right - STEP * (k - out + 1) }
      : { y: OUT_Y, from: LEFT + STEP * k, to: LEFT + STEP * (k + 1) },
  );
  const [first, last] = [along[before], along[behind]];
  const probes = [...(first ? [{ x: first.from, y: first.y }] : []), ...(last ? [{ x: last.to, y: last.y }] : [])];
  return (
    <svg
      width={right + 52}
      height={44}
      role="img"
      aria-label={`probes before ${parts[before]?.what ?? ''} and behind ${parts[behind]?.what ?? ''}`}
      className="my-1 block max-w-full"
    >
      <text x={4} y={OUT_Y + 4} className="fill-ink text-[12px]">
        +
      </text>
      <text x={4} y={BACK_Y + 4} className="fill-ink text-[12px]">
        −
      </text>
      <line x1={LEFT + STEP * out} x2={right} y1={OUT_Y} y2={OUT_Y} className="stroke-faint" strokeWidth={1.5} />
      <rect x={right} y={OUT_Y - 6} width={9} height={BACK_Y - OUT_Y + 12} className="fill-none stroke-ink" />
      <text x={right + 14} y={(OUT_Y + BACK_Y) / 2 + 4} className="fill-quiet text-[11px]">
        load
      </text>
      {along.map(({ y, from, to }, k) => (
        <g key={k}>
          <line
            x1={from}
            x2={to}
            y1={y}
            y2={y}
            className={k >= before && k <= behind ? 'stroke-verdigris' : 'stroke-faint'}
            strokeWidth={k >= before && k <= behind ? 4 : 1.5}
          >
            <title>{parts[k]?.what}</title>
          </line>
          <circle cx={from} cy={y} r={2} className="fill-ink" />
          <circle cx={to} cy={y} r={2} className="fill-ink" />
        </g>
      ))}
      {probes.map(({ x, y }, k) => (
        <path key={k} d={`M ${x} ${y - 1} l -4 -9 h 8 z`} className="fill-lead" />
      ))}
    </svg>
  );
}
