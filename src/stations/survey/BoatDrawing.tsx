'use client';
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { type Design, type Load, type Place, type Point, rowOf } from '@/core/design';
import { show } from '@/core/quantity';
import { aboardAt, AboardSigns, SIGN_HEIGHT } from './Aboard';
import { planLabels } from '@/ui/hull/labels';
import { planOutline, profileOutline } from '@/ui/hull/hull';

export interface Thing {
  readonly kind: 'place' | 'load';
  readonly id: string;
}

interface Props {
  readonly design: Design;
  readonly selected: Thing | null;
  readonly onSelect: (thing: Thing) => void;
  /** While it is dragged (done false), and when it is let go. */
  readonly onMove: (thing: Thing, at: Point, done: boolean) => void;
  /** What lies under the places: the runs, given how a view places a point. */
  readonly under?: (view: 'plan' | 'profile', to: (p: Point) => readonly [number, number]) => ReactNode;
}

const WIDTH = 800;
const EDGE = 16;
const TOP_M = 3.1;

const clampTo = (x: number, low: number, high: number): number => Math.round(Math.min(high, Math.max(low, x)) * 100) / 100;

/** The boat in plan and profile with her places on it. Drag a place, or move it with the arrows: across in plan, up and down in profile. */
export function BoatDrawing({ design, selected, onSelect, onMove, under }: Props) {
  const { boat, places, loads } = design;
  const scale = Math.min((WIDTH - 2 * EDGE) / boat.lengthM, 540 / (boat.beamM + boat.draftM + TOP_M + 1.2));
  const planMid = EDGE + (boat.beamM / 2) * scale + 14;
  const waterline = planMid + (boat.beamM / 2) * scale + 22 + TOP_M * scale;
  const height = waterline + boat.draftM * scale + 20;
  const px = (x: number) => EDGE + x * scale;
  const yPlan = (y: number) => planMid - y * scale;
  const zProfile = (z: number) => waterline - Math.min(z, TOP_M) * scale;
  const path = (points: readonly (readonly [number, number])[], y: (v: number) => number) =>
    `M${points.map(([a, b]) => `${px(a).toFixed(1)},${y(b).toFixed(1)}`).join('L')}Z`;

  const drag = useRef<{ thing: Thing; view: 'plan' | 'profile'; from: Point; startX: number; startY: number; moved: boolean } | null>(null);
  const [dragging, setDragging] = useState(false);
  const pointFor = (e: PointerEvent): Point => {
    const d = drag.current;
    if (!d) return { x: 0, y: 0, z: 0 };
    const across = (e.clientX - d.startX) / scale;
    const along = (d.startY - e.clientY) / scale;
    return {
      x: clampTo(d.from.x + across, -1, boat.lengthM + 1),
      y: d.view === 'plan' ? clampTo(d.from.y + along, -boat.beamM / 2, boat.beamM / 2) : d.from.y,
      z: d.view === 'profile' ? clampTo(d.from.z + along, -boat.draftM, 40) : d.from.z,
    };
  };
  const grip = (thing: Thing, at: Point, view: 'plan' | 'profile', name: string) => ({
    role: 'button',
    tabIndex: 0,
    'aria-label': `${name}, ${view}: ${show(at.x, 'm', boat)} from the transom, ${view === 'plan' ? `${show(Math.abs(at.y), 'm', boat)} ${at.y >= 0 ? 'to port' : 'to starboard'}` : `${show(at.z, 'm', boat)} above the waterline`}`,
    'data-thing': `${view}-${thing.id}`,
    onPointerDown: (e: PointerEvent<SVGGElement>) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      drag.current = { thing, view, from: at, startX: e.clientX, startY: e.clientY, moved: false };
      onSelect(thing);
    },
    onPointerMove: (e: PointerEvent) => {
      const d = drag.current;
      if (d?.thing.id !== thing.id) return;
      if (!d.moved && Math.hypot(e.clientX - d.startX, e.clientY - d.startY) < 3) return;
      d.moved = true;
      setDragging(true);
      onMove(thing, pointFor(e), false);
    },
    onPointerUp: (e: PointerEvent) => {
      const d = drag.current;
      const to = pointFor(e);
      drag.current = null;
      setDragging(false);
      if (d?.moved) onMove(thing, to, true);
    },
    onPointerCancel: () => {
      const d = drag.current;
      drag.current = null;
      setDragging(false);
      if (d?.moved) onMove(thing, d.from, true);
    },
    onFocus: () => onSelect(thing),
    onKeyDown: (e: KeyboardEvent) => {
      const step = e.shiftKey ? 1 : 0.1;
      const by: Record<string, readonly [number, number]> = {
        ArrowLeft: [-step, 0],
        ArrowRight: [step, 0],
        ArrowUp: [0, step],
        ArrowDown: [0, -step],
      };
      const move = by[e.key];
      if (!move || e.ctrlKey || e.metaKey) return;
      e.preventDefault();
      onMove(
        thing,
        {
          x: clampTo(at.x + move[0], -1, boat.lengthM + 1),
          y: view === 'plan' ? clampTo(at.y + move[1], -boat.beamM / 2, boat.beamM / 2) : at.y,
          z: view === 'profile' ? clampTo(at.z + move[1], -boat.draftM, 40) : at.z,
        },
        true,
      );
    },
    className: 'cursor-move outline-offset-4',
    style: { touchAction: 'none' as const },
  });

  const aboard = aboardAt(design);
  const labels = planLabels(places, (p) => ({ x: px(p.at.x), y: yPlan(p.at.y), below: aboard.has(p.id) ? SIGN_HEIGHT : 0 }));
  /** What stands above the drawing is stacked at its top, the highest first. */
  const aloft = places.filter((p) => p.at.z > TOP_M).sort((a, b) => b.at.z - a.at.z);
  const yProfile = (p: Place) => zProfile(p.at.z) + 22 * Math.max(0, aloft.indexOf(p));
  const placeMark = (p: Place, view: 'plan' | 'profile') => {
    const here = selected?.kind === 'place' && selected.id === p.id;
    const y = view === 'plan' ? yPlan(p.at.y) : yProfile(p);
    const high = view === 'profile' && p.at.z > TOP_M;
    const colour = here ? 'var(--verdigris)' : p.engineSpace ? 'var(--copper)' : 'var(--ink)';
    const name = high ? `${p.name} ↑ ${show(p.at.z, 'm', boat)}` : p.name;
    const stands = aboard.get(p.id) ?? [];
    return (
      <g
        key={p.id}
        {...grip(
          { kind: 'place', id: p.id },
          p.at,
          view,
          `${name}${stands.length > 0 ? ` with ${stands.map((t) => t.name).join(', ')}` : ''}`,
        )}
      >
        <circle cx={px(p.at.x)} cy={y} r={11} fill="transparent" />
        <path d={`M${px(p.at.x) - 5},${y}h10M${px(p.at.x)},${y - 5}v10`} stroke={colour} strokeWidth={here ? 2.6 : 1.5} />
        {p.wet ? <circle cx={px(p.at.x)} cy={y} r={6.5} fill="none" stroke={colour} strokeDasharray="2 2" /> : null}
        {here || view === 'plan' || high ? (
          <text
            x={px(p.at.x) + (view === 'plan' ? (labels.get(p.id)?.dx ?? 8) : 8)}
            y={y + (view === 'plan' ? (labels.get(p.id)?.dy ?? -5) : -5)}
            fill={colour}
            stroke="var(--sheet)"
            strokeWidth={3}
            paintOrder="stroke"
            className={`text-[11px] select-none ${here ? 'font-bold' : ''}`}
          >
            {name}
          </text>
        ) : null}
        <AboardSigns things={stands} x={px(p.at.x)} y={y} />
      </g>
    );
  };

  const shownPlace = selected?.kind === 'place' ? selected.id : (rowOf(loads, selected?.id)?.placeId ?? null);
  const near = loads.filter((l) => l.at !== null || (shownPlace !== null && l.placeId === shownPlace));
  const loadAt = (l: Load, i: number): Point => {
    if (l.at) return l.at;
    const place = rowOf(places, l.placeId);
    const angle = (i / Math.max(1, near.length)) * 2 * Math.PI;
    const base = place?.at ?? { x: boat.lengthM / 2, y: 0, z: 0.5 };
    return {
      x: base.x + (18 / scale) * Math.cos(angle),
      y: base.y + (18 / scale) * Math.sin(angle),
      z: base.z + (18 / scale) * Math.sin(angle),
    };
  };
  const loadMark = (l: Load, i: number, view: 'plan' | 'profile') => {
    const here = selected?.kind === 'load' && selected.id === l.id;
    const at = loadAt(l, i);
    const y = view === 'plan' ? yPlan(at.y) : zProfile(at.z);
    return (
      <g key={l.id} {...grip({ kind: 'load', id: l.id }, at, view, l.name)}>
        <title>{l.name}</title>
        <circle cx={px(at.x)} cy={y} r={7} fill="transparent" />
        <rect
          x={px(at.x) - 3}
          y={y - 3}
          width={6}
          height={6}
          fill={here ? 'var(--verdigris)' : 'var(--sheet)'}
          stroke={here ? 'var(--verdigris)' : 'var(--quiet)'}
          transform={`rotate(45 ${px(at.x)} ${y})`}
        />
        {here ? (
          <text
            x={px(at.x) + 7}
            y={y + 11}
            fill="var(--verdigris)"
            stroke="var(--sheet)"
            strokeWidth={3}
            paintOrder="stroke"
            className="text-[11px] font-bold select-none"
          >
            {l.name}
          </text>
        ) : null}
      </g>
    );
  };

  return (
    <svg
      role="group"
      aria-label={`${boat.name} in plan and profile`}
      width={px(boat.lengthM) + EDGE + 30}
      height={height}
      className={`block select-none ${dragging ? 'cursor-move' : ''}`}
    >
      <text x={EDGE} y={12} className="fill-faint text-[11px]">
        plan, port up; bow to the right
      </text>
      <path d={path(planOutline(boat), yPlan)} fill="none" stroke="var(--ink)" strokeWidth={1.4} />
      <line x1={px(0)} x2={px(boat.lengthM)} y1={yPlan(0)} y2={yPlan(0)} stroke="var(--line)" strokeDasharray="10 3 2 3" />
      {under?.('plan', (p) => [px(p.x), yPlan(p.y)])}
      {near.map((l, i) => loadMark(l, i, 'plan'))}
      {places.map((p) => placeMark(p, 'plan'))}
      <text x={EDGE} y={waterline - TOP_M * scale + 2} className="fill-faint text-[11px]">
        profile
      </text>
      <path d={path(profileOutline(boat), zProfile)} fill="none" stroke="var(--ink)" strokeWidth={1.4} />
      <line x1={2} x2={px(boat.lengthM) + 24} y1={waterline} y2={waterline} stroke="var(--verdigris)" strokeWidth={0.8} />
      {under?.('profile', (p) => [px(p.x), zProfile(p.z)])}
      {near.map((l, i) => loadMark(l, i, 'profile'))}
      {places.map((p) => placeMark(p, 'profile'))}
    </svg>
  );
}
