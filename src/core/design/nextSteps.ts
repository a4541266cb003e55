/** What to do next on a boat, in the order of the work: what an empty view tells. */
import type { Design } from './schema';

export interface NextStep {
  readonly station: 'survey' | 'loads' | 'bank' | 'charging' | 'ac' | 'wiring' | 'check' | 'build';
  readonly say: string;
}

type Parts = Pick<Design, 'loads' | 'banks' | 'sources' | 'circuits' | 'leads' | 'acLoads' | 'acSources' | 'studies'>;

const STEPS: readonly (readonly [NextStep['station'], string, done: (d: Parts) => boolean])[] = [
  ['bank', 'Enter a first bank: chemistry, ampere-hours, where it stands.', (d) => d.banks.length > 0],
  ['loads', 'Take what draws current from the list, and correct the figures from the plates.', (d) => d.loads.length > 0],
  ['charging', 'Add what charges: the alternator first, then shore, sun and wind.', (d) => d.sources.length > 0],
  ['wiring', 'Press “propose”: panels, feeders and circuits are made for the loads.', (d) => d.circuits.length > 0],
  ['wiring', 'On the main side let battery cables, bus bars and earths be proposed.', (d) => d.leads.length > 0],
  ['ac', 'Enter what is plugged in, and let the AC side be proposed.', (d) => d.acLoads.length + d.acSources.length > 0],
  ['wiring', 'Under studies let the hard starts be proposed: who pulls whom down.', (d) => d.studies.length > 0],
  [
    'wiring',
    'Tape the runs that are guessed, the heavy ones first.',
    (d) => d.circuits.every((c) => c.taps.every((t) => t.tapedM !== null)),
  ],
  ['check', 'Settle what Check tells, stops first.', () => false],
  ['build', 'Cut and crimp from the list.', () => false],
];

/** @returns the next steps that are not done yet, so many at most. */
export const nextSteps = (design: Parts, most: number): readonly NextStep[] =>
  STEPS.filter(([, , done]) => !done(design))
    .slice(0, most)
    .map(([station, say]) => ({ station, say }));
