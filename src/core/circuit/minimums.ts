/** Minimum sizes that come from outside the arithmetic: the maker's sheet and mechanical strength (docs/methods.md, M4.5 and M4.6). */
import type { WireRule } from '../design';
import { conductorOfArea, findConductor } from '../rules';
import type { CircuitInput } from './circuitInput';

export interface MakerMinimum {
  readonly areaMm2: number;
  readonly rule: WireRule;
  readonly tapName: string;
  /** The sheet ends before this length; the size was continued at equal drop. */
  readonly beyond: boolean;
}

/** What one maker's table asks for at a length: its first row that reaches; beyond the last, equal drop. null for an empty table. */
export function makerRule(rules: readonly WireRule[], lengthM: number): { rule: WireRule; areaMm2: number; beyond: boolean } | null {
  const rows = rules
    .map((rule) => ({ rule, areaMm2: findConductor(rule.school, rule.size)?.areaMm2 ?? 0 }))
    .filter((r) => r.areaMm2 > 0)
    .sort((a, b) => (a.rule.upToM ?? Infinity) - (b.rule.upToM ?? Infinity));
  const fits = rows.find((r) => r.rule.upToM === null || lengthM <= r.rule.upToM + 1e-9);
  if (fits) return { ...fits, beyond: false };
  const last = rows[rows.length - 1];
  if (!last || last.rule.upToM === null) return null;
  return { rule: last.rule, areaMm2: (last.areaMm2 * lengthM) / last.rule.upToM, beyond: true };
}

/** Length from the way to a tap along the run, m. */
export function runToTapM(input: Pick<CircuitInput, 'taps'>, tapIndex: number): number {
  let sum = 0;
  for (let i = tapIndex; i >= 0; i = input.taps[i]?.parent ?? -1) sum += input.taps[i]?.lengthM ?? 0;
  return sum;
}

/** The heaviest makers' minimum on the circuit, by copper area; null when no maker says. */
export function makerAreaMm2(input: Pick<CircuitInput, 'taps'>): MakerMinimum | null {
  let worst: MakerMinimum | null = null;
  input.taps.forEach((tap, i) => {
    if (!tap.load || tap.load.makerWire.length === 0) return;
    const asked = makerRule(tap.load.makerWire, runToTapM(input, i));
    if (asked && (!worst || asked.areaMm2 > worst.areaMm2)) worst = { ...asked, tapName: tap.name };
  });
  return worst;
}

/** The smallest size by strength: the school's own, and the house minimum for electronics where there is one. */
export function mechanicalSize(input: CircuitInput): string {
  const base = input.circuit.sheathed ? input.rules.mechanicalMin.sheathed : input.rules.mechanicalMin.single;
  const { minimumSize, school } = input;
  if (minimumSize === null) return base;
  const house = findConductor(minimumSize.school, minimumSize.size);
  const own = house && (house.school === school ? house : conductorOfArea(school, house.areaMm2));
  const strong = findConductor(school, base);
  return own && strong && own.areaMm2 > strong.areaMm2 ? own.size : base;
}
