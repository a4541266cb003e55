/** Working the boat's own switches: what is live, what charges and what feeds what as they stand, and what an act brings about (docs/methods.md, "Switching"). */
import {
  asDecided,
  type Design,
  type BankTie,
  kindOf,
  type Load,
  madeForV,
  type Severity,
  type Study,
  rowOf,
  startBankOf,
} from '../design';
import { bankPost, servingOf, tieSide } from '../topology';
import { isCharging } from '../demand';
import { runStudy, type StudyAnswer } from './study';
import { type Analysed, chargedBank, feedNode, hasCommon, positionOf } from './system';

/** How everything a hand can turn stands. */
export interface Standing {
  /** Circuits whose breaker, fuse or switch is open. */
  readonly open: ReadonlySet<string>;
  readonly joins: Readonly<Record<string, BankTie['running']>>;
  /** Engine speed, rpm; 0: stopped. */
  readonly rpm: number;
  readonly shore: boolean;
  /** Loads in use. */
  readonly on: ReadonlySet<string>;
}

export type Act =
  | { readonly do: 'switch'; readonly circuitId: string }
  | { readonly do: 'turn'; readonly joinId: string; readonly to: BankTie['running'] }
  | { readonly do: 'engine'; readonly run: boolean }
  | { readonly do: 'shore'; readonly in: boolean }
  | { readonly do: 'use'; readonly loadId: string };

export interface BenchAnswer {
  readonly study: StudyAnswer;
  readonly liveCircuits: readonly string[];
  /** By bank: circuits it reaches, through closed devices and ties. */
  readonly feeds: Readonly<Record<string, readonly string[]>>;
  /** Sources that run and have no bank to charge. */
  readonly openSources: readonly string[];
}

export interface Consequence {
  readonly severity: Severity;
  readonly title: string;
  readonly why: string;
  readonly todo: string;
}

/** As she lies alongside her mooring: everything closed, engine stopped, what runs long in use, ties as their habit is. */
export const atRest = (design: Design): Standing => ({
  open: new Set(),
  joins: Object.fromEntries(design.joins.filter((j) => j.kind === 'selector').map((j) => [j.id, j.stopped])),
  rpm: 0,
  shore: false,
  on: new Set(design.loads.filter((l) => l.runsLong && !isCharging(l)).map((l) => l.id)),
});

const toggled = (set: ReadonlySet<string>, id: string): ReadonlySet<string> => {
  const next = new Set(set);
  if (!next.delete(id)) next.add(id);
  return next;
};

export function after(design: Design, s: Standing, act: Act): Standing {
  switch (act.do) {
    case 'switch':
      return { ...s, open: toggled(s.open, act.circuitId) };
    case 'turn':
      return { ...s, joins: { ...s.joins, [act.joinId]: act.to } };
    case 'engine':
      return { ...s, rpm: act.run ? design.engine.idleRpm : 0 };
    case 'shore':
      return { ...s, shore: act.in };
    case 'use':
      return { ...s, on: toggled(s.on, act.loadId) };
  }
}

const SOC = 0.7;
const studyOf = (s: Standing, cranking = false): Study => ({
  id: 'bench',
  name: 'bench',
  soc: SOC,
  engineRpm: s.rpm,
  shore: s.shore,
  cranking,
  loads: Object.fromEntries([...s.on].map((id) => [id, 'on' as const])),
});

/** @param analysed results of this process, not copies. */
export function standingAnswer(whole: Design, analysed: Analysed, s: Standing): BenchAnswer {
  const design = asDecided(whole);
  const study = runStudy(design, analysed, studyOf(s), s);
  const volts = (node: string) => study.nodes[node] ?? NaN;
  const live = design.circuits.filter((c) => {
    if (s.open.has(c.id) || (c.supply === 'engine key' && s.rpm === 0)) return false;
    return volts(feedNode(design, c, s.rpm, s)) > 1;
  });
  const running = design.sources.filter((x) => (x.kind === 'alternator' && s.rpm > 0) || (x.kind === 'shore charger' && s.shore));
  return {
    study,
    liveCircuits: live.map((c) => c.id),
    feeds: Object.fromEntries(design.banks.map((b) => [b.id, reached(design, s, b.id)])),
    openSources: running.filter((x) => isOpen(design, s, x.id)).map((x) => x.id),
  };
}

/** Nothing takes what it gives: its selector stands at off, or the circuit it is on is open. */
function isOpen(design: Design, s: Standing, sourceId: string): boolean {
  const source = rowOf(design.sources, sourceId);
  if (!source) return false;
  if (chargedBank(design, source, s.rpm, s) === null) return true;
  let circuit = servingOf(design.circuits).loads.get(source.loadId ?? '');
  const seen = new Set<string>();
  while (circuit && !seen.has(circuit.id)) {
    if (s.open.has(circuit.id)) return true;
    seen.add(circuit.id);
    const { from } = circuit;
    circuit = from.kind === 'panel' ? servingOf(design.circuits).panels.get(from.id) : undefined;
  }
  return false;
}

/** Circuits a bank reaches, its own and those of banks joined to it. */
function reached(design: Design, s: Standing, bankId: string): string[] {
  const banks = new Set([bankId]);
  for (const j of design.joins) {
    const closed = j.kind === 'selector' ? s.joins[j.id] === 'both' : j.kind === 'relay' && (s.rpm > 0 || s.shore);
    if (!closed || j.firstId === null || j.secondId === null) continue;
    if (banks.has(j.firstId)) banks.add(j.secondId);
    else if (banks.has(j.secondId)) banks.add(j.firstId);
  }
  const posts = new Set([...banks].map((id) => bankPost(id, '+')));
  for (const j of design.joins) {
    if (!hasCommon(design, j)) continue;
    const position = positionOf(j, s.rpm, s);
    const on = (side: 'first' | 'second', id: string | null) => (position === side || position === 'both') && id !== null && banks.has(id);
    if (on('first', j.firstId) || on('second', j.secondId)) posts.add(tieSide(j.id, 'common'));
  }
  const panels = new Set<string>();
  const out = new Set<string>();
  for (let grew = true; grew;) {
    grew = false;
    for (const c of design.circuits) {
      if (out.has(c.id) || s.open.has(c.id)) continue;
      if (c.from.kind === 'bank' ? !posts.has(feedNode(design, c, s.rpm, s)) : !panels.has(c.from.id)) continue;
      out.add(c.id);
      grew = true;
      for (const t of c.taps) if (t.serves.kind === 'panel') panels.add(t.serves.id);
    }
  }
  return design.circuits.filter((c) => out.has(c.id)).map((c) => c.id);
}

const named = (rows: readonly { readonly name: string }[]): string =>
  rows.length > 4
    ? `${rows
        .slice(0, 3)
        .map((r) => r.name)
        .join(', ')} and ${rows.length - 3} more`
    : rows.map((r) => r.name).join(', ');

const isInverter = (l: Load): boolean => kindOf(l) === 'inverter';

/** What an act brings about, worst first; empty where it does no harm. */
export function consequencesOf(whole: Design, analysed: Analysed, before: Standing, act: Act): Consequence[] {
  const design = asDecided(whole);
  const now = after(design, before, act);
  const [was, is] = [standingAnswer(design, analysed, before), standingAnswer(design, analysed, now)];
  const out: Consequence[] = [];
  const say = (severity: Severity, title: string, why: string, todo: string) => out.push({ severity, title, why, todo });
  const name = (id: string) => [...design.sources, ...design.banks, ...design.circuits].find((x) => x.id === id)?.name ?? id;

  // A hand selector that breaks before it makes passes through nothing on its way.
  const turned = act.do === 'turn' ? rowOf(design.joins, act.joinId) : undefined;
  const passes =
    turned &&
    !turned.makeBeforeBreak &&
    act.do === 'turn' &&
    before.joins[turned.id] !== act.to &&
    act.to !== 'off' &&
    before.joins[turned.id] !== 'off';
  for (const id of is.openSources) {
    const source = rowOf(design.sources, id);
    if (was.openSources.includes(id) || source?.kind !== 'alternator') continue;
    const tie = rowOf(design.joins, source.joinId);
    if (before.rpm > 0 && now.rpm > 0 && !tie?.fieldDisconnect)
      say(
        source.alternator?.suppressor ? 'fix' : 'stop',
        `${source.name} left open-circuit with the engine running`,
        source.alternator?.suppressor
          ? 'Its suppressor takes the surge, once; nothing charges now.'
          : 'Its output has nowhere to go: the volts leap to ten times nominal and destroy its diodes and the electronics on its line.',
        'Stop the engine first, or never through off; a suppressor at the alternator and a field contact on the switch.',
      );
    else if (now.rpm > 0)
      say(
        'fix',
        `${source.name} runs and charges nothing`,
        'The switch is at off.',
        'Turn the switch to a battery before the engine is started.',
      );
  }
  if (passes && before.rpm > 0 && design.sources.some((s) => s.kind === 'alternator' && s.joinId === turned.id) && !turned.fieldDisconnect)
    say(
      'stop',
      `${turned.name} breaks before it makes: the alternator is open-circuit on the way`,
      'Between the two contacts its output has nowhere to go.',
      'Turn it by way of both, or fit one that makes before it breaks.',
    );

  const dead = (circuits: readonly string[]) =>
    design.loads.filter((l) => design.circuits.some((c) => c.taps.some((t) => t.serves.id === l.id) && !circuits.includes(c.id)));
  const cut = dead(is.liveCircuits).filter((l) => !dead(was.liveCircuits).includes(l));
  const shut = cut.filter((l) => l.shutFirst && before.on.has(l.id));
  if (shut.length > 0)
    say(
      'fix',
      `${named(shut)} cut before ${shut.length === 1 ? 'it was' : 'they were'} shut down`,
      'Memory is lost, a heater overheats without its run-down, an inverter drops its load.',
      'Switch each off at itself first, wait, then open the supply.',
    );
  const vital = cut.filter((l) => l.supply === 'always live');
  if (vital.length > 0)
    say('stop', `${named(vital)} dead`, 'Water rises, or gas gathers, and nothing tells.', 'Leave these on a feed that no switch opens.');
  if (act.do === 'switch' && now.open.has(act.circuitId)) {
    const alive = design.loads.filter((l) => isInverter(l) && !dead(is.liveCircuits).includes(l));
    const main = design.circuits.find((c) => c.id === act.circuitId && c.from.kind === 'bank');
    if (main && alive.length > 0)
      say(
        'stop',
        `${named(alive)} still live`,
        'It is on another feed. Asleep it looks dead to every tester, and wakes when it is touched.',
        'Open its own disconnect and lock it before anything is touched; prove dead with a proved tester.',
      );
  }
  if (act.do === 'switch' && !now.open.has(act.circuitId)) {
    const wakes = design.loads.filter(
      (l) => isInverter(l) && madeForV(l.nominalV) >= 24 && dead(was.liveCircuits).includes(l) && !dead(is.liveCircuits).includes(l),
    );
    if (wakes.length > 0)
      say(
        'note',
        `${named(wakes)} charges its capacitors`,
        'The inrush welds the switch and blows fuses.',
        'Pre-charge through a resistor before closing.',
      );
  }
  const start = startBankOf(design)?.id ?? null;
  const drains = (a: BenchAnswer) => {
    const bank = rowOf(a.study.banks, start);
    return bank && bank.amps > 0.3 ? bank.amps : 0;
  };
  const amps = drains(is);
  if (start !== null && now.rpm === 0 && design.banks.length > 1 && amps > 0 && drains(was) <= 0.3)
    say(
      'fix',
      `${name(start)} is being drained, ${amps.toFixed(1)} A`,
      'By morning the engine may not start.',
      'Part the banks while nothing charges.',
    );
  if (act.do === 'engine' && act.run) {
    const crank = runStudy(design, analysed, studyOf({ ...before, rpm: 0 }, true), before);
    const starter = crank.loads.find((l) => l.name === 'Starter');
    if (starter && (Number.isNaN(starter.volts) || crank.collapse || starter.falls))
      say(
        'fix',
        'the engine may not turn',
        `${starter.volts > 0 ? `${starter.volts.toFixed(1)} V` : 'Nothing'} at the starter; ${starter.minV} V is needed.`,
        'Tie the banks for the start, or charge first.',
      );
    const sags = crank.loads.filter((l) => l.falls && l.name !== 'Starter' && !Number.isNaN(l.volts));
    if (sags.length > 0)
      say(
        'fix',
        `${named(sags)} restart${sags.length === 1 ? 's' : ''} as the engine is cranked`,
        `${Math.min(...sags.map((l) => l.volts)).toFixed(1)} V there while the starter turns.`,
        'Start from a bank of its own; keep electronics off the one that cranks.',
      );
  }
  if (act.do === 'engine' && !act.run && before.rpm > 0) {
    const gone = was.study.sources.filter((x) => x.amps > 0.5).map((x) => x.name);
    if (gone.length > 0)
      say('note', `${gone.join(', ')} stops charging`, 'Whatever is in use now comes out of the banks.', 'Mind the gauge.');
  }
  const rank: Readonly<Record<Severity, number>> = { stop: 0, fix: 1, note: 2 };
  return out.sort((a, b) => rank[a.severity] - rank[b.severity]);
}
