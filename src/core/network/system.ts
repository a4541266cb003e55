/** The boat as one network: banks, feeders, panels, branches, sources and loads, both conductors apart (docs/methods.md, M6). */
import { alternatorAt, chargerAmps } from '../charging';
import { type CircuitResult } from '../circuit';
import {
  asDecided,
  type Circuit,
  type Design,
  type BankTie,
  type Load,
  type Source,
  type Study,
  rowOf,
  startBankOf,
  nominalVOf,
} from '../design';
import { TYPICAL_PATH_OHM } from '../rules';
import { isCharging, loadCurrent } from '../demand';
import { bankRestV, bankSource } from '../bank';
import type { BatteryCableResult, Paths } from '../mainSide';
import { bankPost as post, barNode, endNode, tieSide, panelBar as bar, returnBar, sourcePost } from '../topology';
import type { NetBranch, NetLoad, Network } from '../solve';

/** A strap between the negatives of two banks, and a closed contact between their positives, ohm: typical. */
const STRAP_OHM = 0.0005;
const CONTACT_OHM = 0.001;

export interface System {
  readonly network: Network;
  /** By circuit: its branches, positive and negative, and the part of each that is copper of its own run (not devices before it). */
  readonly runs: ReadonlyMap<string, readonly string[]>;
  /** Diodes: branches that let current through from their first node to their second, and the volts each takes. */
  readonly diodes: ReadonlyMap<string, number>;
  /** Loads that are asked for and stand behind something open, or on no circuit. */
  readonly cutOff: readonly string[];
}

/** The starter, as a load of the network. */
export const STARTER = 'the starter';

const tapNode = (circuitId: string, tapId: string, rail: '+' | '-') => `${circuitId}/${tapId}${rail}`;

/** What a system is made from. */
export interface Analysed {
  readonly circuits: readonly CircuitResult[];
  readonly leads: readonly BatteryCableResult[];
  readonly paths: Paths;
}

/** How the switches stand, where it is not how the design has them: circuits opened by hand, what joins banks, and starters that turn. */
export interface Hands {
  /** Circuits whose device or switch is open. */
  readonly open: ReadonlySet<string>;
  readonly joins: Readonly<Record<string, BankTie['running']>>;
}

/** A starter other than the engine's that turns, on the posts of its bank. */
export interface Turning {
  readonly turning?: { readonly bankId: string; readonly amps: number };
}

/** @param turned what hands have done on the bench; null: as the study has it. */
export function systemOf(whole: Design, { circuits, leads, paths }: Analysed, study: Study & Turning, turned: Hands | null = null): System {
  const hands = turned ?? { open: new Set(study.open), joins: study.positions ?? {} };
  const design = asDecided(whole);
  const results = new Map(circuits.map((r) => [r.id, r]));
  const branches: NetBranch[] = [];
  const runs = new Map<string, readonly string[]>();
  const ends = new Map<string, Ends>();
  for (const circuit of design.circuits) {
    const result = results.get(circuit.id);
    const ohms = result?.warmOhm;
    if (!ohms || !closed(circuit, study) || hands.open.has(circuit.id)) continue;
    const laid = runOf(design, circuit, ohms.head, ohms.segments, feedNode(design, circuit, study.engineRpm, hands));
    branches.push(...laid);
    runs.set(
      circuit.id,
      laid.map((b) => b.id),
    );
    for (const tap of circuit.taps)
      if (tap.serves.kind === 'load' && !ends.has(tap.serves.id))
        ends.set(tap.serves.id, { plus: tapNode(circuit.id, tap.id, '+'), minus: tapNode(circuit.id, tap.id, '-') });
  }
  branches.push(...mainSide(design, leads, study, hands));
  const sources = design.sources.flatMap((s) => sourceOf(design, s, study, paths, ends, hands));
  const diodes = diodesOf(design, sources);
  branches.push(...diodes.map(({ branch }) => branch));
  const asked = design.loads.filter((l) => study.loads[l.id] !== undefined && !isCharging(l));
  const reached = asked.filter((l) => ends.has(l.id));
  return {
    network: {
      branches,
      banks: design.banks.map((b) => {
        const source = bankSource(b);
        return { id: b.id, plus: post(b.id, '+'), minus: post(b.id, '-'), emfV: bankRestV(source, study.soc), ohm: source.ohm };
      }),
      sources,
      loads: [
        ...reached.map((l) => ({
          id: l.id,
          ...(ends.get(l.id) ?? { plus: '', minus: '' }),
          ...drawOf(l, study.loads[l.id] === 'start'),
        })),
        ...starterOf(design, study),
      ],
    },
    runs,
    diodes: new Map(diodes.map(({ branch, dropV }) => [branch.id, dropV])),
    cutOff: asked.filter((l) => !ends.has(l.id)).map((l) => l.id),
  };
}

/** What hangs on the engine's key is dead while it stands. */
const closed = (circuit: Circuit, study: Study): boolean => circuit.supply !== 'engine key' || study.engineRpm > 0 || study.cranking;

/** How a selector stands: as a hand has turned it, else as habit has it with the engine running or stopped. */
export const positionOf = (tie: BankTie, engineRpm: number, hands: Pick<Hands, 'joins'> | null): BankTie['running'] =>
  hands?.joins[tie.id] ?? (engineRpm > 0 ? tie.running : tie.stopped);

/** A selector whose common post is entered: something lands on it, and a cable on each of its sides. */
export const hasCommon = ({ leads }: Pick<Design, 'leads'>, tie: BankTie): boolean =>
  tie.kind === 'selector' &&
  (['join first', 'join second', 'join common'] as const).every((kind) =>
    leads.some((l) => l.rail === 'positive' && [l.from, l.to].some((e) => e.kind === kind && e.id === tie.id)),
  );

/**
 * Where a circuit's positive begins. What hangs on the first bank of a selector hangs on its common, and so on the bank it is turned to, unless
 * it is always live, which stands before it; at off on nothing. The contact itself counts where it joins both, and where the common post is entered.
 */
export function feedNode(
  design: Design,
  circuit: Pick<Circuit, 'from' | 'supply'>,
  engineRpm: number,
  hands: Pick<Hands, 'joins'> | null,
): string {
  const { from, supply } = circuit;
  if (from.kind === 'panel') return bar(from.id, '+');
  const selector = supply === 'always live' ? undefined : design.joins.find((j) => j.kind === 'selector' && j.firstId === from.id);
  const position = selector && positionOf(selector, engineRpm, hands);
  if (selector && (position === 'off' || hasCommon(design, selector))) return tieSide(selector.id, 'common');
  return post(position === 'second' ? (selector?.secondId ?? from.id) : from.id, '+');
}

function together(tie: BankTie, study: Study, hands: Hands | null): boolean {
  const position = hands?.joins[tie.id];
  if (position !== undefined && tie.kind !== 'splitter') return position === 'both';
  if (tie.kind === 'relay') return study.engineRpm > 0 || study.shore;
  if (tie.kind === 'splitter') return false;
  return positionOf(tie, study.engineRpm, hands) === 'both';
}

/** Leads as they lie, closed contacts of what joins banks, and straps of a typical size where nobody has entered any. */
function mainSide(design: Design, leads: readonly BatteryCableResult[], study: Study, hands: Hands | null): NetBranch[] {
  const out: NetBranch[] = [];
  const landed = new Set<string>();
  design.leads.forEach((lead, i) => {
    const result = leads[i];
    const [a, b] = [endNode(lead.from, lead), endNode(lead.to, lead)];
    if (!result || a === b) return;
    landed.add(a).add(b);
    out.push({ id: `lead ${lead.id}`, a, b, ohm: result.copperOhm + result.inlineOhm });
  });
  const [first] = design.banks;
  for (const bank of design.banks)
    if (first && bank.id !== first.id && !landed.has(post(bank.id, '-')))
      out.push({ id: `strap ${bank.id}`, a: post(first.id, '-'), b: post(bank.id, '-'), ohm: STRAP_OHM });
  for (const tie of design.joins) {
    if (hasCommon(design, tie)) {
      const position = positionOf(tie, study.engineRpm, hands);
      for (const side of ['first', 'second'] as const)
        if (position === side || position === 'both')
          out.push({ id: `join ${tie.id} ${side}`, a: tieSide(tie.id, side), b: tieSide(tie.id, 'common'), ohm: CONTACT_OHM / 2 });
      continue;
    }
    if (tie.firstId === null || tie.secondId === null || !together(tie, study, hands)) continue;
    const side = (which: 'first' | 'second', bankId: string) => {
      const node = tieSide(tie.id, which);
      return landed.has(node) ? node : post(bankId, '+');
    };
    out.push({ id: `join ${tie.id}`, a: side('first', tie.firstId), b: side('second', tie.secondId), ohm: CONTACT_OHM });
  }
  return out;
}

const splitterNode = (joinId: string): string => `splitter ${joinId}`;

/** The diodes of splitters that a source runs into. The splitter's node stands for the volts behind them: its sources' setpoints are lowered by the drop. */
function diodesOf(design: Design, sources: Network['sources']): { readonly branch: NetBranch; readonly dropV: number }[] {
  return design.joins.flatMap((j) => {
    const a = splitterNode(j.id);
    if (!sources.some((s) => s.plus === a)) return [];
    return [j.firstId, j.secondId].flatMap((id) =>
      id === null ? [] : [{ branch: { id: `diode ${j.id} ${id}`, a, b: post(id, '+'), ohm: CONTACT_OHM }, dropV: j.dropV }],
    );
  });
}

/** The starter's own draw while it cranks: at its post and the block where they are entered, else at the start bank behind its path. */
function starterOf(design: Design, study: Study & Turning): NetLoad[] {
  const { engine } = design;
  const { turning } = study;
  if (turning)
    return [{ id: STARTER, plus: post(turning.bankId, '+'), minus: post(turning.bankId, '-'), watts: 0, siemens: 0, amps: turning.amps }];
  if (!study.cranking) return [];
  const at = (kind: 'starter' | 'engine') => {
    const found = design.bars.find(
      (b) => b.kind === kind && design.leads.some((l) => [l.from, l.to].some((e) => e.kind === 'bar' && e.id === b.id)),
    );
    return found && barNode(found.id);
  };
  const [plus, minus] = [at('starter'), at('engine')];
  const bankId = startBankOf(design)?.id ?? design.banks[0]?.id;
  if (bankId === undefined) return [];
  const draw = { watts: 0, siemens: 0, amps: engine.crankA };
  return [{ id: STARTER, plus: plus ?? post(bankId, '+'), minus: (plus && minus) ?? post(bankId, '-'), ...draw }];
}

/** Where a circuit's negative ends. */
export function returnNode(design: Design, { from }: Pick<Circuit, 'from'>): string {
  if (from.kind === 'panel') return bar(from.id, '-');
  const back = returnBar(design, from.id);
  return back === null ? post(from.id, '-') : barNode(back);
}

/** Behind what is in line at a circuit's feed. */
export const headNode = ({ id }: Pick<Circuit, 'id'>): string => `${id}/head+`;

/** A circuit's branches: what is in line on the positive, then each segment, half of it on either rail. */
function runOf(design: Design, circuit: Circuit, headOhm: number, segments: readonly number[], feed: string): NetBranch[] {
  const from = (rail: '+' | '-') => (rail === '+' ? feed : returnNode(design, circuit));
  const head = headNode(circuit);
  const nodeOf = (at: number, rail: '+' | '-'): string => {
    const tap = circuit.taps[at];
    if (!tap) return rail === '+' ? head : from('-');
    return tap.serves.kind === 'panel' ? bar(tap.serves.id, rail) : tapNode(circuit.id, tap.id, rail);
  };
  return [
    { id: `${circuit.id}/head`, a: from('+'), b: head, ohm: headOhm },
    ...circuit.taps.flatMap((tap, i): NetBranch[] => {
      const parent = circuit.taps.findIndex((t) => t.id === tap.parent);
      return (['+', '-'] as const).map((rail) => ({
        id: `${circuit.id}/${tap.id}${rail}`,
        a: nodeOf(parent, rail),
        b: nodeOf(i, rail),
        ohm: (segments[i] ?? 0) / 2,
      }));
    }),
  ];
}

/** What a load draws: as rated, or at its start, which a motor or supply draws as so many amps. */
function drawOf(load: Load, starting: boolean): { watts: number; siemens: number; amps: number } {
  const none = { watts: 0, siemens: 0, amps: 0 };
  const { nominalA, nominalW, surgeA } = loadCurrent(load, { lowV: load.nominalV, chargingV: load.nominalV });
  if (starting && surgeA !== null) return { ...none, amps: surgeA };
  if (load.behaviour === 'power') return { ...none, watts: nominalW };
  if (load.behaviour === 'resistance') return { ...none, siemens: nominalA / load.nominalV };
  return { ...none, amps: nominalA };
}

/**
 * Alternators at the study's engine speed, chargers on shore power; sun and wind are left out: a study asks what is sure. One on a circuit
 * of its own stands at its far end; its setpoint is raised by what its path takes at full output where it senses the bank.
 */
function sourceOf(
  design: Design,
  s: Source,
  study: Study,
  paths: Paths,
  ends: ReadonlyMap<string, Ends>,
  hands: Hands | null,
): Network['sources'] {
  const bankId = chargedBank(design, s, study.engineRpm, hands);
  if (bankId === null) return [];
  const limitA =
    s.kind === 'alternator' && s.alternator && study.engineRpm > 0
      ? alternatorAt(s.alternator, nominalVOf(design, bankId), study.engineRpm, 0, Infinity).beltA
      : s.kind === 'shore charger' && study.shore
        ? chargerAmps(design, s, Infinity)
        : 0;
  if (!(limitA > 0)) return [];
  const { bandV, absorptionV, sense } = s.regulator;
  const pathOhm = (s.pathMohm ?? paths[s.id] ?? 1000 * TYPICAL_PATH_OHM) / 1000;
  const wired = s.pathMohm === null ? ownEnds(design, s, ends) : undefined;
  if (wired) {
    const setV = absorptionV + (sense === 'the bank' ? limitA * pathOhm : 0);
    return [{ id: s.id, ...wired, setV, ohm: bandV / limitA, limitA }];
  }
  const ohm = bandV / limitA + (sense === 'the bank' ? 0 : pathOhm);
  const splitter = design.joins.find((j) => j.id === s.joinId && j.kind === 'splitter');
  const plus = splitter ? splitterNode(splitter.id) : post(bankId, '+');
  const setV = absorptionV - (splitter && sense !== 'the bank' ? splitter.dropV : 0);
  return [{ id: s.id, plus, minus: post(bankId, '-'), setV, ohm, limitA }];
}

/** The bank a source's output reaches: through a selector the one it is turned to, through a splitter its first; null where it is left open. */
export function chargedBank(design: Design, s: Source, engineRpm: number, hands: Pick<Hands, 'joins'> | null): string | null {
  const tie = rowOf(design.joins, s.joinId);
  if (!tie) return s.bankId;
  if (tie.kind !== 'selector') return s.bankId ?? tie.firstId;
  const position = positionOf(tie, engineRpm, hands);
  if (position === 'off') return null;
  return position === 'second' ? tie.secondId : tie.firstId;
}

interface Ends {
  readonly plus: string;
  readonly minus: string;
}

/** Where a source's own conductors end: its run on the load sheet, or its leads of the main side. */
function ownEnds(design: Design, s: Source, ends: ReadonlyMap<string, Ends>): Ends | undefined {
  const run = s.loadId === null ? undefined : ends.get(s.loadId);
  if (run) return run;
  const has = (rail: 'positive' | 'negative', id = s.id) =>
    design.leads.some((l) => l.rail === rail && [l.from, l.to].some((e) => e.kind === 'source' && e.id === id));
  const machineId = s.outputOf ?? s.id;
  if (!has('positive')) return undefined;
  if (has('negative', machineId)) return { plus: sourcePost(s.id, '+'), minus: sourcePost(machineId, '-') };
  // An alternator returns through the block it is bolted to.
  const block = s.kind === 'alternator' ? design.bars.find((b) => b.kind === 'engine') : undefined;
  return block && { plus: sourcePost(s.id, '+'), minus: barNode(block.id) };
}
