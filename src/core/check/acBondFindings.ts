/** Panels, transfers, and where neutral meets earth in every state. */
import { EARTHINGS } from '../design/ac';
import { bondsRight, statesOf, type AcState, type Origin } from '../ac/states';
import type { AcPanel, Design } from '../design/schema';
import type { AddAbout } from './findings';

export function acBondFindings(design: Design, add: AddAbout): void {
  for (const p of design.acPanels) panelFindings(design, p, add);
  earthing(design, add);
  const said = new Set<string>();
  for (const state of statesOf(design))
    for (const origin of state.origins)
      if (!bondsRight(origin)) {
        const rule = origin.paralleled ? 'ac-parallel' : origin.bonds.length > origin.wanted ? 'ac-bond-many' : 'ac-bond-none';
        const key = `${rule} ${origin.sourceId}`;
        if (said.has(key)) continue;
        said.add(key);
        bondFinding(state, origin, rule, add);
      }
}

function bondFinding(state: AcState, origin: Origin, rule: string, add: AddAbout): void {
  const at = origin.bonds.map((b) => b.at).join(' and ');
  if (rule === 'ac-parallel')
    return add(
      rule,
      'stop',
      'AC source',
      origin.sourceId,
      'meets another source',
      `With ${state.name} two sources feed one panel: they burn, or one drives the other, and the lead ashore is live from the boat.`,
      'A transfer that opens one before it closes the other.',
    );
  if (rule === 'ac-bond-none')
    return add(
      rule,
      'stop',
      'AC source',
      origin.sourceId,
      'has no neutral–earth bond',
      `With ${state.name} neutral and earth are joined nowhere: a live case opens no breaker.`,
      'Join them once, at the source itself.',
    );
  const wanted = origin.wanted === 0 ? 'Ashore it is joined already; aboard there may be none' : 'There may be one';
  add(
    rule,
    'stop',
    'AC source',
    origin.sourceId,
    `has ${origin.bonds.length === 1 ? 'a neutral–earth bond' : `${origin.bonds.length} neutral–earth bonds`} aboard`,
    `With ${state.name} neutral and earth are joined at ${at}. ${wanted}: neutral current then runs in the earth, through the boat’s metal and the water.`,
    origin.wanted === 0 ? 'Take the link out, or have the transfer open the neutral too.' : 'Leave the one at the source.',
  );
}

function panelFindings(design: Design, p: AcPanel, add: AddAbout): void {
  const about = (rule: string, severity: 'stop' | 'fix' | 'note', title: string, why: string, todo: string) =>
    add(rule, severity, 'AC panel', p.id, title, why, todo);
  const feeders = design.acCircuits.filter((c) => c.to?.kind === 'panel' && c.to.id === p.id);
  if (feeders.length === 0)
    about('ac-panel-dead', 'fix', 'nothing feeds it', 'No run leads to it.', 'Add a run from a source or from another panel.');
  if (feeders.some((f) => f.from.kind === 'panel' && f.from.id === p.id))
    about('ac-panel-self', 'stop', 'feeds itself', 'A run leaves it and comes back to it.', 'Correct where the run begins or ends.');
  if (feeders.length > 1 && p.transfer === 'none')
    about(
      'ac-no-transfer',
      'stop',
      `has ${feeders.length} feeds and no transfer`,
      'Closed together two sources burn; the lead ashore is live from the boat.',
      'A transfer that opens one before it closes the other, neutral included.',
    );
  if (!p.barsApart)
    about(
      'ac-bars',
      'stop',
      'neutral and earth share a bar',
      'That is a neutral–earth bond in the panel, and loads’ current in the earth.',
      'A bar for each; the bond stands at the source.',
    );
  if (p.besideDcId !== null && !p.barrier)
    about(
      'ac-beside-dc',
      'stop',
      'AC and DC share its case without a barrier',
      'Whoever works on the 12 V side reaches into the mains.',
      'A barrier between them, or cases of their own; marked on the door.',
    );
  const fromShore = design.acSources.some((s) => s.kind === 'shore' && s.shore?.isolation !== 'isolation transformer');
  if (!p.polarityIndicator && fromShore && feeders.some((f) => f.from.kind === 'source'))
    about(
      'ac-polarity',
      'fix',
      'has no polarity indicator',
      'With live and neutral changed over ashore, breakers open the neutral and leave appliances live.',
      'An indicator that lights when neutral is live, at the main.',
    );
}

function earthing(design: Design, add: AddAbout): void {
  if (design.acSources.length === 0) return;
  const { earthing: way } = design.acRules;
  const about = (rule: string, severity: 'stop' | 'fix', title: string, why: string, todo: string) =>
    add(rule, severity, 'boat', 'ac', title, why, todo);
  if (way === EARTHINGS[0]) {
    const bars = new Set(design.bars.filter((b) => b.kind === 'AC earth bar').map((b) => b.id));
    if (!design.leads.some((l) => l.rail === 'earth' && [l.from, l.to].some((e) => e.kind === 'bar' && bars.has(e.id))))
      about(
        'ac-earth-joint',
        'fix',
        'the AC earth is not joined to the DC negative',
        'An AC fault into the DC side, in a charger or an inverter, then makes everything metal aboard live and opens nothing.',
        'Join the AC earth bar once to the main negative: Wiring, main side, proposes it; or choose another school under AC, bonds.',
      );
  } else if (way === 'isolation transformer') {
    for (const s of design.acSources.filter((x) => x.kind === 'shore' && x.shore?.isolation !== 'isolation transformer'))
      about(
        `ac-earth-transformer ${s.id}`,
        'stop',
        `${s.name} has no isolation transformer`,
        'The school chosen for the earth relies on one.',
        'Fit it, or choose another school under AC, bonds.',
      );
  } else {
    for (const s of design.acSources)
      for (const c of design.acCircuits.filter((x) => x.from.kind === 'source' && x.from.id === s.id && x.leakageMa === null))
        about(
          `ac-earth-residual ${c.id}`,
          'stop',
          `${c.name} has no residual-current device`,
          'The school chosen for the earth relies on one for the whole boat, behind every source.',
          'Fit one of 30 mA, double-pole, or choose another school under AC, bonds.',
        );
  }
}
