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

type Core = 'live' | 'second live' | 'neutral' | 'earth';
const FIELD = { live: 'liveColour', 'second live': 'secondColour', neutral: 'neutralColour', earth: 'earthColour' } as const;
const CORES = Object.keys(FIELD) as Core[];

/** What a colour says in the AC scheme; null: nothing. */
function acMeaning(design: AcParts, colour: string): 'live' | 'neutral' | 'earth' | null {
  const { live, neutral } = AC_COLOURS[design.boat.colourScheme];
  if (colour.startsWith('green')) return 'earth';
  if (colour === neutral || (neutral === 'light blue' && colour === 'blue')) return 'neutral';
  return live.includes(colour) ? 'live' : null;
}

function coreSaid(c: AcCircuit, design: AcParts, core: Core): readonly Said[] {
  const colour = c[FIELD[core]].toLowerCase();
  const { live, neutral, earth } = AC_COLOURS[design.boat.colourScheme];
  const meant = core === 'second live' ? 'live' : core;
  const says = acMeaning(design, colour);
  if (colour === '' || says === meant) return [];
  const scheme = `live is ${live.join(' or ')}, neutral ${neutral}, earth ${earth}`;
  const suffix = core === 'live' ? '' : ` ${core}`;
  const what = core === 'earth' ? 'protective earth' : core === 'neutral' ? 'neutral' : `${core} conductor`;
  if (says)
    return [
      {
        suffix,
        title: `its ${what} is ${colour}, as ${says} is`,
        why: `On this boat ${colour} says ${says}: the next person ${meant === 'live' ? 'takes it for dead' : `lands it as ${says}`}.`,
        todo: `Rewire it: ${scheme}. Sleeves at the ends are not enough.`,
      },
    ];
  const dc = dcMeaning(design, colour);
  return [
    {
      suffix,
      severity: dc || meant === 'earth' ? 'stop' : 'fix',
      title: dc ? `its ${what} is ${colour}, as ${dc} is` : `its ${what} is ${colour}`,
      why: dc
        ? 'Whoever works on the DC side takes hold of the mains.'
        : `Reused odd-coloured wire: the scheme has ${meant === 'live' ? live.join(' or ') : meant === 'neutral' ? neutral : earth}.`,
      todo: `Replace it; ${scheme}.`,
    },
  ];
}

const colourSaid = (c: AcCircuit, design: AcParts): readonly Said[] => CORES.flatMap((core) => coreSaid(c, design, core));

export const AC_CABLE_RULES: readonly AcRule[] = [
  acWhole(
    {
      id: 'ac-black',
      severity: 'fix',
      reads: ['house.negative', 'boat.colourScheme', 'acCircuits'],
      when: 'the colour of DC negative is live in the AC scheme, and not every AC run is marked',
      why: 'Crossing the two kills: whoever takes the black for DC negative takes hold of the mains.',
      todo: 'Yellow for DC negative: Survey, house rules; or keep the two well apart and every AC run marked.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: (design) => [setOp(design, ['house', 'negative'], 'yellow')],
    },
    (d) =>
      when(d.acCircuits.some((c) => !c.labelled) && AC_COLOURS[d.boat.colourScheme].live.includes(d.house.negative), () => ({
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
      reads: [
        'acCircuits.liveColour',
        'acCircuits.secondColour',
        'acCircuits.neutralColour',
        'acCircuits.earthColour',
        'boat.colourScheme',
        'house.negative',
      ],
      when: 'a conductor of a run has a colour that means something else, or nothing',
      why: 'The next person takes it for something else.',
      todo: 'Replace it by the colours of the scheme.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: (design, { about }) =>
        design.acCircuits
          .filter((c) => c.id === about.id)
          .flatMap((c) =>
            CORES.filter((core) => coreSaid(c, design, core).length > 0).map((core) =>
              setOp(design, ['acCircuits', c.id, FIELD[core]], ''),
            ),
          ),
    },
    colourSaid,
  ),
];
