/** How far a boat is, in a few figures: what stands beside her name in the list of all boats. */
import type { Analysis } from './analysis';
import type { BoatState, Design } from '../design';

/** @returns counts; what somebody has accepted is not among the findings. Never throws. */
export function boatState(design: Design, { findings, loads }: Pick<Analysis, 'findings' | 'loads'>): BoatState {
  const open = findings.filter((f) => !f.accepted);
  const of = (severity: string) => open.filter((f) => f.severity === severity).length;
  const taps = design.circuits.flatMap((c) => c.taps);
  const [first] = design.photos;
  return {
    stops: of('stop'),
    fixes: of('fix'),
    notes: of('note'),
    loads: design.loads.length,
    wired: loads.filter((l) => l.circuitId !== null).length,
    runs: taps.length,
    taped: taps.filter((t) => t.tapedM !== null).length,
    photoId: first?.id ?? null,
    lengthM: design.boat.lengthM,
    beamM: design.boat.beamM,
    feet: design.boat.lengthUnit === 'ft',
  };
}
