/** What a drawing is put together with: things once by their id, lines with their defaults, the worst found about each. */
import type { Analysis } from '../analysis';
import type { Circuit, Design, Finding, Severity } from '../design';
import type { CircuitResult } from '../circuit';
import { findFamily } from '../rules';
import type { About, Drawing, DrawingWish, Drawn, InlineSymbol, Line, SymbolKind } from './types';

export interface Pen {
  readonly design: Design;
  readonly analysis: Analysis;
  readonly wish: DrawingWish;
  /** Puts a thing down, the first time it is asked for. */
  readonly put: (id: string, symbol: SymbolKind, label: string, under: string, about: About, more?: Partial<Drawn>) => void;
  /** A positive line without symbols or words, but for what is said otherwise. */
  readonly draw: (id: string, from: string, to: string, about: About, more: Partial<Line>) => void;
  readonly worstOf: (about: About) => Severity | null;
  /** All there is, without lines that end on nothing. */
  readonly drawing: () => Drawing;
}

const RANK: Readonly<Record<Severity, number>> = { stop: 0, fix: 1, note: 2 };
const keyOf = ({ kind, id }: { readonly kind: string; readonly id: string }): string => `${kind} ${id}`;

/** The worst of what is found about each thing; what somebody accepts does not count. */
function worstByThing(findings: readonly Finding[]): ReadonlyMap<string, Severity> {
  const worst = new Map<string, Severity>();
  for (const f of findings) {
    const known = worst.get(keyOf(f.about));
    if (!f.accepted && (known === undefined || RANK[f.severity] < RANK[known])) worst.set(keyOf(f.about), f.severity);
  }
  return worst;
}

export function penFor(design: Design, analysis: Analysis, wish: DrawingWish): Pen {
  const worst = worstByThing(analysis.findings);
  const worstOf = (about: About) => worst.get(keyOf(about)) ?? null;
  const things = new Map<string, Drawn>();
  const lines: Line[] = [];
  return {
    design,
    analysis,
    wish,
    worstOf,
    put(id, symbol, label, under, about, more = {}) {
      const plain = { id, symbol, label, under, about, worst: worstOf(about), taps: [], folded: false, ways: 0, sign: null };
      if (!things.has(id)) things.set(id, { ...plain, ...more });
    },
    draw(id, from, to, about, more) {
      lines.push({ id, from, to, rail: 'positive', symbols: [], no: '', over: '', below: '', about, worst: null, ...more });
    },
    drawing: () => ({ things: [...things.values()], lines: lines.filter((l) => things.has(l.from) && things.has(l.to)) }),
  };
}

/** Words with commas between, without those that say nothing. */
export const said = (...parts: readonly string[]): string => parts.filter(Boolean).join(', ');

const INLINE: Readonly<Record<Circuit['devices'][number]['kind'], InlineSymbol>> = {
  switch: 'switch',
  'lit switch': 'switch',
  'momentary switch': 'switch',
  'changeover switch': 'switch',
  'battery switch': 'switch',
  'float switch': 'switch',
  isolator: 'switch',
  plug: 'plug',
  relay: 'relay',
  'hold-in contact': 'relay',
  interlock: 'switch',
  'stop button': 'switch',
  diode: 'diode',
  shunt: 'shunt',
};

/** A conductor's own device, where it has one, and what stands in line after it. */
export function symbolsOf(device: CircuitResult | null, devices: Circuit['devices']): InlineSymbol[] {
  const protection = device?.own.protection;
  const own =
    !protection || protection.missing ? [] : ([findFamily(protection.familyId)?.kind === 'breaker' ? 'breaker' : 'fuse'] as const);
  return [...own, ...devices.map((d) => INLINE[d.kind])];
}
