/** What is cut, crimped, shrunk and labelled: the bill of a design's wiring. Lengths m, masses kg. */
import { STRING_FUSE_FAMILY } from '../bank';
import { type SmallLeadResult, smallLeadResults } from '../charging';
import { type CircuitResult, deviceEnd, negativeEnd, tapEnd } from '../circuit';
import { type Circuit, type Design, type BatteryCable, type Load, nominalVOf, type Panel, rowOf, SERVICE_V } from '../design';
import type { BatteryCableResult } from '../mainSide';
import { type BusBar, busPart } from '../network';
import { FOOT_M, show, sizeName, small, unitOf, type Units } from '../quantity';
import {
  type Conductor,
  EARTH_COLOUR,
  endTakes,
  findConductor,
  findFamily,
  largestAtEnd,
  positiveColour,
  RULE_SETS,
  type Service,
  shrinkFor,
  smallColour,
  terminalFor,
} from '../rules';
import { bankPost, barNode, endName as leadEndName, endNode, panelBar, pathM, placePoint, returnBar } from '../topology';
import { acPieces, isolatorPieces } from './acCuts';
import type { Cut, Where } from './cut';
import { bankLinks } from './links';
import { boughtEnd, endName, hasBarrel, junctionEnd, junctionPart, junctionStud, tightened } from './ends';
import { partedAt, partedLead } from './parted';

export interface ReelLine {
  readonly size: string;
  readonly colour: string;
  readonly pieces: number;
  readonly netM: number;
  /** With the house allowance for waste. */
  readonly orderM: number;
  readonly massKg: number;
  /** Some of the lengths are estimates, not taped. */
  readonly estimated: boolean;
}

export interface CountLine {
  readonly item: string;
  readonly count: number;
  readonly note: string;
}

/** A count with what it is counted from, in the order of the pieces. */
export interface TracedLine extends CountLine {
  readonly of: readonly { readonly what: string; readonly count: number }[];
}

export interface CutList {
  readonly cuts: readonly Cut[];
  readonly reels: readonly ReelLine[];
  readonly terminals: readonly TracedLine[];
  readonly shrink: readonly TracedLine[];
  readonly protection: readonly TracedLine[];
  /** Bus bars as entered, else as they ask to be. */
  readonly bars: readonly TracedLine[];
  /** Cables their makers sell with their plugs: bought, not cut. */
  readonly makers: readonly TracedLine[];
  readonly labels: readonly TracedLine[];
  readonly totalM: number;
  readonly totalKg: number;
}

const SERVICE: Readonly<Partial<Record<Load['group'], Service>>> = {
  navigation: 'navigation',
  lights: 'lights',
  pump: 'pump',
  blower: 'blower',
};

interface Context {
  readonly design: Design;
  readonly loads: ReadonlyMap<string, Load>;
  readonly panels: ReadonlyMap<string, Panel>;
}

/** Of a step-down piece, m. */
const TAIL_M = 0.2;

/** A piece, and what it is cut from. */
interface Piece {
  readonly cut: Cut;
  readonly conductor: Conductor;
  /** Junction studs its ends ask for. */
  readonly junctions: number;
  /** It starts at what stands in line: a splice there is its own, not that of the piece before it. */
  readonly afterDevice?: boolean;
}

/** From the junction stud a conductor ends on, to what does not take it. */
function tailOf({ cut, conductor }: Piece, tail: Tail, atStart: boolean): Piece {
  const { school } = conductor;
  const { size, areaMm2, massKgPerKm } = tail.conductor;
  const stud = endName(junctionStud(school, conductor.size), school, size);
  return {
    conductor: tail.conductor,
    junctions: 0,
    cut: {
      ...cut,
      id: `${cut.id}.${atStart ? 'start' : 'end'}`,
      conductor: size,
      odMm: tail.conductor.odMm,
      slackM: 0,
      openM: 0,
      from: atStart ? cut.from : { name: 'its junction stud', node: null },
      to: atStart ? { name: 'its junction stud', node: null } : cut.to,
      size: sizeName(school, size),
      areaMm2,
      massKgPerKm,
      lengthM: TAIL_M,
      taped: true,
      fromEnd: atStart ? tail.end : stud,
      toEnd: atStart ? stud : tail.end,
      label: `${cut.label}, tail ${atStart ? 'at its start' : 'at its end'}`,
    },
  };
}

/** Where the conductors of a circuit start. */
function startsOf(design: Design, circuit: Circuit, source: Panel | undefined): Readonly<Record<'+' | '−', Where>> {
  const { id } = circuit.from;
  if (circuit.from.kind === 'panel')
    return {
      '+': { name: source?.name ?? '', node: panelBar(id, '+') },
      '−': { name: `${source?.name ?? ''}, negative bar`, node: panelBar(id, '-') },
    };
  const bank = rowOf(design.banks, id)?.name ?? '';
  const bar = returnBar(design, id);
  return {
    '+': { name: `${bank} +`, node: bankPost(id, '+') },
    '−': bar === null ? { name: `${bank} −`, node: bankPost(id, '-') } : { name: rowOf(design.bars, bar)?.name ?? '', node: barNode(bar) },
  };
}

interface Tail {
  readonly conductor: Conductor;
  readonly end: string;
}

function circuitCuts({ design, loads, panels }: Context, circuit: Circuit, result: CircuitResult): Piece[] {
  const { school, size, legs } = result.own.ladder.chosen;
  const { areaMm2, massKgPerKm, odMm } = result.own.state.conductor;
  const { house, boat } = design;
  const services = new Set(circuit.taps.map((t) => SERVICE[loads.get(t.serves.id)?.group ?? 'other'] ?? 'other'));
  const [only] = services;
  const colour = positiveColour(boat.colourScheme, services.size === 1 && only ? only : 'other', house.functionColours);
  const source = circuit.from.kind === 'panel' ? panels.get(circuit.from.id) : undefined;
  const device = deviceEnd(findFamily(result.own.protection.familyId), school);
  const negative = negativeEnd(source, school, areaMm2);
  const starts = startsOf(design, circuit, source);
  /** How it lands there; where the end takes less, on a junction stud, and a tail from there. */
  const lands = (made: string, row = made): { readonly end: string; readonly tail: Tail | null } => {
    const takes = row === 'splice' || row === 'own lead' ? null : largestAtEnd(row, school);
    if (!circuit.stepDown || takes === null || endTakes(row, school, areaMm2)) return { end: endName(made, school, size), tail: null };
    return { end: junctionEnd(school, size), tail: { conductor: takes, end: endName(made, school, takes.size) } };
  };
  return circuit.taps.flatMap((tap, i): Piece[] => {
    const part = result.taps[i];
    if (!part) return [];
    const load = tap.serves.kind === 'load' ? loads.get(tap.serves.id) : undefined;
    const panel = tap.serves.kind === 'panel' ? panels.get(tap.serves.id) : undefined;
    const far = lands(tapEnd(circuit, i, load, panel));
    return Array.from({ length: legs }).flatMap((_, leg) =>
      (['+', '−'] as const).flatMap((polarity): Piece[] => {
        const near = tap.parent !== null ? lands('splice') : polarity === '+' ? lands(device.made, device.row) : lands(negative);
        const label = `${circuit.no}${polarity}${circuit.taps.length > 1 ? `.${i + 1}` : ''}${legs > 1 ? ` leg ${leg + 1}` : ''} ${part.name}${circuit.twisted ? ', twisted pair' : ''}${circuit.guarded ? ', guarded' : ''}`;
        const first = tap.parent === null;
        const cut: Cut = {
          id: `${circuit.id}.${tap.id}.${leg}${polarity === '+' ? 'p' : 'n'}`,
          circuitId: circuit.id,
          no: circuit.no,
          serves: part.name,
          polarity,
          size: sizeName(school, size),
          cores: 1,
          school,
          conductor: size,
          odMm,
          massKgPerKm,
          areaMm2,
          colour: polarity === '+' ? colour : house.negative,
          lengthM: part.lengthM,
          taped: part.taped,
          slackM: part.taped ? 0 : 2 * house.slackM,
          openM: house.openSlackM * (Number(first && (source?.opens ?? false)) + Number(panel?.opens ?? false)),
          from: first ? starts[polarity] : { name: result.taps.find((t) => t.id === tap.parent)?.name ?? '', node: null },
          to: { name: part.name, node: panel ? panelBar(panel.id, polarity === '+' ? '+' : '-') : null },
          fromEnd: near.end,
          toEnd: far.end,
          label,
          note: '',
          unplaced: '',
        };
        const junctions = Number(near.tail !== null) + Number(boughtEnd(far.end).onJunction);
        const piece: Piece = { cut, conductor: result.own.state.conductor, junctions };
        const tails = [near.tail, far.tail].flatMap((tail, end) => (tail ? [tailOf(piece, tail, end === 0)] : []));
        const parts = tap.parent === null ? partedAt(design, circuit, cut, school, size) : [cut];
        return [...parts.map((c, k) => ({ ...piece, cut: c, junctions: k === 0 ? junctions : 0, afterDevice: k > 0 })), ...tails];
      }),
    );
  });
}

type Counted = readonly [item: string, note: string, count: number, what: string];
const tally = (entries: readonly Counted[]): TracedLine[] => {
  const lines = new Map<string, { item: string; note: string; count: number; of: { what: string; count: number }[] }>();
  for (const [item, note, count, what] of entries) {
    const line = lines.get(item) ?? { item, note, count: 0, of: [] };
    line.note ||= note;
    line.count += count;
    if (count > 0) line.of.push({ what, count });
    lines.set(item, line);
  }
  return [...lines.values()].sort((a, b) => a.item.localeCompare(b.item, 'en', { numeric: true }));
};

/** The negative that the lamp of a lit switch needs: a thin one from where the circuit starts to the switch. */
function lampCuts({ design, panels }: Context, circuit: Circuit): Piece[] {
  const { ruleSet } = design.boat;
  const conductor = findConductor(ruleSet, RULE_SETS[ruleSet].mechanicalMin.single);
  if (!conductor) return [];
  const { size, massKgPerKm, areaMm2 } = conductor;
  const start = circuit.from.kind === 'panel' ? panels.get(circuit.from.id)?.placeId : rowOf(design.banks, circuit.from.id)?.placeId;
  return circuit.devices
    .filter((d) => d.kind === 'lit switch')
    .map((d): Piece => {
      const cut: Cut = {
        circuitId: circuit.id,
        no: circuit.no,
        serves: 'lamp of the switch',
        polarity: '−',
        id: `${circuit.id}.lamp.${d.id}`,
        size: sizeName(ruleSet, size),
        cores: 1,
        school: ruleSet,
        conductor: size,
        odMm: conductor.odMm,
        slackM: 2 * design.house.slackM,
        openM: 0,
        from: startsOf(design, circuit, panels.get(circuit.from.id))['−'],
        to: { name: 'its switch', node: null },
        massKgPerKm,
        areaMm2,
        colour: design.house.negative,
        lengthM: pathM(placePoint(design, start ?? null), placePoint(design, d.placeId ?? start ?? null), design.house.slackM),
        taped: false,
        fromEnd: endName('M4', ruleSet, size),
        toEnd: endName('blade', ruleSet, size),
        label: `${circuit.no}− lamp of its switch`,
        note: '',
        unplaced: '',
      };
      return { cut, conductor, junctions: 0 };
    });
}

/** A lead of the main side: one conductor, lug and stud at both ends; a device at its first end decides how it lands there. */
function leadCut({ design }: Context, lead: BatteryCable, result: BatteryCableResult): Cut {
  const { school, size, areaMm2, massKgPerKm, odMm } = result.conductor;
  const { boat, house } = design;
  const fuse = findFamily(result.device?.own.protection.familyId ?? '')?.terminal[school];
  const polarity = lead.rail === 'positive' ? '+' : lead.rail === 'negative' ? '−' : 'earth';
  const at = (end: BatteryCable['from']): Where => ({ name: leadEndName(design, lead, end) ?? '', node: endNode(end, lead) });
  return {
    id: lead.id,
    circuitId: lead.id,
    no: '',
    serves: lead.name,
    polarity,
    size: sizeName(school, size),
    cores: 1,
    school,
    conductor: size,
    odMm,
    slackM: result.taped ? 0 : 2 * house.slackM,
    openM: 0,
    from: at(lead.from),
    to: at(lead.to),
    massKgPerKm,
    areaMm2,
    colour:
      lead.rail === 'positive'
        ? positiveColour(boat.colourScheme, 'other', house.functionColours)
        : lead.rail === 'negative'
          ? house.negative
          : EARTH_COLOUR,
    lengthM: result.lengthM,
    taped: result.taped,
    fromEnd: endName(fuse ?? lead.fromStud, school, size),
    toEnd: endName(lead.toStud, school, size),
    label: `${polarity} ${lead.name}`,
    note: '',
    unplaced: '',
  };
}

/** What fuses a small lead: no blade is made for more than 32 V. */
const tapFuse = (design: Design, { lead, source }: SmallLeadResult): string =>
  nominalVOf(design, lead.to?.kind === 'bank' ? lead.to.id : source?.bankId) > 24 ? '10 × 38 cartridge fuse' : 'blade fuse';

/** A small lead: one conductor, a blade at the machine, and at its other end what that asks for. */
function smallCut({ design }: Context, { lead, lengthM, taped, source }: SmallLeadResult, conductor: Conductor): Cut {
  const { school, size, areaMm2, massKgPerKm, odMm } = conductor;
  const far = lead.to?.kind === 'bank' ? 'M8' : lead.to?.kind === 'panel' ? 'M4' : 'blade';
  const landsOn = lead.to && (lead.to.kind === 'bank' ? rowOf(design.banks, lead.to.id) : rowOf(design.panels, lead.to.id));
  return {
    id: lead.id,
    circuitId: lead.id,
    no: '',
    serves: lead.name,
    polarity: '+',
    size: sizeName(school, size),
    cores: 1,
    school,
    conductor: size,
    odMm,
    slackM: taped ? 0 : 2 * design.house.slackM,
    openM: 0,
    from: { name: landsOn?.name ?? 'its far end', node: lead.to?.kind === 'bank' ? bankPost(lead.to.id, '+') : null },
    to: { name: source?.name ?? lead.name, node: null },
    massKgPerKm,
    areaMm2,
    colour: smallColour(design.boat.colourScheme, lead.purpose, design.house.functionColours),
    lengthM,
    taped,
    fromEnd: endName(far, school, size),
    toEnd: endName('blade', school, size),
    label: lead.name,
    note: '',
    unplaced: '',
  };
}

/** What the sleeve of a piece's barrels is called in the lists. */
export function sleeveItem({ odMm, cores, colour }: Pick<Cut, 'odMm' | 'cores' | 'colour'>, units: Units): string {
  const sleeve = shrinkFor(odMm);
  return `adhesive heat shrink ${small(sleeve.boreMm, units)} × ${small(sleeve.lengthMm, units)}, ${cores > 1 ? 'each in the colour of its core' : colour}`;
}

/** The whole list for a design and its analysis. Circuits without taps give nothing. @param bars as the studies leave them. */
export function cutList(
  design: Design,
  circuits: readonly CircuitResult[],
  leads: readonly BatteryCableResult[] = [],
  bars: readonly BusBar[] = [],
): CutList {
  const context: Context = {
    design,
    loads: new Map(design.loads.map((l) => [l.id, l])),
    panels: new Map(design.panels.map((p) => [p.id, p])),
  };
  const resultOf = new Map(circuits.map((c) => [c.id, c]));
  const cuts: Cut[] = [];
  const shrink: Counted[] = [];
  const terminals: Counted[] = [];
  const protection: Counted[] = [];
  for (const circuit of design.circuits) {
    const result = resultOf.get(circuit.id);
    if (!result || circuit.taps.length === 0) continue;
    const { protection: device } = result.own;
    const bare = device.missing && circuit.found === null;
    if (!bare && (!circuit.found?.keepProtection || !result.own.ladder.kept))
      protection.push([
        `${device.familyName} ${device.ratingA} A`,
        device.count > 1 ? 'at both ends of each leg' : '',
        device.count,
        `${circuit.no} ${circuit.name}`.trim(),
      ]);
    if (result.own.ladder.kept) continue;
    for (const piece of [...circuitCuts(context, circuit, result), ...lampCuts(context, circuit)]) make(piece);
  }
  design.leads.forEach((lead, i) => {
    const result = leads[i];
    if (!result) return;
    const { school, size } = result.conductor;
    for (const cut of partedLead(design, lead, leadCut(context, lead, result), school, size))
      make({ cut, conductor: result.conductor, junctions: 0 });
    const device = result.device?.own.protection;
    if (device) protection.push([`${device.familyName} ${device.ratingA} A`, '', 1, lead.name]);
  });
  for (const link of bankLinks(design)) make(link);
  const makers: Counted[] = [];
  for (const small of smallLeadResults(design)) {
    const { lead, conductor, lengthM } = small;
    if (lead.fuseA !== null) protection.push([`in-line ${tapFuse(design, small)} ${lead.fuseA} A`, 'right at the tap', 1, lead.name]);
    if (conductor) make({ cut: smallCut(context, small, conductor), conductor, junctions: 0 });
    else makers.push([`${lead.name}, ${show(lengthM, 'm', design.boat)}`, 'its maker’s own, with its plugs; never cut', 1, lead.name]);
  }
  for (const b of design.banks)
    if (b.strings > 1 && b.stringFuseA !== null)
      protection.push([
        `${findFamily(STRING_FUSE_FAMILY)?.name ?? ''} ${b.stringFuseA} A`,
        `one at each battery of ${b.name}`,
        b.strings,
        b.name,
      ]);
  for (const { cut, result, device } of acPieces(design)) {
    make({ cut, conductor: result.conductor, junctions: 0 });
    protection.push([device, '', 1, cut.serves]);
  }
  for (const s of design.acSources)
    if (s.inverter?.precharge)
      protection.push(['pre-charge resistor with push button, covered', `across the DC disconnect of ${s.name}`, s.inverter.units, s.name]);
  for (const { cut, conductor, part } of isolatorPieces(design)) {
    make({ cut, conductor, junctions: 0 });
    protection.push([part, cut.serves, 1, cut.serves]);
  }
  return listed();

  /** A piece, and what its ends are made up from. */
  function make({ cut, conductor, junctions, afterDevice }: Piece): void {
    const { school, size } = conductor;
    const row = terminalFor(school, size);
    const pull = school === 'metric' && row.pullTestMetricN !== null ? row.pullTestMetricN : row.pullTestN;
    cuts.push(cut);
    // The splice at the start of a piece is the one counted at the end of the piece before it.
    const counted = [cut.fromEnd.startsWith('adhesive butt') && !afterDevice ? 0 : cut.cores, cut.cores];
    [cut.fromEnd, cut.toEnd].forEach((end, i) => {
      const { terminal } = boughtEnd(end);
      terminals.push([
        terminal,
        hasBarrel(terminal)
          ? `pull test ${Math.round(unitOf('N', design.boat).to(pull))} ${unitOf('N', design.boat).name}${tightened(terminal, design.boat)}`
          : '',
        counted[i] ?? 1,
        `${cut.label}, ${i === 0 ? 'from end' : 'far end'}`,
      ]);
      if (hasBarrel(terminal))
        shrink.push([
          sleeveItem(cut, design.boat),
          `over barrel and ${small(25, design.boat)} of jacket`,
          cut.cores,
          `${cut.label}, ${i === 0 ? 'from end' : 'far end'}`,
        ]);
    });
    if (junctions > 0) terminals.push([junctionPart(school, size), 'where a lug meets a lead or a tail', junctions, cut.label]);
  }

  function listed(): CutList {
    // Single conductors first, then cables; the largest first.
    const reels = new Map<string, { areaMm2: number; cable: boolean; line: ReelLine }>();
    for (const cut of cuts) {
      const key = `${cut.size}|${cut.colour}`;
      const before = reels.get(key)?.line;
      const netM = (before?.netM ?? 0) + cut.lengthM;
      // Rounded up to half a metre or a whole foot, as it is bought.
      const step = design.boat.lengthUnit === 'ft' ? FOOT_M : 0.5;
      const orderM = Math.ceil((netM * (1 + design.house.wastePct / 100)) / step - 1e-9) * step;
      reels.set(key, {
        areaMm2: cut.areaMm2,
        cable: cut.cores > 1,
        line: {
          size: cut.size,
          colour: cut.colour,
          pieces: (before?.pieces ?? 0) + 1,
          netM,
          orderM,
          massKg: (netM * cut.massKgPerKm) / 1000,
          estimated: (before?.estimated ?? false) || !cut.taped,
        },
      });
    }
    const lines = [...reels.values()]
      .sort((a, b) => Number(a.cable) - Number(b.cable) || b.areaMm2 - a.areaMm2 || a.line.colour.localeCompare(b.line.colour))
      .map((r) => r.line);
    return {
      cuts,
      reels: lines,
      terminals: tally(terminals).filter((l) => l.count > 0),
      shrink: tally(shrink),
      protection: tally(protection),
      bars: tally(bars.map((b) => [busPart(b, design), b.name, 1, b.name])),
      makers: tally(makers),
      labels: tally([
        ...cuts.map((c): Counted => [c.label, 'one at each end', 2, c.label]),
        ...design.acCircuits.flatMap((c): Counted[] =>
          c.labelled
            ? [[`AC ${SERVICE_V[design.boat.acRegion]} V`, 'at both ends and wherever a cover comes off', 2, `${c.no} ${c.name}`.trim()]]
            : [],
        ),
      ]),
      totalM: lines.reduce((sum, l) => sum + l.netM, 0),
      totalKg: lines.reduce((sum, l) => sum + l.massKg, 0),
    };
  }
}
