'use client';
import { bare, parseNumber } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { Entry } from '@/ui/field';

interface Point {
  readonly id: string;
  readonly x: number;
  readonly y: number;
}

/** A curve typed point by point. */
export function Points({
  points,
  names,
  highs,
  onChange,
}: {
  points: readonly Point[];
  names: readonly [string, string];
  highs: readonly [number, number];
  onChange: (points: readonly Point[]) => void;
}) {
  const design = useDesign();
  const field = (p: Point, key: 'x' | 'y', high: number, label: string) => (
    <Entry
      label={label}
      mono
      value={bare(p[key], 'none', design.boat)}
      parse={(t) => parseNumber(t, 'none', design.boat, 0, high)}
      onChange={(t) => {
        const parsed = parseNumber(t, 'none', design.boat, 0, high);
        if (parsed.ok) onChange(points.map((q) => (q.id === p.id ? { ...q, [key]: parsed.value } : q)));
      }}
    />
  );
  const next = () => {
    let n = points.length + 1;
    while (points.some((p) => p.id === `c${n}`)) n++;
    return `c${n}`;
  };
  return (
    <div className="mt-1 flex flex-wrap items-end gap-2">
      {points.map((p) => (
        <div key={p.id} className="w-[72px]">
          {field(p, 'x', highs[0], names[0])}
          {field(p, 'y', highs[1], names[1])}
          <button
            type="button"
            className="plain text-[11.5px]"
            aria-label={`Remove the point at ${p.x} ${names[0]}`}
            onClick={() => onChange(points.filter((q) => q.id !== p.id))}
          >
            remove
          </button>
        </div>
      ))}
      <button
        type="button"
        className="act"
        disabled={points.length >= 24}
        onClick={() => {
          const last = points[points.length - 1];
          onChange([...points, { id: next(), x: (last?.x ?? 0) + 500, y: last?.y ?? 0 }]);
        }}
      >
        add a point
      </button>
    </div>
  );
}
