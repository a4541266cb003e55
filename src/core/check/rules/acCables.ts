/** Rules on the cable of an AC run: what it is made of and what its colour says. */
import type { AcParts } from '../../ac';
import { type AcCircuit, setOp } from '../../design';
import { AC_COLOURS } from '../../rules';
import { type Said, when } from '../rule';
import { type AcRule, acRun, acWhole, set } from './acParts';

const KIND_WORDS = {
  solid: ['Solid conductors work hard and break where a boat moves, inside the insulation.', 'fix'],
  household: ['Household cable has bare copper, solid or coarse strands and a sheath that salt and oil get through.', 'fix'],
  unknown: ['What it is made of is not known.', 'note'],
} as const;

/** What a colour says on the DC side; null: nothing. */
function dcMeaning(design: AcParts, colour: string): 'DC negative' | 'DC positive' | null {
  if (colour === design.house.negative || (colour === 'black' && design.boat.colourScheme === 'international')) return 'DC negative';
  return colour === 'red' ? 'DC positive' : null;
}

function colourSaid(c: AcCircuit, design: AcParts): readonly Said[] {
  const colour = c.liveColour.toLowerCase();
  const { live, neutral, earth } = AC_COLOURS[design.boat.colourScheme];
  if (colour === '' || live.includes(colour)) return [];
  const scheme = `live is ${live.join(' or ')}, neutral ${neutral}, earth ${earth}`;
  if (colour === neutral || colour.startsWith('green'))
    return [
      {
        title: `its live conductor is ${colour}`,
        why: `On this boat ${colour} says ${colour === neutral ? 'neutral' : 'earth'}: the next person takes it for dead.`,
        todo: `Rewire it: ${scheme}. Sleeves at the ends are not enough.`,
      },
    ];
  const dc = dcMeaning(design, colour);
  return [
    {
      severity: dc ? 'stop' : 'fix',
      title: dc ? `its live conductor is ${colour}, as ${dc} is` : `its live conductor is ${colour}`,
      why: dc ? 'Whoever works on the DC side takes hold of the mains.' : `Reused odd-coloured wire: the scheme has ${live.join(' or ')}.`,
      todo: `Replace it; ${scheme}.`,
    },
  ];
}

export const AC_CABLE_RULES: readonly AcRule[] = [
  acWhole(
    {
      id: 'ac-black',
      severity: 'fix',
      reads: ['house.negative', 'boat.colourScheme', 'acCircuits'],
      when: 'the colour of DC negative is live in the AC scheme',
      why: 'Crossing the two kills: whoever takes the black for DC negative takes hold of the mains.',
      todo: 'Yellow for DC negative: Survey, house rules; or keep the two well apart and labelled.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: (design) => [setOp(design, ['house', 'negative'], 'yellow')],
    },
    (d) =>
      when(d.acCircuits.length > 0 && AC_COLOURS[d.boat.colourScheme].live.includes(d.house.negative), () => ({
        title: 'black is live in the AC and negative in the DC',
      })),
  ),
  acRun(
    {
      id: 'ac-cable',
      severity: 'fix',
      reads: ['acCircuits.cable'],
      when: 'a run is no stranded three-core boat cable',
      why: 'It is no boat cable.',
      todo: 'Tinned stranded three-core boat cable.',
      hazard: 'fire',
      confirm: 'eyes',
      cure: set('acCircuits', ['cable'], 'stranded three-core'),
    },
    (c) => {
      if (c.cable === 'stranded three-core') return [];
      const [why, severity] = KIND_WORDS[c.cable];
      return [{ severity, title: c.cable === 'unknown' ? 'its cable is not known' : `${c.cable} cable`, why }];
    },
  ),
  acRun(
    {
      id: 'ac-colour',
      severity: 'stop',
      reads: ['acCircuits.liveColour', 'boat.colourScheme', 'house.negative'],
      when: 'the live conductor of a run has a colour that means something else, or nothing',
      why: 'The next person takes it for something else.',
      todo: 'Replace it by the colours of the scheme.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: (design, finding) => set('acCircuits', ['liveColour'], AC_COLOURS[design.boat.colourScheme].live[0] ?? '')(design, finding),
    },
    colourSaid,
  ),
];
