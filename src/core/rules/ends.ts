/** Largest conductor an end takes. Typical, to be verified; the part's own sheet rules. */
import { type Conductor, findConductor, type School } from './conductors';

export interface EndRow {
  /** A stud by its metric name, or how else a conductor is held. */
  readonly id: string;
  readonly largest: Readonly<Record<School, string>>;
}

const end = (id: string, metric: string, awg: string): EndRow => ({ id, largest: { metric, awg } });

export const ENDS: readonly EndRow[] = [
  end('M3.5', '2.5', '14'),
  end('M4', '6', '10'),
  end('M5', '16', '6'),
  end('M6', '35', '2'),
  end('M8', '120', '4/0'),
  end('M10', '150', '4/0'),
  end('M12', '150', '4/0'),
  end('blade', '6', '10'),
  end('panel breaker', '10', '8'),
  end('clamp', '16', '6'),
  end('screw clamp', '16', '6'),
  end('splice', '6', '10'),
];

/** The largest conductor of the school that the end takes; null for an end that is not in the table. */
export function largestAtEnd(id: string, school: School): Conductor | null {
  const row = ENDS.find((e) => e.id === id);
  return (row && findConductor(school, row.largest[school])) ?? null;
}

/** By area, so that wire of the other school is told too. An end that is not in the table takes anything. */
export const endTakes = (id: string, school: School, areaMm2: number): boolean =>
  areaMm2 <= (largestAtEnd(id, school)?.areaMm2 ?? Infinity) * (1 + 1e-9);

/** Studs from the smallest on. */
const STUD_IDS = ['M4', 'M5', 'M6', 'M8', 'M10'] as const;

/** The first stud of these that takes the conductor: of a bar that has several kinds, and of a junction stud. */
export const studFor = (school: School, areaMm2: number, from: (typeof STUD_IDS)[number]): string =>
  STUD_IDS.slice(STUD_IDS.indexOf(from)).find((id) => endTakes(id, school, areaMm2)) ?? 'M10';
