'use client';
import { type PointerEvent, useSyncExternalStore } from 'react';
import type { Layout } from '@/core/drawing';
import type { View } from './useView';

const WIDE_PX = 190;
const TALL_PX = 150;

/** The whole drawing, small, with what is in sight framed: a press or a drag moves there. Nothing is written in it. */
export function Overview({ layout, view }: { layout: Layout; view: View }) {
  const sight = useSyncExternalStore(view.sight.subscribe, view.sight.get, () => null);
  const { width, height } = layout;
  if (!sight || (sight.width >= width && sight.height >= height)) return null;
  const scale = Math.min(WIDE_PX / width, TALL_PX / height);
  const go = (e: PointerEvent<SVGSVGElement>) => {
    if (e.type === 'pointermove' && e.buttons === 0) return;
    const at = e.currentTarget.getBoundingClientRect();
    view.reveal({ x: (e.clientX - at.left) / scale, y: (e.clientY - at.top) / scale, width: 0, height: 0 });
  };
  return (
    <svg
      role="img"
      aria-label="Overview: what is in sight is framed; press to move there"
      data-testid="overview"
      width={width * scale}
      height={height * scale}
      viewBox={`0 0 ${width} ${height}`}
      className="screen-only absolute right-3 bottom-3 cursor-move touch-none border border-line bg-film"
      onPointerDown={go}
      onPointerMove={go}
    >
      {layout.lines.map((l) => (
        <polyline
          key={l.id}
          points={l.points.map((p) => p.join(',')).join(' ')}
          fill="none"
          stroke="var(--faint)"
          strokeWidth={1 / scale / 1.4}
        />
      ))}
      {layout.things.map((t) => (
        <rect
          key={t.id}
          x={t.x}
          y={t.y}
          width={t.symbol === 'panel' || t.symbol === 'bar' || t.symbol === 'cell' ? t.width : Math.min(t.width, 20)}
          height={t.height}
          fill={t.worst === 'stop' || t.worst === 'fix' ? 'var(--lead)' : 'var(--quiet)'}
        />
      ))}
      <rect
        x={sight.x}
        y={sight.y}
        width={sight.width}
        height={sight.height}
        fill="var(--verdigris)"
        fillOpacity={0.12}
        stroke="var(--verdigris)"
        strokeWidth={1.4 / scale}
      />
    </svg>
  );
}
