/** What the wire as found, and what stands in line with it, give cause to say. */
import { foundInsulationC, foundOhm } from '../conductor/asFound';
import type { Bench } from '../conductor/evaluate';
import type { State } from '../conductor/ladder';
import { show, sizeName, type Units } from '../quantity';
import { conditionOf } from '../rules/conditions';
import { findConductor } from '../rules/conductors';
import { INLINE } from '../rules/inline';
import type { AddFinding } from './findings';

const KINDS = {
  solid: ['fix', 'is solid wire', 'One strand breaks under vibration and takes the circuit with it.'],
  household: ['fix', 'is household cable', 'Neither its insulation nor its strands are meant for a boat.'],
  'bare strands': ['note', 'has no tin on its strands', 'It wicks damp and goes black from the ends.'],
  unknown: ['note', 'is of unknown kind', 'Its insulation is trusted with 60 °C only.'],
} as const;

/** A wire that stands as it was found. */
export function foundFindings(b: Bench, units: Units, add: AddFinding): void {
  const { found, workingA } = b.input;
  if (!found) return;
  const { kind } = found;
  if (b.protection.missing)
    add(
      'unprotected',
      'stop',
      'has nothing to protect it',
      'A short on it burns until the bank is empty: fire.',
      `Fit ${b.protection.ratingA} A ${b.protection.familyName} at its source before it is used again.`,
    );
  if (found.decision === 'undecided')
    add(
      'undecided',
      'note',
      'is found and not decided upon',
      'It is reckoned as it stands.',
      'Survey, as found: keep, replace or remove it, with a reason.',
    );
  if (kind !== 'tinned strands') {
    const [severity, title, why] = KINDS[kind];
    add(
      'found-kind',
      severity,
      title,
      why,
      `Replace with tinned strands, or keep it with a reason. Its insulation counts as ${foundInsulationC(found)} °C.`,
    );
  }
  for (const fault of found.faults) {
    const condition = conditionOf(fault.kind);
    if (!condition) continue;
    const ohm = (fault.mohm ?? condition.mohm) / 1000;
    const heat = workingA ** 2 * ohm;
    const figure =
      ohm > 0
        ? ` ${show(ohm, 'ohm', units)}${fault.mohm === null ? ', typical,' : ' measured'} is ${show(heat, 'W', units)} of heat at ${show(workingA, 'A', units)}.`
        : '';
    add(`fault-${fault.id}`, condition.severity, condition.name, `${condition.why}${figure}`, condition.todo);
  }
}

/** Volts lost in joints that could be mended. */
export function badJoints(b: Bench, state: State, units: Units, add: AddFinding): void {
  const { found, workingA } = b.input;
  const lostV = found ? workingA * foundOhm(found) : 0;
  if (lostV > 0.01 * b.input.systemV && state.drop.worst)
    add(
      'bad-joints',
      'fix',
      `loses ${show(lostV, 'V', units)} in bad joints`,
      `Of ${show(state.drop.worst.dropV, 'V', units)} in all.`,
      'Make the joints anew before blaming the cable.',
    );
}

/** What stands in line: ratings, the largest cable it takes, floats and sparks. */
export function deviceFindings(b: Bench, state: State, units: Units, add: AddFinding): void {
  const { circuit, workingA, places, taps } = b.input;
  for (const device of circuit.devices) {
    if (device.ratingA !== null && device.ratingA < workingA)
      add(
        `device-${device.id}`,
        'stop',
        `${device.kind} rated ${device.ratingA} A carries ${show(workingA, 'A', units)}`,
        'Its contacts overheat or weld.',
        'Use one rated for the current at DC volts, or switch a relay with it.',
      );
    const largest = device.largest && findConductor(device.largest.school, device.largest.size);
    if (device.largest && largest && largest.areaMm2 < state.conductor.areaMm2 - 1e-9)
      add(
        `device-size-${device.id}`,
        'fix',
        `${device.kind} takes ${sizeName(device.largest.school, device.largest.size)} at most`,
        `The run is ${sizeName(state.candidate.school, state.candidate.size)}: it does not go in.`,
        'Put a bus or a short tail of the smaller size beside it, protected for that size, or use another device.',
      );
    if (device.kind === 'float switch' && !device.bypass && taps.some((t) => t.load?.group === 'pump'))
      add(
        `bypass-${device.id}`,
        'fix',
        'the float switch has no way round it',
        'A stuck float leaves the pump dead with water rising.',
        'Fit a manual switch beside the float, fed from the same always-live way.',
      );
    const place = places.find((p) => p.id === device.placeId);
    if (place?.vapour && INLINE[device.kind].opens)
      add(
        `spark-${device.id}`,
        'stop',
        `${device.kind} stands where petrol vapour is possible`,
        'Its contacts spark: explosion.',
        'Move it out of the space, or use a sealed, ignition-protected one.',
      );
  }
}
