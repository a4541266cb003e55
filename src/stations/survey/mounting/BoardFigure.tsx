'use client';
import { boardOf, type Mounted } from '@/core/mounting';
import type { Face } from '@/core/design';
import { small } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';

/** A face in its proportions with what goes on it, each with its air: a dry fitting before a hole is drilled. */
export function BoardFigure({ face, things }: { face: Face; things: readonly Mounted[] }) {
  const { boat } = useDesign();
  const board = boardOf(face, things);
  const pad = 8;
  const text = Math.max(face.widthMm, face.heightMm) / 34;
  return (
    <figure className="mt-2">
      <svg
        role="img"
        aria-label={`${face.name}, ${small(face.widthMm, boat)} by ${small(face.heightMm, boat)}, with ${board.placed.length} on it`}
        viewBox={`${-pad} ${-pad} ${face.widthMm + 2 * pad} ${face.heightMm + 2 * pad}`}
        className="max-h-[220px] w-full"
        preserveAspectRatio="xMinYMin meet"
      >
        <rect width={face.widthMm} height={face.heightMm} fill="none" stroke="var(--color-ink)" strokeWidth={text / 6} />
        {board.placed.map(({ thing, x, y, width, height }) => {
          const top = face.heightMm - y - height;
          const { sidesMm, aboveMm, belowMm } = thing.body;
          return (
            <g key={`${thing.kind}${thing.id}`}>
              <rect
                x={x - sidesMm}
                y={top - aboveMm}
                width={width + 2 * sidesMm}
                height={height + aboveMm + belowMm}
                fill="none"
                stroke="var(--color-line)"
                strokeDasharray={`${text / 2} ${text / 2}`}
                strokeWidth={text / 8}
              />
              <rect x={x} y={top} width={width} height={height} fill="var(--color-wash)" stroke="var(--color-ink)" strokeWidth={text / 8} />
              <text x={x + text / 2} y={top + 1.3 * text} fontSize={text} fill="var(--color-ink)">
                {thing.name.slice(0, Math.max(4, Math.floor(width / (text * 0.55))))}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-[12px] text-quiet">
        {face.name}: bodies drawn solid, the air they ask for dashed.{' '}
        {board.over.length > 0 ? `No room for ${board.over.map((t) => t.name).join(', ')}.` : ''}
      </figcaption>
    </figure>
  );
}
