'use client';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Span } from '@/core/design';
import { showHour } from './hours';

export const CHART_LEFT = 62;
export const CHART_RIGHT = 14;

const ROWS = ['sun', 'wind', 'engine', 'generator', 'shore', 'selector'] as const;
const SNAP_H = 1 / 12;
const ROW_PX = 22;

export const levelText = (s: Span): string =>
  s.what === 'engine'
    ? `${s.level} rpm`
    : s.what === 'sun'
      ? `${s.level} sun h`
      : s.what === 'wind'
        ? `${s.level} m/s`
        : s.what === 'selector'
          ? (['off', 'first', 'second', 'both'][s.level] ?? '')
          : s.level > 0
            ? `${s.level} A AC`
            : '';

interface Props {
  readonly spans: readonly Span[];
  readonly width: number;
  /** A span as it is being drawn; done: let go. */
  readonly onMove: (span: Span, done: boolean) => void;
  readonly onPick: (id: string) => void;
  readonly picked: string | null;
}

/** The day as a strip: what runs when. Ends and middles are dragged, or moved by the arrows. */
export function Timeline({ spans, width, onMove, onPick, picked }: Props) {
  const drag = useRef<{ span: Span; end: 'from' | 'to' | 'whole'; x: number } | null>(null);
  const per = (width - CHART_LEFT - CHART_RIGHT) / 24;
  const at = (h: number) => CHART_LEFT + h * per;
  const rows = ROWS.filter((r) => spans.some((s) => s.what === r));
  const snap = (h: number) => Math.min(24, Math.max(0, Math.round(h / SNAP_H) * SNAP_H));
  const moved = (span: Span, end: 'from' | 'to' | 'whole', by: number): Span => {
    if (end === 'from') return { ...span, fromH: Math.min(snap(span.fromH + by), span.toH - SNAP_H) };
    if (end === 'to') return { ...span, toH: Math.max(snap(span.toH + by), span.fromH + SNAP_H) };
    const length = span.toH - span.fromH;
    const fromH = Math.min(24 - length, snap(span.fromH + by));
    return { ...span, fromH, toH: fromH + length };
  };
  const begin = (span: Span, end: 'from' | 'to' | 'whole') => (e: PointerEvent) => {
    e.preventDefault();
    e.stopPropagation();
    (e.currentTarget as Element).setPointerCapture(e.pointerId);
    (e.currentTarget as unknown as HTMLElement).focus();
    drag.current = { span, end, x: e.clientX };
    onPick(span.id);
  };
  const follow = (done: boolean) => (e: PointerEvent) => {
    const d = drag.current;
    if (!d) return;
    onMove(moved(d.span, d.end, (e.clientX - d.x) / per), done);
    if (done) drag.current = null;
  };
  const keys = (span: Span, end: 'from' | 'to' | 'whole') => (e: KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[e.key];
    if (by === undefined) return;
    e.preventDefault();
    e.stopPropagation();
    onPick(span.id);
    onMove(moved(span, end, by * (e.shiftKey ? 1 : SNAP_H)), true);
  };
  const handle = (span: Span, end: 'from' | 'to') => {
    const h = end === 'from' ? span.fromH : span.toH;
    return {
      role: 'slider' as const,
      tabIndex: 0,
      'aria-label': `${span.what} ${end}`,
      'aria-valuemin': 0,
      'aria-valuemax': 24,
      'aria-valuenow': h,
      'aria-valuetext': showHour(h),
      onPointerDown: begin(span, end),
      onPointerMove: follow(false),
      onPointerUp: follow(true),
      onKeyDown: keys(span, end),
    };
  };
  return (
    <svg width={width} height={rows.length * ROW_PX + 22} role="group" aria-label="The strip of the day" className="block select-none">
      {Array.from({ length: 9 }, (_, i) => i * 3).map((h) => (
        <g key={h}>
          <line x1={at(h)} x2={at(h)} y1={0} y2={rows.length * ROW_PX + 4} stroke="var(--line)" />
          <text x={at(h)} y={rows.length * ROW_PX + 17} fontSize={11} textAnchor="middle" fill="var(--quiet)">
            {h}:00
          </text>
        </g>
      ))}
      {rows.map((what, r) => (
        <g key={what}>
          <text x={CHART_LEFT - 8} y={r * ROW_PX + 15} fontSize={12} textAnchor="end" fill="var(--ink)">
            {what}
          </text>
          {spans
            .filter((s) => s.what === what)
            .map((s) => {
              const x = at(s.fromH);
              const w = Math.max(0, at(s.toH) - x);
              return (
                <g key={s.id}>
                  <rect
                    x={x}
                    y={r * ROW_PX + 3}
                    width={w}
                    height={ROW_PX - 6}
                    fill={picked === s.id ? 'var(--wash)' : 'var(--film)'}
                    stroke={picked === s.id ? 'var(--verdigris)' : 'var(--quiet)'}
                    style={{ cursor: 'grab', touchAction: 'none' }}
                    onPointerDown={begin(s, 'whole')}
                    onPointerMove={follow(false)}
                    onPointerUp={follow(true)}
                  />
                  {w > 60 ? (
                    <text x={x + 9} y={r * ROW_PX + 15} fontSize={11} fill="var(--ink)" pointerEvents="none">
                      {levelText(s)}
                    </text>
                  ) : null}
                  {(['from', 'to'] as const).map((end) => (
                    <rect
                      key={end}
                      {...handle(s, end)}
                      x={at(end === 'from' ? s.fromH : s.toH) - 3}
                      y={r * ROW_PX + 1}
                      width={6}
                      height={ROW_PX - 2}
                      fill="var(--verdigris)"
                      style={{ cursor: 'ew-resize', touchAction: 'none' }}
                    />
                  ))}
                </g>
              );
            })}
        </g>
      ))}
    </svg>
  );
}
