/** The earth from an inlet through its galvanic isolator to the AC earth bar, or from a transformer's secondary to it (docs/methods.md, M12). */
import { pathM, placePoint } from '../topology';
import { type Conductor, CONDUCTORS, findConductor, leastBehindBreaker, leastEarth, underSchool } from '../rules';
import { type AcSource, rowOf } from '../design';
import type { AcParts } from './parts';

export interface EarthRun {
  readonly isolation: 'galvanic isolator' | 'isolation transformer';
  /** Inlet to isolator and on to the bar's panel; from the transformer on where it is one, m. */
  readonly lengthM: number;
  readonly taped: boolean;
  readonly conductor: Conductor;
  readonly least: Conductor;
}

/** Where the AC earth bar is: with the first panel the inlet feeds. */
function barPlace(design: AcParts, source: AcSource): string | null {
  const main = design.acCircuits.find((c) => c.from.kind === 'source' && c.from.id === source.id && c.to?.kind === 'panel');
  return rowOf(design.acPanels, main?.to?.id)?.placeId ?? design.bars.find((b) => b.kind === 'AC earth bar')?.placeId ?? null;
}

/** null: the inlet has neither, or nothing of it is entered. */
export function earthRun(design: AcParts, source: AcSource): EarthRun | null {
  const { shore } = source;
  if (!shore || shore.isolation === 'none' || !shore.isolator) return null;
  const school = design.boat.ruleSet;
  const { placeId, earthM, earthSize } = shore.isolator;
  const { slackM } = design.house;
  const at = placePoint(design, placeId);
  const on = pathM(at, placePoint(design, barPlace(design, source)), slackM);
  const from = pathM(placePoint(design, source.placeId), at, slackM);
  const live = findConductor(school, leastBehindBreaker(school, source.ratedA) ?? '') ?? (CONDUCTORS[school].at(-1) as Conductor);
  const least = leastEarth(live, source.ratedA);
  const entered = earthSize && findConductor(earthSize.school, earthSize.size);
  return {
    isolation: shore.isolation,
    lengthM: earthM ?? (shore.isolation === 'galvanic isolator' ? from + on : on),
    taped: earthM !== null,
    conductor: entered ? underSchool(entered, school) : least,
    least,
  };
}
