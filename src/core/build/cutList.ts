/** What is cut, crimped, shrunk and labelled: the bill of a design's wiring. Lengths m, masses kg. */
import type { CircuitResult } from '../circuit';
import { type Circuit, type Design, type BatteryCable, type Load, type Panel, rowOf } from '../design';
import type { BatteryCableResult } from '../mainSide';
import { FOOT_M, sizeName } from '../quantity';
import {
  EARTH_COLOUR,
  findConductor,
  findFamily,
  positiveColour,
  RULE_SETS,
  type School,
  type Service,
  shrinkFor,
  terminalFor,
} from '../rules';
import { pathM, placePoint } from '../topology';
import { acPieces } from './acCuts';
import type { Cut } from './cut';
import { endName, hasBarrel, tightened } from './ends';

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

export interface CutList {
  readonly cuts: readonly Cut[];
  readonly reels: readonly ReelLine[];
  readonly terminals: readonly CountLine[];
  readonly shrink: readonly CountLine[];
  readonly protection: readonly CountLine[];
  readonly labels: readonly CountLine[];
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

/** Screw of a panel's negative bar. Typical. */
const BAR_SCREW = { metric: 'M4', awg: 'M5' } as const;

function circuitCuts({ design, loads, panels }: Context, circuit: Circuit, result: CircuitResult): Cut[] {
  const { school, size, legs } = result.own.ladder.chosen;
  const { areaMm2, massKgPerKm } = result.own.state.conductor;
  const { house, boat } = design;
  const services = new Set(circuit.taps.map((t) => SERVICE[loads.get(t.serves.id)?.group ?? 'other'] ?? 'other'));
  const [only] = services;
  const colour = positiveColour(boat.colourScheme, services.size === 1 && only ? only : 'other', house.functionColours);
  const source = circuit.from.kind === 'panel' ? panels.get(circuit.from.id) : undefined;
  const deviceEnd = endName(findFamily(result.own.protection.familyId)?.terminal[school] ?? 'M8', school, size);
  const negativeEnd = endName(source ? (source.kind === 'bus' ? source.stud : BAR_SCREW[school]) : 'M8', school, size);
  return circuit.taps.flatMap((tap, i): Cut[] => {
    const part = result.taps[i];
    if (!part) return [];
    const load = tap.serves.kind === 'load' ? loads.get(tap.serves.id) : undefined;
    const panel = tap.serves.kind === 'panel' ? panels.get(tap.serves.id) : undefined;
    const goesOn = circuit.taps.some((t) => t.parent === tap.id);
    const far = panel ? panel.stud : goesOn ? 'splice' : (load?.connection ?? 'splice');
    return Array.from({ length: legs }).flatMap((_, leg) =>
      (['+', '−'] as const).map((polarity): Cut => ({
        circuitId: circuit.id,
        no: circuit.no,
        serves: part.name,
        polarity,
        size: sizeName(school, size),
        cores: 1,
        massKgPerKm,
        areaMm2,
        colour: polarity === '+' ? colour : house.negative,
        lengthM: part.lengthM,
        taped: part.taped,
        fromEnd: tap.parent !== null ? endName('splice', school, size) : polarity === '+' ? deviceEnd : negativeEnd,
        toEnd: endName(far, school, size),
        label: `${circuit.no}${polarity}${circuit.taps.length > 1 ? `.${i + 1}` : ''}${legs > 1 ? ` leg ${leg + 1}` : ''} ${part.name}`,
      })),
    );
  });
}

const tally = (entries: readonly (readonly [item: string, note: string, count: number])[]): CountLine[] => {
  const lines = new Map<string, CountLine>();
  for (const [item, note, count] of entries) {
    const known = lines.get(item);
    lines.set(item, { item, note: known?.note || note, count: (known?.count ?? 0) + count });
  }
  return [...lines.values()].sort((a, b) => a.item.localeCompare(b.item, 'en', { numeric: true }));
};

/** The negative that the lamp of a lit switch needs: a thin one from where the circuit starts to the switch. */
function lampCuts({ design, panels }: Context, circuit: Circuit): Cut[] {
  const { ruleSet } = design.boat;
  const size = RULE_SETS[ruleSet].mechanicalMin.single;
  const start = circuit.from.kind === 'panel' ? panels.get(circuit.from.id)?.placeId : rowOf(design.banks, circuit.from.id)?.placeId;
  return circuit.devices
    .filter((d) => d.kind === 'lit switch')
    .map((d): Cut => ({
      circuitId: circuit.id,
      no: circuit.no,
      serves: 'lamp of the switch',
      polarity: '−',
      size: sizeName(ruleSet, size),
      cores: 1,
      massKgPerKm: findConductor(ruleSet, size)?.massKgPerKm ?? 0,
      areaMm2: findConductor(ruleSet, size)?.areaMm2 ?? 0,
      colour: design.house.negative,
      lengthM: pathM(placePoint(design, start ?? null), placePoint(design, d.placeId ?? start ?? null), design.house.slackM),
      taped: false,
      fromEnd: endName('M4', ruleSet, size),
      toEnd: endName('blade', ruleSet, size),
      label: `${circuit.no}− lamp of its switch`,
    }));
}

/** A lead of the main side: one conductor, lug and stud at both ends; a device at its first end decides how it lands there. */
function leadCut({ design }: Context, lead: BatteryCable, result: BatteryCableResult): Cut {
  const { school, size, areaMm2, massKgPerKm } = result.conductor;
  const { boat, house } = design;
  const fuse = findFamily(result.device?.own.protection.familyId ?? '')?.terminal[school];
  const polarity = lead.rail === 'positive' ? '+' : lead.rail === 'negative' ? '−' : 'earth';
  return {
    circuitId: lead.id,
    no: '',
    serves: lead.name,
    polarity,
    size: sizeName(school, size),
    cores: 1,
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
  };
}

/** The whole list for a design and its analysis. Circuits without taps give nothing. */
export function cutList(design: Design, circuits: readonly CircuitResult[], leads: readonly BatteryCableResult[] = []): CutList {
  const context: Context = {
    design,
    loads: new Map(design.loads.map((l) => [l.id, l])),
    panels: new Map(design.panels.map((p) => [p.id, p])),
  };
  const resultOf = new Map(circuits.map((c) => [c.id, c]));
  const cuts: Cut[] = [];
  const shrink: [string, string, number][] = [];
  const terminals: [string, string, number][] = [];
  const protection: [string, string, number][] = [];
  for (const circuit of design.circuits) {
    const result = resultOf.get(circuit.id);
    if (!result || circuit.taps.length === 0) continue;
    const { protection: device } = result.own;
    const bare = device.missing && circuit.found === null;
    if (!bare && (!circuit.found?.keepProtection || !result.own.ladder.kept))
      protection.push([`${device.familyName} ${device.ratingA} A`, device.count > 1 ? 'at both ends of each leg' : '', device.count]);
    if (result.own.ladder.kept) continue;
    const own = [...circuitCuts(context, circuit, result), ...lampCuts(context, circuit)];
    cuts.push(...own);
    made(own, result.own.ladder.school, result.own.ladder.chosen.size, result.own.state.conductor.odMm);
  }
  design.leads.forEach((lead, i) => {
    const result = leads[i];
    if (!result) return;
    const cut = leadCut(context, lead, result);
    cuts.push(cut);
    made([cut], result.conductor.school, result.conductor.size, result.conductor.odMm);
    const device = result.device?.own.protection;
    if (device) protection.push([`${device.familyName} ${device.ratingA} A`, '', 1]);
  });
  for (const { cut, result, device } of acPieces(design)) {
    cuts.push(cut);
    made([cut], result.conductor.school, result.conductor.size, result.conductor.odMm);
    protection.push([device, '', 1]);
  }
  return listed();

  /** What a conductor's ends are made up from. */
  function made(own: readonly Cut[], school: School, size: string, odMm: number): void {
    const row = terminalFor(school, size);
    const pull = school === 'metric' && row.pullTestMetricN !== null ? row.pullTestMetricN : row.pullTestN;
    const sleeve = shrinkFor(odMm);
    for (const cut of own) {
      // The splice at the start of a piece is the one counted at the end of the piece before it.
      const counted = [cut.fromEnd.startsWith('adhesive butt') ? 0 : cut.cores, cut.cores];
      [cut.fromEnd, cut.toEnd].forEach((end, i) => {
        terminals.push([end, hasBarrel(end) ? `pull test ${pull} N${tightened(end)}` : '', counted[i] ?? 1]);
        if (hasBarrel(end))
          shrink.push([
            `adhesive heat shrink ${sleeve.boreMm} mm × ${sleeve.lengthMm} mm, ${cut.cores > 1 ? 'each in the colour of its core' : cut.colour}`,
            'over barrel and 25 mm of jacket',
            cut.cores,
          ]);
      });
    }
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
      labels: tally(cuts.map((c) => [c.label, 'one at each end', 2])),
      totalM: lines.reduce((sum, l) => sum + l.netM, 0),
      totalKg: lines.reduce((sum, l) => sum + l.massKg, 0),
    };
  }
}
