/** Rules on how sure a choice is, given the spread of what it goes by (docs/methods.md, M15). */
import type { Odds, Unknown, WorkedCircuit } from '../../circuit';
import { type Rule, SOURCES, when } from '../rule';

export interface CircuitOdds {
  readonly worked: WorkedCircuit;
  readonly odds: Odds;
}
export interface OddsFacts {
  readonly odds: readonly CircuitOdds[];
}

/** Below this a note names what decides; for a critical load below the other a fix does. */
const SURE = 0.9;
const SURE_ENOUGH = 0.75;

const DECIDES: Readonly<Record<Unknown, string>> = {
  run: 'the length of its run',
  load: 'what its load draws',
  demand: 'what flows in it',
  device: 'what its own device loses',
  'in line': 'what its switches lose',
  before: 'what is lost before it',
  bank: 'the resistance of the bank',
  ambient: 'the heat around it',
  copper: 'the copper itself',
};
const ASK: Readonly<Record<Unknown, string>> = {
  run: 'Tape the run, and enter it.',
  demand: 'Measure what usually flows in it, and enter what its loads draw.',
  load: 'Measure what it draws, or enter its maker’s figure.',
  device: 'Enter the milliohms of its device, its maker’s or measured.',
  'in line': 'Enter the milliohms of what is in line, its maker’s or measured.',
  before: 'Tape its feeder, and measure what usually flows there.',
  bank: 'Enter the short-circuit current of the bank from its sheet.',
  ambient: 'Measure how warm its places get.',
  copper: 'Pin one size heavier where it matters.',
};

/** Every test passes as things are entered. */
const passesNow = ({ result: { own }, trial: { input } }: WorkedCircuit): boolean =>
  own.state.passes &&
  own.protection.conflict === null &&
  (input.isFeeder || (own.state.drop.wholePasses && own.state.surge?.wholePasses !== false));

/** In words: what decides, and what would settle it. */
export function decided({ decides }: Odds): { readonly what: string; readonly ask: string } | null {
  if (!decides) return null;
  const what = decides.load !== null ? `what ${decides.load} draws` : DECIDES[decides.unknown];
  return { what, ask: decides.best ? 'Nothing more can be asked: pin one size heavier where it matters.' : ASK[decides.unknown] };
}

export const ODDS_RULES: readonly Rule<OddsFacts>[] = [
  {
    id: 'unsure',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits', 'circuits.taps.tapedM', 'circuits.deviceMohm', 'loads.mark', 'banks.shortCircuitA', 'places.ambientC'],
    when: 'a choice passes as things are entered, and within the spread of those figures in fewer than nine cases of ten; a fix for a critical load under three in four',
    why: 'As everything is entered it passes; within the spread of those figures it does not always.',
    todo: 'Enter what decides more closely.',
    hazard: 'none',
    confirm: 'a meter',
    source: SOURCES.practice,
    find: ({ odds }) =>
      odds.flatMap(({ worked, odds: o }) => {
        const { id } = worked.result;
        const critical = worked.trial.input.taps.some((t) => t.load?.critical);
        const words = decided(o);
        return when(o.passes < SURE && words !== null && passesNow(worked), () => ({
          id,
          severity: critical && o.passes < SURE_ENOUGH ? ('fix' as const) : ('note' as const),
          title: `its choice holds in ${Math.round(100 * o.passes)} of 100 cases: ${words?.what ?? ''} decides`,
          todo: words?.ask ?? '',
        }));
      }),
  },
];
