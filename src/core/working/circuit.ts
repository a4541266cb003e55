/** The working of one circuit, line by line. */
import { decided } from '../check';
import { marginsOf, neighbours, type Odds, otherSchool, type State, voltsLost, type WorkedCircuit } from '../circuit';
import { benchSections } from './circuitSections';
import { choiceName, type Kind, round3, show, type Units } from '../quantity';
import type { Neighbour, Working } from './types';

export const COMES_FIRST = "Local code, the maker's instructions and licensed practice come first.";

const neighbour = (label: string, state: State, chosen: State, units: Units): Neighbour => {
  const kg = state.massKg - chosen.massKg;
  return {
    label,
    size: choiceName(state.candidate),
    passes: state.passes,
    figures: [
      state.drop.worst ? `${round3(state.drop.worst.pct)} % drop` : 'no drop figure',
      ...(state.surge ? [`${show(state.surge.loadV, 'V', units)} at start`] : []),
      state === chosen ? show(state.massKg, 'kg', units) : `${kg >= 0 ? '+' : '−'}${show(Math.abs(kg), 'kg', units)}`,
      state.passes ? 'passes' : `fails ${state.failing.join(', ')}`,
    ],
  };
};

/** Its tests over the spread of what they go by, and which figure decides. */
function sureSection(odds: Odds): Working['sections'][number] {
  const words = decided(odds);
  return {
    title: 'How sure it is',
    lines: [
      {
        label: 'every test passes',
        value: 100 * odds.passes,
        kind: 'pct',
        text: `in ${Math.round(100 * odds.passes)} of 100 cases`,
        formula: 'length, copper, heat, load, devices and bank each within its band (±2 sigma), drawn at random; volts by the whole path',
        source: 'bands: docs/methods.md, M15',
      },
      ...(words
        ? [{ label: 'what decides', value: 100 * (1 - odds.passes), kind: 'pct' as const, text: words.what, source: words.ask }]
        : []),
    ],
  };
}

/**
 * The working behind a circuit's result; null for an empty path.
 * @param path from the bank to it, itself last.
 * @param odds how sure its choice is, where that has been asked.
 */
export function circuitWorking(path: readonly WorkedCircuit[], units: Units, odds?: Odds): Working | null {
  const worked = path[path.length - 1];
  if (!worked) return null;
  const { result, trial: b } = worked;
  const beside = otherSchool(worked);
  const { ladder, state } = result.own;
  const { down, up } = neighbours(b, ladder.chosen);
  const m = marginsOf(b, ladder.chosen);
  const { input } = b;
  const warmestC = Math.max(...input.surroundings.map((s) => s.ambientC));
  const good = (amount: number | null, kind: Kind, asked: number, after = ''): readonly string[] =>
    amount === null ? [] : [`${show(amount, kind, units)}${after}${m.holds ? '' : ` (${show(asked, kind, units)} asked)`}`];
  const margins = [
    ...good(m.lengthM, 'm', input.lengthM, ' of run'),
    ...good(m.currentA, 'A', input.workingA),
    ...good(m.lowV, 'V', input.volts.lowV, ' at the posts'),
    ...good(m.ambientC, 'C', warmestC, ' around it'),
  ];
  const side = beside.trial.input.school === 'awg' ? 'AWG school' : 'metric school';
  const other = beside.side;
  const cautions: string[] = [];
  if (state.fault && !state.fault.passes)
    cautions.push(`A short at the far end may burn the run before ${result.own.protection.ratingA} A opens. Do not energise it like this.`);
  if (b.input.surges.some((s) => s.loadA > 100))
    cautions.push("A stalled motor on a long run may never open its device. Keep hands clear; fit the maker's own breaker.");
  if (b.input.places.some((p) => p.vapour))
    cautions.push('Petrol vapour is possible on this run: ignition-protected devices only, no work with the supply live.');
  if (b.input.upstream.atBank)
    cautions.push('Unfused at the post until its device: rings and watches off, insulated tools, negative off first and on last.');
  return {
    title: `${result.no ? `${result.no} ` : ''}${result.name}`,
    sections: [
      ...benchSections(b, result, units),
      ...(odds ? [sureSection(odds)] : []),
      {
        title: `The ${side} would say`,
        lines: [
          {
            label: 'conductor, governed by ' + other.ladder.governs,
            value: other.state.areaMm2,
            kind: 'mm2',
            text: other.ladder.proposed ? choiceName(other.ladder.proposed) : 'none passes',
            source: beside.trial.input.rules.source,
          },
          {
            label: 'protection',
            value: other.protection.ratingA,
            kind: 'A',
            text: `${other.protection.ratingA} A ${other.protection.familyName}`,
          },
        ],
      },
    ],
    neighbours: [
      ...(down ? [neighbour('one size down', down, state, units)] : []),
      neighbour(ladder.kept ? 'as found' : ladder.pinned ? 'pinned' : ladder.together ? 'chosen together' : 'chosen', state, state, units),
      ...(up ? [neighbour('one size up', up, state, units)] : []),
    ],
    margins,
    volts: voltsLost(path),
    beside: `The ${side} would take ${other.ladder.proposed ? choiceName(other.ladder.proposed) : 'no size in its table'} and ${round3(other.protection.ratingA)} A, governed by ${other.ladder.governs}.`,
    cautions: cautions.map((c) => `${c} ${COMES_FIRST}`),
  };
}
