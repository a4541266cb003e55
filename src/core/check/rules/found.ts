/** Rules on the wire as found, and on what is in line with a circuit. */
import { nearestPlaces } from '../../topology';
import { foundInsulationC } from '../../circuit';
import { type FoundFault, setOp, rowOf } from '../../design';
import { show, sizeName } from '../../quantity';
import { conditionOf, findConductor, INLINE } from '../../rules';
import { SOURCES, type Told, when } from '../rule';
import { circuitOf, type StillFacts, type StillRule, idOf, replaceIt } from './circuitFacts';

const KINDS = {
  solid: ['fix', 'is solid wire', 'One strand breaks under vibration and takes the circuit with it.'],
  household: ['fix', 'is household cable', 'Neither its insulation nor its strands are meant for a boat.'],
  'bare strands': ['note', 'has no tin on its strands', 'It wicks damp and goes black from the ends.'],
  unknown: ['note', 'is of unknown kind', 'Its insulation is trusted with 60 °C only.'],
} as const;

/** What is left of a conductor at an end that has lost strands: its area, and whether that carries what its device lets through. */
function strandsLeft(f: StillFacts, { strands }: FoundFault): { readonly words: string; readonly tooFew: boolean } | null {
  const { found, workingA } = f.b.input;
  if (!strands || !found) return null;
  const part = 1 - strands.lost / strands.of;
  const areaMm2 = (findConductor(found.size.school, found.size.size)?.areaMm2 ?? 0) * part;
  const carriesA = f.state.heat.izA * part;
  const asksA = Math.max(workingA, found.ratingA ?? 0);
  return {
    words: ` ${areaMm2.toFixed(areaMm2 < 10 ? 1 : 0)} mm² of it are left there, good for ${show(carriesA, 'A', f.units)}; ${show(asksA, 'A', f.units)} may flow.`,
    tooFew: carriesA < asksA,
  };
}

export const FOUND_RULES: readonly StillRule[] = [
  {
    id: 'no-reason',
    about: 'circuit',
    severity: 'note',
    reads: ['circuits.found.decision', 'circuits.found.reason'],
    when: 'what was found is decided upon without a reason',
    why: 'Whoever opens it next will wonder.',
    todo: 'Survey, as found: say why it is kept or replaced.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.practice,
    find: (f) => {
      const { found, taps } = f.b.input.circuit;
      return when(taps.length > 0 && found !== null && found.decision !== 'undecided' && found.reason.trim() === '', () => ({
        id: idOf(f),
        title: 'is decided without a reason',
      }));
    },
  },
  {
    id: 'device',
    about: 'circuit',
    severity: 'stop',
    reads: ['circuits.devices.ratingA', 'loads'],
    when: 'something in line carries more than it is rated for',
    why: 'Its contacts overheat or weld.',
    todo: 'Use one rated for the current at DC volts, or switch a relay with it.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.maker,
    find: (f) =>
      f.b.input.circuit.devices.flatMap((d): readonly Told[] =>
        when(f.b.input.taps.length > 0 && d.ratingA !== null && d.ratingA < f.b.input.workingA, () => ({
          id: idOf(f),
          suffix: `-${d.id}`,
          title: `${d.kind} rated ${d.ratingA ?? 0} A carries ${show(f.b.input.workingA, 'A', f.units)}`,
        })),
      ),
  },
  {
    id: 'device-unrated',
    about: 'circuit',
    severity: 'note',
    reads: ['circuits.devices.ratingA', 'loads'],
    when: 'the rating of something in line is not entered',
    why: 'Whether its contacts bear the current is not known.',
    todo: 'Read its rating at DC volts off it, and enter it.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.maker,
    find: (f) =>
      f.b.input.circuit.devices.flatMap((d): readonly Told[] =>
        when(f.b.input.taps.length > 0 && d.ratingA === null, () => ({
          id: idOf(f),
          suffix: `-${d.id}`,
          title: `the rating of its ${d.kind} is not entered; it carries ${show(f.b.input.workingA, 'A', f.units)}`,
        })),
      ),
  },
  {
    id: 'device-size',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.devices.largest'],
    when: 'the run is heavier than the terminals of what is in line take',
    why: 'It does not go in.',
    todo: 'Put a bus or a short tail of the smaller size beside it, protected for that size, or use another device.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.maker,
    find: (f) =>
      f.b.input.circuit.devices.flatMap((d): readonly Told[] => {
        const largest = d.largest && findConductor(d.largest.school, d.largest.size);
        return when(f.b.input.taps.length > 0 && largest != null && largest.areaMm2 < f.state.conductor.areaMm2 - 1e-9, () => ({
          id: idOf(f),
          suffix: `-${d.id}`,
          title: `${d.kind} takes ${d.largest ? sizeName(d.largest.school, d.largest.size) : ''} at most`,
          why: `The run is ${sizeName(f.state.candidate.school, f.state.candidate.size)}: it does not go in.`,
        }));
      }),
  },
  {
    id: 'bypass',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.devices.bypass', 'loads.group'],
    when: 'a pump runs by a float switch alone',
    why: 'A stuck float leaves the pump dead with water rising.',
    todo: 'Fit a manual switch beside the float, fed from the same always-live way.',
    hazard: 'flooding',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: (f) =>
      f.b.input.circuit.devices.flatMap((d): readonly Told[] =>
        when(d.kind === 'float switch' && !d.bypass && f.b.input.taps.some((t) => t.load?.group === 'pump'), () => ({
          id: idOf(f),
          suffix: `-${d.id}`,
          title: 'the float switch has no manual switch beside it',
        })),
      ),
    cure: (design, { about }) =>
      circuitOf(design, about.id)?.devices.flatMap((d) =>
        d.kind === 'float switch' ? [setOp(design, ['circuits', about.id, 'devices', d.id, 'bypass'], true)] : [],
      ) ?? null,
  },
  {
    id: 'spark',
    about: 'circuit',
    severity: 'stop',
    reads: ['circuits.devices.placeId', 'places.vapour'],
    when: 'contacts in line open where petrol vapour is possible',
    why: 'Its contacts spark: explosion.',
    todo: 'Move it out of the space, or use a sealed, ignition-protected one.',
    hazard: 'explosion',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: (f) =>
      f.b.input.circuit.devices.flatMap((d): readonly Told[] =>
        when(f.b.input.taps.length > 0 && rowOf(f.b.input.places, d.placeId)?.vapour === true && INLINE[d.kind].opens, () => ({
          id: idOf(f),
          suffix: `-${d.id}`,
          title: `${d.kind} is where petrol vapour is possible`,
        })),
      ),
    cure: (design, { about }) => {
      const c = circuitOf(design, about.id);
      return (
        c?.devices.flatMap((d) => {
          const [to] = rowOf(design.places, d.placeId)?.vapour ? nearestPlaces(design, d.placeId, (p) => !p.vapour) : [];
          return to ? [setOp(design, ['circuits', c.id, 'devices', d.id, 'placeId'], to.id)] : [];
        }) ?? null
      );
    },
  },
  {
    id: 'device-no-place',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.devices.placeId', 'places.vapour'],
    when: 'it is not entered where contacts in line are, and petrol vapour is possible aboard',
    why: 'Where petrol vapour is possible its contacts would be an explosion.',
    todo: 'Enter its place.',
    hazard: 'explosion',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: (f) =>
      f.b.input.circuit.devices.flatMap((d): readonly Told[] =>
        when(f.b.input.taps.length > 0 && d.placeId === null && INLINE[d.kind].opens && f.vapour, () => ({
          id: idOf(f),
          suffix: `-${d.id}`,
          title: `the place of its ${d.kind} is not entered`,
        })),
      ),
  },
  {
    id: 'unprotected',
    about: 'circuit',
    severity: 'stop',
    reads: ['circuits.found.ratingA'],
    when: 'a circuit was found without a device and is kept so',
    why: 'A short on it burns until the bank is empty: fire.',
    todo: 'Fit a device at its source before it is used again.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: (f) =>
      when(f.b.input.found !== null && f.b.protection.missing, () => ({
        id: idOf(f),
        title: 'has nothing to protect it',
        todo: `Fit ${f.b.protection.ratingA} A ${f.b.protection.familyName} at its source before it is used again.`,
      })),
    cure: (design, { about }) =>
      circuitOf(design, about.id)?.found ? [setOp(design, ['circuits', about.id, 'found', 'keepProtection'], false)] : null,
  },
  {
    id: 'undecided',
    about: 'circuit',
    severity: 'note',
    reads: ['circuits.found.decision'],
    when: 'a wire was found and nobody has decided what becomes of it',
    why: 'It is calculated as it is.',
    todo: 'Survey, as found: keep, replace or remove it, with a reason.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.practice,
    find: (f) => when(f.b.input.found?.decision === 'undecided', () => ({ id: idOf(f), title: 'is found and not decided upon' })),
  },
  {
    id: 'found-kind',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.found.kind'],
    when: 'the wire as found is no tinned stranded boat cable',
    why: 'It is no boat cable.',
    todo: 'Replace with tinned strands, or keep it with a reason.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: (f) => {
      const { found } = f.b.input;
      if (!found || found.kind === 'tinned strands') return [];
      const [severity, title, why] = KINDS[found.kind];
      const todo = `Replace with tinned strands, or keep it with a reason. Its insulation counts as ${foundInsulationC(found)} °C.`;
      return [{ id: idOf(f), severity, title, why, todo }];
    },
    cure: replaceIt,
  },
  {
    id: 'found-size',
    about: 'circuit',
    severity: 'fix',
    reads: ['circuits.found.sizeKnown'],
    when: 'nobody has measured the size of a wire that was found',
    why: 'It is calculated as the thinnest there is.',
    todo: 'Read its size off the insulation, or gauge its strands, and enter it on Survey, as found.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: (f) =>
      when(f.b.input.found?.sizeKnown === false, () => ({
        id: idOf(f),
        title: `is of unknown size: calculated as ${sizeName(f.b.input.found?.size.school ?? 'metric', f.b.input.found?.size.size ?? '')}`,
      })),
  },
  {
    id: 'fault',
    about: 'circuit',
    severity: 'stop',
    reads: ['circuits.found.faults'],
    when: 'a fault was found on the wire or its ends',
    why: 'It heats, corrodes or lets go.',
    todo: 'Make it good.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: (f) =>
      (f.b.input.found?.faults ?? []).flatMap((fault): readonly Told[] => {
        const condition = conditionOf(fault.kind);
        if (!condition) return [];
        const ohm = (fault.mohm ?? condition.mohm) / 1000;
        const heat = f.b.input.workingA ** 2 * ohm;
        const figure =
          ohm > 0
            ? ` ${show(ohm, 'ohm', f.units)}${fault.mohm === null ? ', typical,' : ' measured'} is ${show(heat, 'W', f.units)} of heat at ${show(f.b.input.workingA, 'A', f.units)}${fault.alike > 1 ? ', at each of them' : ''}.`
            : '';
        const left = strandsLeft(f, fault);
        return [
          {
            id: idOf(f),
            suffix: `-${fault.id}`,
            severity: left?.tooFew === true ? 'stop' : condition.severity,
            title: `${condition.name}${fault.strands ? `, ${fault.strands.lost} of ${fault.strands.of}` : ''}${fault.alike > 1 ? `, ${fault.alike} alike` : ''}`,
            why: `${condition.why}${left?.words ?? ''}${figure}`,
            todo: condition.todo,
          },
        ];
      }),
    cure: replaceIt,
  },
];
