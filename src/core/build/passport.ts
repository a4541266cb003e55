/** The steps of one piece at the bench, in order: what a helper reads while both hands are busy. */
import { cutTo, show, small, type Units, unitOf } from '../quantity';
import { type JointSchool, jointSchool, type SealSchool, sealSchool } from '../rules';
import type { MadeEnd, MadePiece } from './made';

export interface BenchStep {
  readonly id: string;
  readonly do: string;
  /** What it is for, or what it is judged by; ''. */
  readonly note: string;
  /** What can hurt; ''. */
  readonly hazard: string;
}

export interface Schools {
  readonly joint: JointSchool;
  readonly seal: SealSchool;
}

/** Angles two palms may lie at to each other. */
export const PALMS = ['0°', '90°', '180°', '270°'] as const;

const endWord = (k: 0 | 1): string => (k === 0 ? 'first end' : 'far end');

function stepsOfEnd(p: MadePiece, k: 0 | 1, second: boolean, palms: string, { joint, seal }: Schools, units: Units): BenchStep[] {
  const e = p.ends[k];
  const { cut } = p;
  const at = `${k}`;
  const pressed = /^(lug|ring)/.test(e.terminal);
  const steps: BenchStep[] = [];
  const add = (id: string, what: string, note = '', hazard = '') => steps.push({ id: `${at}.${id}`, do: what, note, hazard });
  if (cut.cores > 1) add('sheath', `Sheath off; ${cut.note}.`, 'no core nicked: the sheath is scored, not cut through');
  if (e.terminal.startsWith('adhesive butt') && k === 0 && cut.from.node === null && second)
    add('splice', `Into the splice that is there: ${e.on.name}.`);
  add(
    'strip',
    `Strip ${small(e.stripMm, units)} of the ${endWord(k)}${e.inPlace ? ', where it lies' : ''}.`,
    'no strand cut; a nicked end is cut off and done again',
  );
  if (second && pressed && /^(lug|ring)/.test(p.ends[k === 0 ? 1 : 0].terminal))
    add(
      'palm',
      palms === ''
        ? 'How do the palms lie to each other? Measure aboard, or leave this end for there.'
        : `Turn the palm to ${palms} of the other.`,
      'a stiff cable is not twisted into place',
    );
  add(
    'barrel',
    `${e.terminal}: conductor home in the barrel, to be seen in its window.`,
    pressed ? 'no inhibitor: tinned copper in a tinned barrel; only where the terminal’s maker asks for it' : '',
  );
  const { hazard } = jointSchool(joint);
  if (e.die !== '') add('crimp', `${e.die}: ${e.crimps}.`, 'no gap between jacket and barrel; burrs filed off, never tucked in');
  if (joint !== 'crimp' && pressed)
    add('solder', joint === 'solder' ? 'Solder.' : 'Solder, from the window.', jointSchool(joint).consequence, hazard);
  if (e.pullN !== null)
    add(
      'pull',
      `Pull ${Math.round(unitOf('N', units).to(e.pullN))} ${unitOf('N', units).name} for a minute: one of this size a day, on a sample.`,
      'the sample is cut off afterwards',
    );
  if (e.sleeve)
    add(
      'sleeve',
      `Sleeve ${small(e.sleeve.boreMm, units)} × ${small(e.sleeve.lengthMm, units)}: over barrel and ${small(25, units)} of jacket, none on the palm.`,
      'adhesive shows at both ends',
      sealSchool('adhesive shrink').hazard,
    );
  else if (pressed && !e.terminal.includes('insulated') && seal !== 'adhesive shrink')
    add('seal', `Seal with ${seal}.`, sealSchool(seal).consequence, sealSchool(seal).hazard);
  return steps;
}

/** At the bench: cut, label and sleeves on, the first end, the second where it is made there. */
export function benchSteps(p: MadePiece, palms: string, schools: Schools, units: Units): readonly BenchStep[] {
  const { cut, first } = p;
  const second = first === 0 ? 1 : 0;
  const steps: BenchStep[] = [
    p.cutMm === null
      ? {
          id: 'measure',
          do:
            p.stage === 'held'
              ? 'Not to be cut: a stop stands against it.'
              : cut.unplaced !== ''
                ? `Say where ${cut.unplaced} will stand first: it is parted there.`
                : 'Tape the run first: its length is an estimate.',
          note: '',
          hazard: '',
        }
      : {
          id: 'cut',
          do: `Cut ${cut.size} ${cut.colour}: ${cutTo(p.cutMm, units)}, square.`,
          note: p.working.map((w) => `${w.what} ${w.mm < 0 ? '−' : ''}${cutTo(Math.abs(w.mm), units)}`).join('; '),
          hazard: '',
        },
    {
      id: 'label',
      do: `Label “${cut.label}” on both ends${p.ends.some((e) => e.sleeve) ? ', and both sleeves,' : ''} before the second end is made.`,
      note: 'the label reads from the side it is seen from',
      hazard: '',
    },
    ...stepsOfEnd(p, first, false, palms, schools, units),
  ];
  if (!p.ends[second].inPlace) steps.push(...stepsOfEnd(p, second, true, palms, schools, units));
  return steps;
}

/** The same in few lines, for a card: what the second end has in common with the first is said once. */
export function briefly(steps: readonly BenchStep[]): readonly BenchStep[] {
  const what = (s: BenchStep) => s.do.replace(/ of the (first|far) end/, '');
  const said = new Set<string>();
  const out: BenchStep[] = [];
  let alike = false;
  for (const s of steps) {
    const key = `${s.id.replace(/^\d\./, '')} ${what(s)}`;
    if (said.has(key)) {
      if (!alike) out.push({ ...s, do: 'The second end alike.', note: '', hazard: '' });
      alike = true;
      continue;
    }
    said.add(key);
    out.push({ ...s, note: s.id.endsWith('.land') ? s.note : '' });
  }
  return out;
}

/** Aboard: the end made in place, and both landed. */
export function aboardSteps(p: MadePiece, palms: string, schools: Schools, units: Units): readonly BenchStep[] {
  const second = p.first === 0 ? 1 : 0;
  return [
    ...(p.ends[second].inPlace ? stepsOfEnd(p, second, true, palms, schools, units) : []),
    ...([0, 1] as const).map((k) => landing(p.ends[k], k, units)),
  ];
}

function landing(e: MadeEnd, k: 0 | 1, units: Units): BenchStep {
  const pile = [e.under.length > 0 ? `over ${e.under.join(', ')}` : '', e.over.length > 0 ? `under ${e.over.join(', ')}` : ''].filter(
    Boolean,
  );
  return {
    id: `${k}.land`,
    do: `Land the ${endWord(k)} on ${e.on.name}${pile.length > 0 ? `: ${pile.join('; ')}` : ''}.`,
    note: e.torque ? `${show(e.torque.nm, 'Nm', units)}, by ${e.torque.by}; then a line across nut and stud` : '',
    hazard: e.on.node === null ? '' : 'Dead first: negative off, proved.',
  };
}
