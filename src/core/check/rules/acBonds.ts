/** Rules on AC panels and transfers, and on where neutral meets earth in every state of them. */
import type { AcParts } from '../../ac';
import { type AcState, bondsRight, MOST_STATES, type Origin, statesOf } from '../../ac';
import { EARTHINGS, rowOf, setOp } from '../../design';
import { SOURCES, type Told, when } from '../rule';
import { acPanel, type AcRule, acWhole, set } from './acParts';
import { cablesProposed } from './proposed';

type BondRule = 'ac-parallel' | 'ac-bond-many' | 'ac-bond-none';
const wrongness = (o: Origin): BondRule => (o.paralleled ? 'ac-parallel' : o.bonds.length > 1 ? 'ac-bond-many' : 'ac-bond-none');

/** The first state in which each source's bonds are wrong in one way. */
const wrongStates = (design: AcParts, rule: BondRule): { readonly state: AcState; readonly origin: Origin }[] => {
  const said = new Set<string>();
  return statesOf(design).flatMap((state) =>
    state.origins.flatMap((origin) => {
      if (bondsRight(origin) || wrongness(origin) !== rule || said.has(origin.sourceId)) return [];
      said.add(origin.sourceId);
      return [{ state, origin }];
    }),
  );
};

const bond = (
  row: Pick<AcRule, 'id' | 'when' | 'why' | 'todo' | 'hazard'> & { id: BondRule },
  told: (state: AcState, origin: Origin) => Omit<Told, 'id'>,
  cure?: AcRule['cure'],
): AcRule => ({
  ...row,
  about: 'AC source',
  severity: 'stop',
  reads: ['acSources', 'acPanels', 'acCircuits'],
  confirm: 'a meter',
  source: SOURCES.ac,
  find: (design) => wrongStates(design, row.id).map(({ state, origin }) => ({ ...told(state, origin), id: origin.sourceId })),
  ...(cure ? { cure } : {}),
});

const BONDS: readonly AcRule[] = [
  bond(
    {
      id: 'ac-parallel',
      when: 'two sources meet in a state of the transfers',
      why: 'Two sources feed one panel: they burn, or one drives the other, and the lead ashore is live from the boat.',
      todo: 'A transfer that opens one before it closes the other.',
      hazard: 'shock',
    },
    (state) => ({
      title: 'meets another source',
      why: `With ${state.name} two sources feed one panel: they burn, or one drives the other, and the lead ashore is live from the boat.`,
    }),
  ),
  bond(
    {
      id: 'ac-bond-none',
      when: 'a source has no neutral–earth bond in some state',
      why: 'Neutral and earth are joined nowhere: a live case opens no breaker.',
      todo: 'Join them once, at the source itself.',
      hazard: 'shock',
    },
    (state) => ({
      title: 'has no neutral–earth bond',
      why: `With ${state.name} neutral and earth are joined nowhere: a live case opens no breaker.`,
    }),
    set('acSources', ['bonded'], true),
  ),
  bond(
    {
      id: 'ac-bond-many',
      when: 'a source has more neutral–earth bonds than it may, in some state',
      why: 'Neutral current then runs in the earth, through the boat’s metal and the water.',
      todo: 'Leave the one at the source.',
      hazard: 'stray current',
    },
    (state, origin) => {
      const ashore = origin.bonds.filter((b) => b.kind === 'ashore').length;
      const aboard = origin.bonds.length - ashore;
      return {
        title:
          aboard === 0
            ? 'is joined by its neutral to another lead ashore'
            : ashore > 0 && aboard === 1
              ? 'has a neutral–earth bond aboard beside that ashore'
              : `has ${origin.bonds.length} neutral–earth bonds`,
        why: `With ${state.name} neutral and earth are joined at ${origin.bonds.map((b) => b.at).join(' and ')}. There may be one: neutral current then runs in the earth, through the boat’s metal and the water.`,
        todo:
          ashore > 0
            ? 'Take the link out, or have the transfer open the neutral too: then nothing aboard is joined to the lead while another source feeds.'
            : 'Leave the one at the source.',
      };
    },
    (design) => {
      const linked = design.acPanels.filter((p) => p.linked);
      if (linked.length > 0) return linked.map((p) => setOp(design, ['acPanels', p.id, 'linked'], false));
      const left = design.acPanels.filter((p) => p.transfer !== 'none' && !p.switchesNeutral);
      return left.length > 0 ? left.map((p) => setOp(design, ['acPanels', p.id, 'switchesNeutral'], true)) : null;
    },
  ),
];

const feedersOf = (design: AcParts, panelId: string) => design.acCircuits.filter((c) => c.to?.kind === 'panel' && c.to.id === panelId);

const PANELS: readonly AcRule[] = [
  acPanel(
    {
      id: 'ac-panel-dead',
      severity: 'fix',
      reads: ['acCircuits.to'],
      when: 'no run leads to a panel',
      why: 'No run leads to it.',
      todo: 'Add a run from a source or from another panel.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
    },
    (p, d) => when(feedersOf(d, p.id).length === 0, () => ({ title: 'nothing feeds it' })),
  ),
  acPanel(
    {
      id: 'ac-panel-self',
      severity: 'stop',
      reads: ['acCircuits.from', 'acCircuits.to'],
      when: 'a run leaves a panel and comes back to it',
      why: 'A run leaves it and comes back to it.',
      todo: 'Correct where the run begins or ends.',
      hazard: 'fire',
      confirm: 'nothing',
      source: SOURCES.data,
      cure: (design, { about }) =>
        feedersOf(design, about.id)
          .filter((f) => f.from.id === about.id)
          .map((f) => setOp(design, ['acCircuits', f.id, 'to'], null)),
    },
    (p, d) =>
      when(
        feedersOf(d, p.id).some((f) => f.from.kind === 'panel' && f.from.id === p.id),
        () => ({ title: 'feeds itself' }),
      ),
  ),
  acPanel(
    {
      id: 'ac-no-transfer',
      severity: 'stop',
      reads: ['acPanels.transfer', 'acCircuits.to'],
      when: 'a panel has several feeds and no transfer',
      why: 'Closed together two sources burn; the lead ashore is live from the boat.',
      todo: 'A transfer that opens one before it closes the other, neutral included.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: (design, { about }) => [
        setOp(design, ['acPanels', about.id, 'transfer'], 'by hand'),
        setOp(design, ['acPanels', about.id, 'switchesNeutral'], true),
      ],
    },
    (p, d) =>
      when(feedersOf(d, p.id).length > 1 && p.transfer === 'none', () => ({
        title: `has ${feedersOf(d, p.id).length} feeds and no transfer`,
      })),
  ),
  acPanel(
    {
      id: 'ac-bars',
      severity: 'stop',
      reads: ['acPanels.barsApart'],
      when: 'neutral and earth share a bar in a panel',
      why: 'That is a neutral–earth bond in the panel, and loads’ current in the earth.',
      todo: 'A bar for each; the bond is at the source.',
      hazard: 'stray current',
      confirm: 'eyes',
      cure: set('acPanels', ['barsApart'], true),
    },
    (p) => when(!p.barsApart, () => ({ title: 'neutral and earth share a bar' })),
  ),
  acPanel(
    {
      id: 'ac-beside-dc',
      severity: 'stop',
      reads: ['acPanels.besideDcId', 'acPanels.barrier'],
      when: 'AC and DC share a case without a barrier',
      why: 'Whoever works on the 12 V side reaches into the mains.',
      todo: 'A barrier between them, or cases of their own; marked on the door.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: set('acPanels', ['barrier'], true),
    },
    (p) => when(p.besideDcId !== null && !p.barrier, () => ({ title: 'AC and DC share its case without a barrier' })),
  ),
  acPanel(
    {
      id: 'ac-polarity',
      severity: 'fix',
      reads: ['acPanels.polarityIndicator', 'acSources.shore'],
      when: 'the main panel of a shore inlet has no polarity indicator',
      why: 'With live and neutral changed over ashore, breakers open the neutral and leave appliances live.',
      todo: 'An indicator that lights when neutral is live, at the main.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: set('acPanels', ['polarityIndicator'], true),
    },
    (p, d) => {
      const fromShore = d.acSources.some((s) => s.kind === 'shore' && s.shore?.isolation !== 'isolation transformer');
      return when(!p.polarityIndicator && fromShore && feedersOf(d, p.id).some((f) => f.from.kind === 'source'), () => ({
        title: 'has no polarity indicator',
      }));
    },
  ),
];

const EARTH: readonly AcRule[] = [
  acWhole(
    {
      id: 'ac-states-many',
      severity: 'note',
      reads: ['acSources', 'acPanels', 'acCircuits'],
      when: `leads, transfers and inverters have ${MOST_STATES} states or more`,
      why: 'The bonds are proved in the first of them only.',
      todo: 'Fewer transfers, or prove the rest by meter: neutral to earth, each source by itself.',
      hazard: 'shock',
      confirm: 'a meter',
      source: SOURCES.data,
    },
    (d) => when(statesOf(d).length >= MOST_STATES, () => ({ title: `bonds are proved in ${MOST_STATES} states, and there are more` })),
  ),
  acWhole(
    {
      id: 'ac-earth-joint',
      severity: 'fix',
      reads: ['acRules.earthing', 'bars.kind', 'leads'],
      when: 'the school chosen joins the AC earth to the DC negative, and no lead does',
      why: 'An AC fault into the DC side, in a charger or an inverter, then makes everything metal aboard live and opens nothing.',
      todo: 'Join the AC earth bar once to the main negative: Wiring, main side, proposes it; or choose another school under AC, bonds.',
      hazard: 'shock',
      confirm: 'a meter',
      cure: (design) =>
        cablesProposed(design, (l, all) => l.rail === 'earth' && l.from.kind === 'bar' && rowOf(all, l.from.id)?.kind === 'AC earth bar'),
    },
    (d) => {
      if (d.acSources.length === 0 || d.acRules.earthing !== EARTHINGS[0]) return [];
      const bars = new Set(d.bars.filter((b) => b.kind === 'AC earth bar').map((b) => b.id));
      const joined = d.leads.some((l) => l.rail === 'earth' && [l.from, l.to].some((e) => e.kind === 'bar' && bars.has(e.id)));
      return when(!joined, () => ({ title: 'the AC earth is not joined to the DC negative' }));
    },
  ),
  acWhole(
    {
      id: 'ac-earth-transformer',
      severity: 'stop',
      reads: ['acRules.earthing', 'acSources.shore.isolation'],
      when: 'the school chosen relies on an isolation transformer that an inlet does not have',
      why: 'The school chosen for the earth relies on one.',
      todo: 'Fit it, or choose another school under AC, bonds.',
      hazard: 'shock',
      confirm: 'eyes',
      cure: (design) =>
        design.acSources.flatMap((s) =>
          s.shore ? [setOp(design, ['acSources', s.id, 'shore', 'isolation'], 'isolation transformer')] : [],
        ),
    },
    (d) =>
      d.acRules.earthing === 'isolation transformer'
        ? d.acSources.flatMap((s) =>
            when(s.kind === 'shore' && s.shore?.isolation !== 'isolation transformer', () => ({
              suffix: ` ${s.id}`,
              title: `${s.name} has no isolation transformer`,
            })),
          )
        : [],
  ),
  acWhole(
    {
      id: 'ac-earth-residual',
      severity: 'stop',
      reads: ['acRules.earthing', 'acCircuits.leakageMa'],
      when: 'the school chosen relies on a residual-current device behind every source, and one is missing',
      why: 'The school chosen for the earth relies on one for the whole boat, behind every source.',
      todo: 'Fit one of 30 mA, double-pole, or choose another school under AC, bonds.',
      hazard: 'shock',
      confirm: 'a meter',
      cure: (design) =>
        design.acCircuits.flatMap((c) =>
          c.from.kind === 'source' && c.leakageMa === null ? [setOp(design, ['acCircuits', c.id, 'leakageMa'], 30)] : [],
        ),
    },
    (d) =>
      d.acRules.earthing === 'whole-boat residual current'
        ? d.acSources.flatMap((s) =>
            d.acCircuits.flatMap((c) =>
              when(c.from.kind === 'source' && c.from.id === s.id && c.leakageMa === null, () => ({
                suffix: ` ${c.id}`,
                title: `${c.name} has no residual-current device`,
              })),
            ),
          )
        : [],
  ),
];

export const AC_BOND_RULES: readonly AcRule[] = [...PANELS, ...EARTH, ...BONDS];
