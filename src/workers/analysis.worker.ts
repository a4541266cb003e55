/** The analysis off the pointer's thread: keeps the last results, sends only circuits that changed. */
import { expose } from 'comlink';
import {
  analyse,
  bankWorking,
  circuitWorking,
  dayWorking,
  batteryCableWorking,
  createMemory,
  cutList,
  listsOf,
  loadWorking,
  yieldWorking,
  needWorking,
  type Analysis,
  type CutList,
  type Finding,
  type Growth,
  type GrowthLine,
  type Lists,
  type Working,
} from '@/core';
import {
  choosingTogether,
  growing,
  analysisDelta,
  type AnalysisDelta,
  cured,
  type Cured,
  cureOf,
  keptOdds,
  oddsMemory,
  studied,
  compareCandidate,
  type Compared,
  comparedOf,
  type Remedy,
  remediesOf,
  startWays,
  type StartWay,
  searchable,
  type Studied,
  type Together,
  workedCircuit,
  workedPath,
} from '@/core/analysis';
import { circuitTrial, type CircuitTrial, devicesOnPath, ladder, type PathDevice } from '@/core/circuit';
import { choiceName, type Units } from '@/core/quantity';
import { inTurns } from '@/core/solve';
import { type DutyPoint, dutyTrace } from '@/core/conductor';
import {
  asDecided,
  asFoundDesign,
  asOption,
  type Delta,
  type Design,
  type Living,
  withDelta,
  rowOf,
  applyEdit,
  type BoatRecord,
  type Op,
} from '@/core/design';
import {
  compareDesigns,
  type CompareLine,
  cruise,
  cruiseOf,
  type CruiseResult,
  type Fill,
  type BankDay,
  eachBank,
  fillTimes,
  finishing,
  type TieConsequence,
  runDays,
  sceneOf,
  type School,
  type WrongPosition,
} from '@/core/energy';
import { type Post, postInventory, withPaths } from '@/core/mainSide';
import {
  type AcCircuitResult,
  acCircuits,
  type AcState,
  type Headroom,
  headroomOf,
  type PlacardLine,
  placardLines,
  type Running,
  runningOf,
  statesOf,
} from '@/core/ac';
import { settingsMatrix, type SettingsRow } from '@/core/charging';
import { cranking, type Cranking, leastStartAh, type Sharing, sharingOf } from '@/core/bank';
import { proposeStudies } from '@/core/propose';
import {
  type Act,
  type BenchAnswer,
  type Consequence,
  consequencesOf,
  runStudy,
  type Standing,
  standingAnswer,
  type StudyAnswer,
  type Warmth,
  warmthOf,
} from '@/core/network';
import { everyFinding, factsOf } from '@/core/check';
import type { Report } from '@/core/report';
import { consumablesOf, heldBack, type Hours, hoursOf, type MadePiece, madePieces, toolsOf, type TracedLine } from '@/core/build';
import type { BankDiagnosis, BankReading, BankTrouble, Conditions, Diagnosis, Element, Reading, TestLine } from '@/core/commission';
import type { MeterSample, ShuntFigures, Unseen } from '@/core/monitoring';
import type { Chapter } from '@/core/keep';
import type { Isolation, Order } from '@/core/order';
import type { Drawing, DrawingWish } from '@/core/drawing';
import type { ScratchResult } from '@/core/scratch';
import type { Further } from './workings';

/**
 * What the working is shown of. voyage: a bank through the chosen cruise; voyage-day: a day of it by its number from 0;
 * day: one day in a way of living, as livingId:state of charge it begins with; the ids of what is further are told in workings.ts.
 */
export type Selected = Of<'circuit' | 'load' | 'lead' | 'need' | 'made' | 'voyage' | 'voyage-day' | 'day' | Further>;
type Of<K> = K extends string ? { readonly kind: K; readonly id: string } : never;

/** For whom a report is. */
export type ReportReader = 'owner' | 'surveyor' | 'evidence';

export interface DutyChart {
  readonly points: readonly DutyPoint[];
  readonly ratingC: number;
  readonly peakC: number;
  /** For ever at this current, degC. */
  readonly steadyC: number;
  readonly amps: number;
  readonly equalA: number;
  /** What the tests ask for with the duty, and were the current continuous. */
  readonly size: string;
  readonly steadySize: string;
}

export interface CruiseAnswer {
  readonly run: CruiseResult;
  readonly schools: readonly School[];
}

/** What is to be drawn, by ids. */
export interface DrawingAsk {
  readonly rails: DrawingWish['rails'];
  readonly folded: readonly string[];
  /** One study's amps and volts, the worst of all, those of the switches as they are worked, or none. */
  readonly shown: { readonly study: string } | 'the worst of all' | Standing | null;
  readonly acStateId: string | null;
}

export interface Cranks {
  readonly crank: Cranking;
  readonly leastAh: number | null;
}

export interface TieAnswer {
  readonly cruise: string;
  readonly ways: readonly TieConsequence[];
  readonly wrong: readonly WrongPosition[];
}

const memory = createMemory();
/** How sure the choices of the design at hand are. */
const odds = oddsMemory();
/** Of neighbours of the design, tried while sizes are chosen together. */
const sizing = createMemory();
/** Of the boat with something grown: as it stands, and sized anew. */
const grownBefore = { standing: createMemory(), anew: createMemory() };
let design: Design | null = null;
let analysis: Analysis | null = null;

/** The conductor the tests would ask for, were the duty continuous. */
function steadySize(b: CircuitTrial): string {
  const { proposed } = ladder(circuitTrial({ ...b.input, duty: null }, b.protection));
  return proposed ? choiceName(proposed) : 'no size in the table';
}

/**
 * Goes through a dozen edits of its own while nobody types, so that the first real one meets code the engine has compiled already:
 * cold it takes several times as long. It yields after each and stops at the first real edit.
 */
function rehearse(start: Design): void {
  const aside = createMemory();
  let n = 0;
  const step = () => {
    const [load, ...others] = start.loads;
    if (design !== start || n > 12 || !load) return;
    const rehearsed: Design = { ...start, loads: [{ ...load, rating: load.rating + n++ * 0.01 }, ...others] };
    analyse(rehearsed, aside);
    setTimeout(step, 20);
  };
  step();
}

/** Long work lets edits through after so many ms. */
const TURN_MS = 8;
const breath = (): Promise<void> => new Promise((on) => setTimeout(on));

/** With the paths of its sources, for a design that is not the one at hand. */
const whole = (d: Design): Design => withPaths(d, analyse(d).paths);

let sailed: { readonly design: Design; readonly run: CruiseResult } | null = null;

/** The chosen cruise of the design at hand, run once a design. */
function voyage(d: Design): CruiseResult {
  if (sailed?.design !== d) sailed = { design: d, run: cruise(withPaths(d, analysis?.paths ?? {})) };
  return sailed.run;
}

let late: { readonly of: Analysis; readonly studied: Studied } | null = null;

/** Studies and machines on the network, worked out once an analysis. */
function studiedNow(d: Design, a: Analysis): Studied {
  if (late?.of !== a) late = { of: a, studied: studied(d, a, { memory, odds }) };
  return late.studied;
}

/** One day in a way of living, from a state of charge on. */
const oneDay = (d: Design, living: Living, soc: number): CruiseResult =>
  runDays(sceneOf({ ...withPaths(d, analysis?.paths ?? {}), living: [living] }), [0], soc, living.name);

/** @param id as in Selected. */
function oneDayWorking(d: Design, id: string, units: Units): Working | null {
  const [livingId, soc] = id.split(':');
  const living = rowOf(d.living, livingId);
  if (!living || d.banks.length === 0) return null;
  return dayWorking(oneDay(d, living, Number(soc)), 0, units) ?? null;
}

const LATER_MS = 4000;
/** The first view does without: fetched a while after it, so that they are there when the server no longer is. One that fails is asked for again when it is opened. */
const fetchWorkings = () => import('./workings');
setTimeout(() => void fetchWorkings().catch(() => undefined), LATER_MS);

async function further(d: Design, a: Analysis, selected: { readonly kind: Further; readonly id: string }): Promise<Working | null> {
  const { furtherWorking } = await fetchWorkings();
  return furtherWorking(d, a, selected, () => studiedNow(d, a));
}

export interface FoundOnPath {
  readonly elements: readonly Element[];
  readonly diagnosis: Diagnosis | null;
}

export interface ShuntAnswer {
  readonly figures: ShuntFigures;
  readonly unseen: readonly Unseen[];
}

/** Pieces as they are made, hours of what is left of them, by the marks somebody has made. */
export interface Bench {
  readonly pieces: readonly MadePiece[];
  readonly hours: Hours;
  readonly tools: readonly TracedLine[];
  readonly consumables: readonly TracedLine[];
}

let benched: { readonly of: Analysis; readonly marks: readonly BoatRecord[]; readonly bench: Bench } | null = null;

function benchNow(d: Design, a: Analysis, marks: readonly BoatRecord[]): Bench {
  if (benched?.of === a && benched.marks === marks) return benched.bench;
  const decided = asDecided(d);
  const late = studiedNow(d, a);
  const list = cutList(decided, a.circuits, a.leads, late.worst.bars);
  const held = heldBack(d, list, everyFinding(a, late));
  const posts = postInventory(decided, a.circuits, a.leads);
  const pieces = madePieces(d, list.cuts, held.against, posts, new Map(marks.map((m) => [m.thing, m])));
  const left = pieces.filter((p) => p.stage !== 'landed');
  const bench: Bench = {
    pieces,
    hours: hoursOf(d, a.circuits, left, listsOf(d, a.circuits)),
    tools: toolsOf(pieces, d.boat, d.house.largestCrimp),
    consumables: consumablesOf(decided, a.circuits, list),
  };
  benched = { of: a, marks, bench };
  return bench;
}

const api = {
  /** Takes in what changed of the design and tells what changed of the analysis. */
  update(delta: Delta): AnalysisDelta {
    design = withDelta(design, delta);
    const before = analysis;
    analysis = analyse(design, memory);
    if (before === null && design.circuits.length > 30) setTimeout(rehearse, 500, design);
    return analysisDelta(before, analysis);
  },
  working(selected: Selected): Working | null | Promise<Working | null> {
    if (!design || !analysis) return null;
    const units = design.boat;
    if (selected.kind === 'circuit') {
      const path = workedPath(memory, selected.id);
      const worked = path.at(-1);
      return circuitWorking(path, units, worked && keptOdds(odds, worked));
    }
    if (selected.kind === 'load') return loadWorking(design, analysis, selected.id, units) ?? null;
    if (selected.kind === 'lead') return batteryCableWorking(design, analysis, selected.id, units) ?? null;
    if (selected.kind === 'voyage') return bankWorking(voyage(design), selected.id, units) ?? null;
    if (selected.kind === 'voyage-day') return dayWorking(voyage(design), Number(selected.id), units) ?? null;
    if (selected.kind === 'day') return oneDayWorking(design, selected.id, units);
    if (selected.kind === 'made') return yieldWorking(design, analysis, selected.id, units);
    if (selected.kind === 'need') return needWorking(design, analysis, selected.id, units);
    return further(design, analysis, selected);
  },
  cutList: (): CutList | null =>
    design && analysis ? cutList(asDecided(design), analysis.circuits, analysis.leads, studiedNow(design, analysis).worst.bars) : null,
  /** @param marks the last of each thing. */
  bench: (marks: readonly BoatRecord[]): Bench | null => (design && analysis ? benchNow(design, analysis, marks) : null),
  /** The order of work, each evening of it proved. */
  async order(marks: readonly BoatRecord[]): Promise<Order | null> {
    if (!design || !analysis) return null;
    const [d, a] = [design, analysis];
    const { orderOf } = await import('@/core/order');
    const done = new Set(marks.flatMap((m) => (m.thing.startsWith('task:') && m.body.state === 'done' ? [m.thing.slice(5)] : [])));
    return orderOf(d, a, benchNow(d, a, marks).pieces, done);
  },
  /** A gauge's shunt, and what goes round it. */
  async shunt(gaugeId: string): Promise<ShuntAnswer | null> {
    if (!design || !analysis) return null;
    const [d, a] = [design, analysis];
    const { shuntFigures, unseenOf } = await import('@/core/monitoring');
    const gauge = rowOf(d.gauges, gaugeId);
    const bank = rowOf(d.banks, gauge?.bankId);
    const figures = gauge ? shuntFigures(d, a.leads, a.circuits, gauge) : null;
    return figures && bank ? { figures, unseen: unseenOf(d, a.leads, a.circuits, bank) } : null;
  },
  /** What the boat is commissioned by. */
  async testSheet(given: Conditions): Promise<readonly TestLine[] | null> {
    if (!design || !analysis) return null;
    const [d, a] = [design, analysis];
    const { testSheet } = await import('@/core/commission');
    return testSheet(d, a, given);
  },
  /** What a path is made of, and what readings along it say. */
  async found(circuitId: string, tap: number, ambientC: number, readings: readonly Reading[], amps: number): Promise<FoundOnPath | null> {
    if (!design || !analysis) return null;
    const [d, a] = [asDecided(design), analysis];
    const { diagnose, pathOf } = await import('@/core/commission');
    const elements = pathOf(d, a.circuits, circuitId, tap, ambientC);
    // Without a reading the odds are what is usual: it says where to begin.
    return { elements, diagnosis: elements.length > 0 && amps > 0 ? diagnose(elements, readings, amps) : null };
  },
  /** What may be wrong with a bank that is in trouble, after readings. */
  async bankFound(bankId: string, trouble: BankTrouble, ambientC: number, readings: readonly BankReading[]): Promise<BankDiagnosis | null> {
    if (!design || !analysis) return null;
    const [d, a] = [asDecided(design), analysis];
    const { bankScene, diagnoseBank } = await import('@/core/commission');
    const scene = bankScene(
      d,
      bankId,
      trouble,
      a.findings.some((f) => f.rule === 'runs-down'),
    );
    return scene && diagnoseBank(scene, a.circuits, { restV: {}, ambientC }, readings);
  },
  /** What the owner gets. */
  async ownersBook(): Promise<readonly Chapter[] | null> {
    if (!design || !analysis) return null;
    const [d, a] = [design, analysis];
    const { ownersBook } = await import('@/core/keep');
    return ownersBook(d, a);
  },
  /** A day as a meter on a bank reads it with nothing wrong. */
  async clearDay(bankId: string, livingId: string): Promise<readonly MeterSample[] | null> {
    if (!design) return null;
    const d = design;
    const { meterDay } = await import('@/core/monitoring');
    return meterDay(d, bankId, livingId);
  },
  /** A report on the boat, for its reader. @param records in the order they came in. */
  async report(
    reader: ReportReader,
    records: readonly (BoatRecord & { readonly by?: string | null })[],
    as: { readonly revision: number; readonly hash: string; readonly day: string },
  ): Promise<Report | null> {
    if (!design || !analysis) return null;
    const [d, a] = [design, analysis];
    const [{ surveyorReport, ownerReport, evidencePack, recordedFindings }, { testSheet, USUAL_CONDITIONS }] = await Promise.all([
      import('@/core/report'),
      import('@/core/commission'),
    ]);
    const make = { owner: ownerReport, surveyor: surveyorReport, evidence: evidencePack }[reader];
    const sheet = testSheet(d, a, USUAL_CONDITIONS);
    const findings = [...everyFinding(a, studiedNow(d, a)), ...recordedFindings(d, sheet, records, Date.now())];
    return make({ design: d, analysis: a, findings, records, sheet, ...as });
  },
  /** What the records bring to Check, under the usual conditions. @param records in the order they came in. */
  async recorded(records: readonly BoatRecord[]): Promise<readonly Finding[] | null> {
    if (!design || !analysis) return null;
    const [d, a] = [design, analysis];
    const [{ recordedFindings }, { testSheet, USUAL_CONDITIONS }] = await Promise.all([
      import('@/core/report'),
      import('@/core/commission'),
    ]);
    return recordedFindings(d, testSheet(d, a, USUAL_CONDITIONS), records, Date.now());
  },
  /** What a finding goes by, to be kept with its acceptance. */
  departureFacts: (finding: Finding): string | null => (design ? factsOf(asDecided(design), finding) : null),
  async isolation(circuitIds: readonly string[]): Promise<Isolation | null> {
    const { isolationOf } = await import('@/core/order');
    return design ? isolationOf(design, circuitIds) : null;
  },
  lists: (): Lists | null => (design && analysis ? listsOf(design, analysis.circuits) : null),
  /** What would be found in the boat as she was found. */
  before(): readonly Finding[] | null {
    if (!design) return null;
    const found = asFoundDesign(design);
    const then = analyse(found);
    return everyFinding(then, studied(found, then));
  },

  /** Findings that can be cured by edits here, by id. */
  curable(): readonly string[] | null {
    if (!design || !analysis) return null;
    const d = design;
    return everyFinding(analysis, studiedNow(d, analysis)).flatMap((f) => (cureOf(d, f) ? [f.id] : []));
  },

  cure: (finding: Finding): Cured | null =>
    design && analysis ? cured(design, everyFinding(analysis, studiedNow(design, analysis)), finding) : null,
  /** Ways out of a finding on a circuit, the cheapest first. */
  remedies: (finding: Finding): readonly Remedy[] | null => (design ? remediesOf(design, finding, sizing) : null),
  /** Findings for which ways out can be searched, by id. */
  searchable: (): readonly string[] | null =>
    design && analysis ? searchable(everyFinding(analysis, studiedNow(design, analysis))) : null,
  grow: async (growth: Growth): Promise<readonly GrowthLine[] | null> =>
    design && analysis ? inTurns(growing(design, growth, { of: analysis, ...grownBefore }), TURN_MS, breath) : null,
  /** The chosen cruise, and what both schools of finishing say to it. */
  cruise(): CruiseAnswer | null {
    if (!design) return null;
    const run = voyage(design);
    return { run, schools: finishing(design, run) };
  },
  /** Two designs of the boat, as of two revisions. @param is null: as she is. */
  between: (was: Design, is: Design | null): Compared | null => (design ? comparedOf(was, is ?? design) : null),
  /** Two options of the design side by side. */
  compare(a: string, b: string): readonly CompareLine[] | null {
    const [first, second] = [a, b].map((id) => design?.options.find((o) => o.id === id));
    return design && first && second ? compareDesigns(whole(asOption(design, first)), whole(asOption(design, second))) : null;
  },
  /** A study of the whole network. */
  study(id: string): StudyAnswer | null {
    const asked = design?.studies.find((s) => s.id === id);
    return design && analysis && asked ? runStudy(design, analysis, asked) : null;
  },
  /** What a study warms. */
  warmth(id: string): Warmth | null {
    const answer = api.study(id);
    return design && analysis && answer ? warmthOf(design, analysis, answer) : null;
  },
  /** Studies, and inverters and generators on the network. */
  studied: (): Studied | null => (design && analysis ? studiedNow(design, analysis) : null),
  /** Ways to have a generator's control coil pull in and stay in. */
  startWays: (sourceId: string): readonly StartWay[] | null => (design ? startWays(design, sourceId, sizing) : null),
  /** What a way of living leaves free on its AC source. */
  room(livingId: string): Headroom | null {
    const living = design?.living.find((l) => l.id === livingId);
    return design && living ? headroomOf(design, living) : null;
  },
  /** The owner's rules of every setting, in words. */
  placard: (): readonly PlacardLine[] | null => (design ? placardLines(design) : null),
  /** What may run together on every setting of every source. */
  together: (): readonly Running[] | null => (design ? runningOf(design) : null),
  /** What is live as the switches stand. */
  standing: (s: Standing): BenchAnswer | null => (design && analysis ? standingAnswer(design, analysis, s) : null),
  /** What an act at the switches would bring about. */
  consequences: (before: Standing, act: Act): readonly Consequence[] | null =>
    design && analysis ? consequencesOf(design, analysis, before, act) : null,
  /** Every source's settings against its battery's. */
  settings: (): readonly SettingsRow[] | null => (design ? settingsMatrix(design) : null),
  /** The line drawing, with the worst that is found about each thing on it. */
  async drawing({ rails, folded, shown, acStateId }: DrawingAsk): Promise<Drawing | null> {
    const { drawingOf } = await import('@/core/drawing');
    if (!design || !analysis) return null;
    const late = studiedNow(design, analysis);
    const of = design;
    const study =
      shown === null || typeof shown === 'string' ? null : 'study' in shown ? api.study(shown.study) : api.standing(shown)?.study;
    const ac = acStateId === null ? null : statesOf(of).find((s) => s.id === acStateId);
    return drawingOf(
      of,
      { ...analysis, findings: everyFinding(analysis, late) },
      {
        rails,
        folded: new Set(folded),
        study: study ?? null,
        worst: shown === 'the worst of all' || rails === 'earths' ? late.worst : null,
        ac: ac ?? null,
      },
    );
  },
  /** What a candidate would change in the place of the source it may replace. */
  candidate: (id: string): Compared | null => (design ? compareCandidate(design, id, sizing) : null),
  /** Every bank in a way of living. */
  eachBank: (livingId: string): readonly BankDay[] | null => (design ? eachBank(design, livingId) : null),
  /** Hours each source takes to fill the house bank. */
  fills: (): readonly Fill[] | null => (design ? fillTimes(design) : null),
  /** Whether a bank turns the engine, and the least that does. */
  cranking(bankId: string): Cranks | null {
    const bank = design?.banks.find((b) => b.id === bankId);
    return design && bank ? { crank: cranking(design, bank), leastAh: leastStartAh(design, bank) } : null;
  },
  /** How the strings of a bank share a current. */
  sharing(bankId: string, amps: number): Sharing | null {
    const bank = design?.banks.find((b) => b.id === bankId);
    return (design && bank && sharingOf(bank, design.boat.ruleSet, amps)) ?? null;
  },
  /** Every combination of AC sources, transfers and inverters in which something is live. */
  acStates: (): readonly AcState[] | null => (design ? statesOf(design) : null),
  /** AC runs, sized. */
  acRuns: (): readonly AcCircuitResult[] | null => (design ? acCircuits(design) : null),
  /** By circuit, the devices from the bank to it. */
  devicesOnPaths(): Readonly<Record<string, readonly PathDevice[]>> | null {
    if (!design || !analysis) return null;
    const { circuits } = analysis;
    const of = design;
    return Object.fromEntries(circuits.map((c) => [c.id, devicesOnPath(of, circuits, c.id)]));
  },
  /** How many studies would be proposed. */
  proposableStudies(): number | null {
    let n = 0;
    return design ? proposeStudies(design, (prefix) => `${prefix}-${++n}`).length : null;
  },
  /** What lands on each post and bar. */
  posts: (): readonly Post[] | null => (design && analysis ? postInventory(asDecided(design), analysis.circuits, analysis.leads) : null),
  /** The ways to join the banks, and a selector's wrong positions, through the chosen cruise. */
  async joins(): Promise<TieAnswer | null> {
    const { compareTies, wrongPositions } = await import('@/core/energy');
    if (!design) return null;
    const boat = withPaths(design, analysis?.paths ?? {});
    return { cruise: cruiseOf(boat).name, ways: compareTies(boat), wrong: wrongPositions(boat) };
  },
  /** A scratch line answered with this boat's rules, units, bank and places. */
  async scratch(line: string): Promise<ScratchResult | null> {
    const { scratch } = await import('@/core/scratch');
    return design ? scratch(line, design, design.boat.ruleSet) : null;
  },
  /** Sizes of shared parts chosen together, once these edits are made. */
  /** In turns with the edits that come meanwhile: it takes longer than one may wait. */
  async sharedSizes(ops: readonly Op[]): Promise<Together | null> {
    if (!design) return null;
    const edited = ops.length > 0 ? applyEdit(design, { ops: [...ops] }) : null;
    return edited?.ok === false ? null : inTurns(choosingTogether(edited?.design ?? design, sizing), TURN_MS, breath);
  },
  /** A day as it would go, in a way of living that may not be saved yet; null without a bank. */
  day(living: Living, soc: number): CruiseResult | null {
    return design && design.banks.length > 0 ? oneDay(design, living, soc) : null;
  },
  /** Temperature through the duty of a circuit's conductor; null where its load runs on and on. */
  duty(circuitId: string): DutyChart | null {
    const worked = workedCircuit(memory, circuitId);
    if (!worked?.trial.input.duty) return null;
    const { result, trial: b } = worked;
    const { state } = result.own;
    const { derating, izA } = state.heat;
    const steadyC = derating.ambientC + (derating.ratingC - derating.ambientC) * (b.designA / izA) ** 2;
    return {
      points: dutyTrace(worked.trial.input.duty, state.heat.tauS, derating.ambientC, steadyC - derating.ambientC),
      ratingC: derating.ratingC,
      peakC: state.heat.tempC,
      steadyC,
      amps: b.designA,
      equalA: state.heat.dutyA,
      size: choiceName(result.own.ladder.proposed ?? result.own.ladder.chosen),
      steadySize: steadySize(b),
    };
  },
};

export type AnalysisApi = typeof api;
expose(api);
