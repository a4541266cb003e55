/** What a circuit's conductors land on, and whether it takes them (docs/methods.md, Ends). */
import type { Circuit, Load, Panel } from '../design';
import { type Conductor, endTakes, type Family, largestAtEnd, type School, studFor, terminalRow } from '../rules';
import { type Candidate, type StillTrial, heatAt } from './trial';

/** Screw of a panel's negative bar, the smallest of those it has. Typical. */
const BAR_SCREW = { metric: 'M4', awg: 'M5' } as const;

/** Its device's terminal: how the conductor is made up for it, and the row of the table of ends it is. */
export const deviceEnd = (family: Family | null | undefined, school: School): { readonly made: string; readonly row: string } =>
  family ? { made: family.terminal[school], row: terminalRow(family, school) } : { made: 'M8', row: 'M8' };

/** Where its negative starts: a bus's stud, a panel's negative bar by the first of its screws and studs that takes it, a battery's post. */
export const negativeEnd = (from: Panel | null | undefined, school: School, areaMm2: number): string =>
  !from ? 'M8' : from.kind === 'bus' ? from.stud : studFor(school, areaMm2, BAR_SCREW[school]);

/** How it lands at a tap: a panel's stud, what the load has, or a splice where the run goes on. */
export const tapEnd = (circuit: Circuit, at: number, load: Load | null | undefined, panel: Panel | null | undefined): string => {
  const tap = circuit.taps[at];
  return panel ? panel.stud : circuit.taps.some((t) => t.parent === tap?.id) ? 'splice' : (load?.connection ?? 'splice');
};

/** A splice, and a load's own lead, are made by a splice or on a junction stud, whatever the size. */
const anySize = (row: string): boolean => row === 'splice' || row === 'own lead';

export interface EndTooSmall {
  /** Its device, or what it serves. */
  readonly what: string;
  readonly takes: Conductor;
  /** A short tail of that size is good for, A; its device may let through more. */
  readonly tailA: number;
  readonly tailProtected: boolean;
}

/** Ends that do not take the conductor, each with the largest they do. */
export function endsTooSmall(b: StillTrial, { conductor }: Pick<Candidate, 'conductor'>): EndTooSmall[] {
  const { input, family, protection } = b;
  const { school } = input;
  const wanted = [
    ...(protection.missing ? [] : [{ what: `its ${protection.familyName}`, row: deviceEnd(family, school).row }]),
    ...(input.panel?.kind === 'bus' ? [{ what: `the stud of ${input.panel.name}`, row: input.panel.stud }] : []),
    ...input.taps.map((t, i) => ({ what: t.name, row: tapEnd(input.circuit, i, t.load, t.panel) })),
  ];
  return wanted.flatMap(({ what, row }): EndTooSmall[] => {
    const takes = largestAtEnd(row, school);
    if (anySize(row) || takes === null || endTakes(row, school, conductor.areaMm2)) return [];
    const tailA = heatAt(b, { conductor: takes, legs: 1 }).legIzA;
    return [{ what, takes, tailA, tailProtected: protection.ratingA <= tailA + 1e-9 }];
  });
}
