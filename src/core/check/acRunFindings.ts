/** Runs of the AC side: conductor and breaker, faults to earth, what the cable is and what colour. */
import { INTERRUPTS, INTERRUPTS_AT_LEAST, sourceOhm } from '../ac/services';
import { acCircuits, chainsTo, DROP_PCT, TOTAL_DROP_PCT, type AcCircuitResult } from '../ac/circuits';
import type { AcCircuit, Design } from '../design/schema';
import { AC_COLOURS } from '../rules/colours';
import { round3, sizeName } from '../quantity';
import type { AddAbout } from './findings';

export function acRunFindings(design: Design, add: AddAbout): void {
  if (design.acCircuits.length > 0 && AC_COLOURS[design.boat.colourScheme].live.includes(design.house.negative))
    add(
      'ac-black',
      'fix',
      'boat',
      'ac',
      'black is live in the AC and negative in the DC',
      'Crossing the two kills: whoever takes the black for DC negative takes hold of the mains.',
      'Yellow for DC negative: Survey, house rules; or keep the two well apart and labelled.',
    );
  const results = acCircuits(design);
  design.acCircuits.forEach((c, i) => {
    const r = results[i];
    if (r) runFindings(design, c, r, add);
    cableFindings(design, c, add);
  });
}

function runFindings(design: Design, c: AcCircuit, r: AcCircuitResult, add: AddAbout): void {
  const about = (rule: string, severity: 'stop' | 'fix' | 'note', title: string, why: string, todo: string) =>
    add(rule, severity, 'AC circuit', c.id, title, why, todo);
  const chains = chainsTo(design, c);
  if (chains.length === 0)
    about(
      'ac-from-nothing',
      'fix',
      'comes from no source',
      'Nothing leads to where it begins.',
      'Correct where it begins, or feed that panel.',
    );
  if (c.to !== null && !(c.to.kind === 'panel' ? design.acPanels : design.acSources).some((x) => x.id === c.to?.id))
    about('ac-to-nothing', 'fix', 'leads to nothing', 'What it fed is gone.', 'Choose where it ends, or remove it.');
  if (c.to === null && c.loadIds.length === 0 && c.outlets === 0)
    about('ac-serves-nothing', 'note', 'serves nothing', 'No appliance and no outlet hangs on it.', 'Name what it serves, or remove it.');
  const size = sizeName(r.conductor.school, r.conductor.size);
  const wants = sizeName(r.proposed.school, r.proposed.size);
  if (r.failing.includes('ampacity'))
    about(
      'ac-thin',
      'stop',
      `${size} carries ${round3(r.izA)} A behind a breaker of ${round3(r.ratingA)} A`,
      `${r.derating.refusal ?? 'Heat and bundling are counted'}: it burns before the breaker opens.`,
      `${wants}, or a smaller breaker.`,
    );
  if (r.failing.includes('drop'))
    about(
      'ac-drop',
      'fix',
      `feeder and branch lose ${round3(r.dropPct)} %`,
      `${DROP_PCT} % aboard is the most: motors start badly and run hot.`,
      `${wants}, or a shorter run.`,
    );
  else if (r.totalPct > TOTAL_DROP_PCT + 1e-9)
    about(
      'ac-drop-total',
      'fix',
      `from the pedestal on ${round3(r.totalPct)} % is lost`,
      `${TOTAL_DROP_PCT} % is the most, cord included.`,
      'A heavier or shorter shore cord first.',
    );
  if (r.failing.includes('mechanical'))
    about('ac-slight', 'fix', `${size} is slighter than a three-core cable may be`, 'It breaks before it burns.', wants);
  if (c.to === null && c.ratingA !== null && r.amps > c.ratingA + 1e-9 && c.outlets === 0)
    about(
      'ac-small-breaker',
      'fix',
      `its breaker of ${round3(c.ratingA)} A is below the ${round3(r.amps)} A it serves`,
      'It opens with everything on.',
      'A larger breaker and what cable that asks for, or a second circuit.',
    );
  const interrupts = INTERRUPTS[r.family.id] ?? 0;
  const shorts = chains.map(({ source }) => r.volts / sourceOhm(source));
  const asked = Math.max(
    ...shorts,
    r.feeder ? INTERRUPTS_AT_LEAST[design.boat.acRegion].main : INTERRUPTS_AT_LEAST[design.boat.acRegion].branch,
  );
  if (interrupts < asked - 1e-9)
    about(
      'ac-interrupts',
      'stop',
      `its breaker interrupts ${round3(interrupts)} A of ${round3(asked)} A`,
      'Beyond that it welds shut or bursts.',
      'A breaker made for it, or a fuse before it.',
    );
  faultFindings(design, r, about);
  if (c.outletsWet && c.leakageMa === null)
    about(
      'ac-wet-outlets',
      design.boat.ruleSet === 'awg' ? 'fix' : 'note',
      'outlets in a wet place have no personal protection',
      design.boat.ruleSet === 'awg'
        ? 'Galley, heads, machinery and deck outlets want 5 mA.'
        : 'The 30 mA main protects them; 10 mA of their own is the better choice.',
      design.boat.ruleSet === 'awg' ? 'Leakage of 5 mA on this circuit.' : 'Leakage of 10 mA on this circuit.',
    );
  if (c.poles < 2 && design.boat.ruleSet === 'metric')
    about(
      'ac-poles',
      'fix',
      'opens the live alone',
      'Plugs of this school fit either way round: what is switched off may be live.',
      'A double-pole breaker.',
    );
}

function faultFindings(
  design: Design,
  r: AcCircuitResult,
  about: (rule: string, severity: 'stop' | 'fix' | 'note', title: string, why: string, todo: string) => void,
): void {
  for (const f of r.faults.filter((x) => x.cutBy === 'nothing')) {
    const source = design.acSources.find((s) => s.id === f.sourceId)?.name ?? '';
    const opens = Number.isFinite(f.opensS) ? `its breaker takes ${round3(f.opensS)} s` : 'its breaker may never open';
    about(
      `ac-fault ${f.sourceId}`,
      'stop',
      `a live case is not cut in time on ${source}`,
      f.amps > 0
        ? `A fault to earth draws ${round3(f.amps)} A through ${round3(f.loopOhm)} Ω: ${opens}, ${f.withinS} s is the most.`
        : `${source} is entered as giving nothing: no fault draws enough to open its breaker.`,
      'A residual-current device after the bond of that source: 30 mA on its feeder or on this circuit.',
    );
  }
}

const KIND_WORDS = {
  solid: ['solid conductors work hard and break where a boat moves, inside the insulation', 'fix'],
  household: ['household cable has bare copper, solid or coarse strands and a sheath that salt and oil get through', 'fix'],
  unknown: ['what it is made of is not known', 'note'],
} as const;

function cableFindings(design: Design, c: AcCircuit, add: AddAbout): void {
  const about = (rule: string, severity: 'stop' | 'fix' | 'note', title: string, why: string, todo: string) =>
    add(rule, severity, 'AC circuit', c.id, title, why, todo);
  if (c.cable !== 'stranded three-core') {
    const [words, severity] = KIND_WORDS[c.cable];
    about(
      'ac-cable',
      severity,
      c.cable === 'unknown' ? 'its cable is not known' : `${c.cable} cable`,
      `${words[0]?.toUpperCase()}${words.slice(1)}.`,
      'Tinned stranded three-core boat cable.',
    );
  }
  const colour = c.liveColour.toLowerCase();
  if (colour === '') return;
  const { live, neutral, earth } = AC_COLOURS[design.boat.colourScheme];
  if (colour === neutral || colour.startsWith('green'))
    return about(
      'ac-colour',
      'stop',
      `its live conductor is ${colour}`,
      `On this boat ${colour} says ${colour === neutral ? 'neutral' : 'earth'}: the next person takes it for dead.`,
      `Rewire it: live is ${live.join(' or ')}, neutral ${neutral}, earth ${earth}. Sleeves at the ends are not enough.`,
    );
  if (live.includes(colour)) return;
  const dc =
    colour === design.house.negative || (colour === 'black' && design.boat.colourScheme === 'international')
      ? 'DC negative'
      : colour === 'red'
        ? 'DC positive'
        : null;
  about(
    'ac-colour',
    dc ? 'stop' : 'fix',
    dc ? `its live conductor is ${colour}, as ${dc} is` : `its live conductor is ${colour}`,
    dc ? 'Whoever works on the DC side takes hold of the mains.' : `Reused odd-coloured wire: the scheme has ${live.join(' or ')}.`,
    `Replace it; live is ${live.join(' or ')}, neutral ${neutral}, earth ${earth}.`,
  );
}
