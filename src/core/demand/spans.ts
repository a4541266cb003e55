/** Stretches of a day. */
import type { Living, Span } from '../design';

/** Hours of a span that are counted: what ends before it begins counts nothing. */
export const spanH = (s: Span): number => Math.max(0, s.toH - s.fromH);
export const spansOf = (living: Living, what: Span['what']): readonly Span[] => living.day.filter((s) => s.what === what && spanH(s) > 0);

/** Part of the step from h to h + stepH that lies within the span. */
export const cover = (s: Span, h: number, stepH: number): number => Math.max(0, Math.min(s.toH, h + stepH) - Math.max(s.fromH, h)) / stepH;
