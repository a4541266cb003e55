/** Facts nobody has entered, with how much is judged by each: what to find out first. */
import type { About, Design } from '../design';
import { chemistryOf } from '../bank';
import { mountedOf } from '../mounting';
import { bankOfLoads } from '../topology';

export interface Missing {
  /** Kind of fact, as "short-circuit current of a battery". */
  readonly kind: string;
  readonly about: About;
  /** How it is found out. */
  readonly how: string;
  /** So many cables, devices and machines are judged by it, or by what stands in for it. */
  readonly judged: number;
}

/** Facts of one kind together: found out on one round. */
export interface MissingKind {
  readonly kind: string;
  readonly how: string;
  readonly facts: readonly Missing[];
  readonly judged: number;
}

type Say = (kind: string, how: string, about: About, judged: number) => void;

function ofBanks(design: Design, say: Say): void {
  const fedBy = bankOfLoads(design);
  for (const b of design.banks) {
    const about: About = { kind: 'bank', id: b.id };
    const loads = design.loads.filter((l) => fedBy.get(l.id) === b.id);
    const serving = new Set(loads.map((l) => l.id));
    const circuits = design.circuits.filter((c) => c.from.id === b.id || c.taps.some((t) => serving.has(t.serves.id))).length;
    const cables = design.leads.filter((l) => l.from.id === b.id || l.to.id === b.id).length;
    const sources = design.sources.filter((s) => s.bankId === b.id).length;
    if (b.shortCircuitA === null) say('short-circuit current of a battery', 'ask its maker', about, circuits + cables);
    if (b.placeId === null) say('where a battery stands', 'look', about, circuits + cables);
    for (const [key, what] of [
      ['absorptionV', 'absorption volts'],
      ['floatV', 'float volts'],
      ['maxChargeA', 'largest charge current'],
    ] as const)
      if (b.sheet[key] === null && sources > 0) say(`${what} of a battery`, 'read its sheet', about, sources);
    if (b.chemistry === 'lfp' && b.bms === null) say('volts its BMS opens at', 'read its sheet', about, sources + cables);
    if (b.job === 'start' && b.cca === null) say('cold cranking current', 'read its label', about, 1);
    for (const [key, what, asked] of [
      ['held', 'whether a battery is held down', true],
      ['covered', 'whether its posts are covered', true],
      ['vented', 'whether it is aired', chemistryOf(b).leadAcid],
    ] as const)
      if (asked && b.mounting[key] === null) say(what, 'look', about, 1);
  }
}

function ofLoads(design: Design, say: Say): void {
  for (const l of design.loads) {
    const about: About = { kind: 'load', id: l.id };
    if (l.placeId === null && l.at === null) say('where a load is', 'look', about, 1);
    if (l.group !== 'charging' && l.research === 'unread') say('what a load’s maker asks for', 'read its sheet', about, l.critical ? 2 : 1);
    if (l.rating > 0 && l.mark === 'estimated') say('what a load draws', 'measure, or read its plate', about, l.critical ? 2 : 1);
  }
}

function ofCables(design: Design, say: Say): void {
  for (const c of design.circuits) {
    const about: About = { kind: 'circuit', id: c.id };
    if (c.taps.length > 0 && c.taps.some((t) => t.tapedM === null) && c.found?.lengthM == null)
      say('length of a run', 'tape it', about, c.taps.length);
    if (c.found && !c.found.sizeKnown) say('size of a wire found', 'measure it', about, c.taps.length + 1);
    if (c.found?.decision === 'undecided') say('what becomes of a wire found', 'decide', about, 1);
    for (const d of c.devices) if (d.ratingA === null) say('rating of a switch or plug in line', 'read its marks', about, 1);
  }
  for (const l of design.leads) {
    const about: About = { kind: 'lead', id: l.id };
    if (l.lengthM === null) say('length of a battery cable', 'tape it', about, 1);
    for (const d of l.through) if (d.ratingA === null) say('rating of a switch or plug in line', 'read its marks', about, 1);
  }
  for (const p of design.panels) {
    const about: About = { kind: 'panel', id: p.id };
    const ways = design.circuits.filter((c) => c.from.id === p.id).length;
    if (p.maxTotalA === null) say('largest amps of a panel', 'read its sheet', about, ways);
    if (p.placeId === null) say('where a panel is', 'look', about, ways);
  }
  for (const b of design.bars) {
    const ends = design.leads.filter((l) => l.from.id === b.id || l.to.id === b.id).length;
    if ((b.kind === 'positive bus' || b.kind === 'negative bus') && (b.ratedA === null || b.studs === null))
      say('rating and studs of a bus bar', 'read its sheet', { kind: 'bar', id: b.id }, ends);
  }
}

function ofMachines(design: Design, say: Say): void {
  for (const s of design.sources) {
    const about: About = { kind: 'source', id: s.id };
    if (s.placeId === null) say('where a source is', 'look', about, 1);
    if (s.alternator && s.alternator.fit.mounting === 'unknown') say('how an alternator is mounted', 'measure it', about, 1);
    if (s.alternator?.suppressor && s.alternator.suppressorPart?.tripV == null)
      say('what a surge suppressor trips at', 'read its sheet', about, 1);
  }
  for (const s of design.acSources) {
    const about: About = { kind: 'AC source', id: s.id };
    const runs = design.acCircuits.length;
    if (s.shore && s.shore.pedestalOhm === null) say('resistance of the pedestal’s supply', 'measure it, or ask', about, runs);
    if (s.generator && s.generator.starter === null) say('what a generator’s starter draws', 'read its sheet', about, 1);
  }
  for (const t of mountedOf(design))
    if (!t.face && t.kind !== 'gauge') say('what a machine or panel is mounted on', 'measure the face', { kind: t.kind, id: t.id }, 1);
  for (const g of design.gauges) if (g.placeId === null) say('where a gauge is seen', 'say so', { kind: 'gauge', id: g.id }, 1);
}

/** All that is missing, kind by kind, the kind most is judged by first. */
export function missingOf(design: Design): readonly MissingKind[] {
  const by = new Map<string, Missing[]>();
  const say: Say = (kind, how, about, judged) => {
    by.set(kind, [...(by.get(kind) ?? []), { kind, how, about, judged }]);
  };
  ofBanks(design, say);
  ofLoads(design, say);
  ofCables(design, say);
  ofMachines(design, say);
  return [...by.values()]
    .map((facts): MissingKind => ({
      kind: facts[0]?.kind ?? '',
      how: facts[0]?.how ?? '',
      facts,
      judged: facts.reduce((sum, f) => sum + f.judged, 0),
    }))
    .sort((a, b) => b.judged - a.judged || a.kind.localeCompare(b.kind, 'en'));
}

/** The single facts most is judged by: those three that would settle most. */
export const settlingMost = (kinds: readonly MissingKind[], n = 3): readonly Missing[] =>
  [...kinds.flatMap((k) => k.facts)].sort((a, b) => b.judged - a.judged).slice(0, n);
