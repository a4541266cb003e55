/** AC runs for the cut list: one cable of three or four cores each, landed core by core. */
import { type AcCircuitResult, acCircuits, type Core, earthRun } from '../ac';
import { type AcCircuit, type Design, rowOf } from '../design';
import { sizeName } from '../quantity';
import { AC_COLOURS, AC_JACKET, type Conductor } from '../rules';
import type { Cut } from './cut';
import { endName } from './ends';

/** A run that is cut, with what protects it. */
export interface AcPiece {
  readonly cut: Cut;
  readonly result: AcCircuitResult;
  readonly device: string;
}

const colourOf = ({ boat }: Design, core: Core): string => {
  const { live, neutral, earth } = AC_COLOURS[boat.colourScheme];
  if (core === 'neutral') return neutral;
  if (core === 'earth') return earth;
  return (core === 'live' ? live[0] : (live[1] ?? live[0])) ?? '';
};

/** The earth through each inlet's isolator, or from its transformer: a conductor of its own, cut at the isolator. */
export const isolatorPieces = (design: Design): { readonly cut: Cut; readonly conductor: Conductor; readonly part: string }[] =>
  design.acSources.flatMap((s) => {
    const e = earthRun(design, s);
    if (!e) return [];
    const { school, size, areaMm2, massKgPerKm, odMm } = e.conductor;
    return [
      {
        conductor: e.conductor,
        part: `${e.isolation} ${s.shore?.isolator?.ratedA ?? s.ratedA} A`,
        cut: {
          id: `${s.id}.${e.isolation === 'galvanic isolator' ? 'isolator' : 'transformer'}`,
          school,
          conductor: size,
          odMm,
          slackM: e.taped ? 0 : 2 * design.house.slackM,
          openM: 0,
          from: { name: s.name, node: null },
          to: { name: 'the AC earth bar', node: null },
          circuitId: s.id,
          no: '',
          serves: s.name,
          polarity: 'earth',
          size: sizeName(school, size),
          cores: 1,
          massKgPerKm,
          areaMm2,
          colour: AC_COLOURS[design.boat.colourScheme].earth,
          lengthM: e.lengthM,
          taped: e.taped,
          fromEnd: endName('M6', school, size),
          toEnd: endName('M6', school, size),
          label: `earth ${s.name}, ${e.isolation}`,
          unplaced: '',
          note:
            e.isolation === 'galvanic isolator'
              ? 'cut in two at the isolator; no other way from the inlet’s earth to anything aboard'
              : 'from the secondary’s neutral to the AC earth bar; the shield’s earth stays ashore',
        },
      },
    ];
  });

/** Every AC run. A breaker decides how cores land at its end; at the other they go into clamps, and into the lead of what has one. */
export function acPieces(design: Design): AcPiece[] {
  const results = new Map(acCircuits(design).map((r) => [r.id, r]));
  return design.acCircuits.flatMap((c) => {
    const result = results.get(c.id);
    return result ? [piece(design, c, result)] : [];
  });
}

/** As it is bought: all cores alike, or with a lighter earth. */
const cableName = ({ cores, conductor, earth }: AcCircuitResult): string => {
  const size = sizeName(conductor.school, conductor.size);
  return earth.size === conductor.size && earth.school === conductor.school
    ? `${cores.length} × ${size}`
    : `${cores.length - 1} × ${size} and earth ${sizeName(earth.school, earth.size)}`;
};

/** Free cores where the sheath comes off, mm: twenty diameters of a core, 100 at least; the earth so much longer that it parts last. Ours. */
const coreLengths = ({ boat }: Design, { conductor, cores }: AcCircuitResult): string => {
  const said = (mm: number) => (boat.lengthUnit === 'ft' ? `${Math.round(mm / 25.4)} in` : `${mm} mm`);
  const free = Math.max(100, Math.ceil((20 * conductor.odMm) / 10) * 10);
  const longer = Math.max(30, Math.ceil(free / 4 / 10) * 10);
  return `sheath off ${said(free)} at each end, earth ${said(longer)} longer than ${cores.includes('neutral') ? 'live and neutral' : 'both lives'}`;
};

const startName = (design: Design, c: AcCircuit): string =>
  (c.from.kind === 'source' ? rowOf(design.acSources, c.from.id) : rowOf(design.acPanels, c.from.id))?.name ?? '';
const farName = (design: Design, c: AcCircuit): string | null =>
  (c.to && (c.to.kind === 'panel' ? rowOf(design.acPanels, c.to.id) : rowOf(design.acSources, c.to.id))?.name) ?? null;

/** On which side of its breaker each end lands. */
function sides(design: Design, c: AcCircuit): string {
  const from = startName(design, c);
  if (c.from.kind === 'panel') return `starts on the load side of its breaker in ${from}`;
  const to = farName(design, c);
  const shore = rowOf(design.acSources, c.from.id)?.shore;
  const through =
    shore?.isolation === 'galvanic isolator' && shore.isolator ? '; its earth not on the inlet’s: that goes by the isolator' : '';
  return `from ${from} to the line side of its breaker; ${to ?? 'what it serves'} on the load side${through}`;
}

function piece(design: Design, c: AcCircuit, r: AcCircuitResult): AcPiece {
  const { school, size, areaMm2, massKgPerKm, odMm } = r.conductor;
  const { openSlackM, slackM } = design.house;
  const opens = (end: AcCircuit['to'] | AcCircuit['from']) =>
    Number(end?.kind === 'panel' && (rowOf(design.acPanels, end.id)?.opens ?? false));
  const landed = r.family.terminal[school] === 'clamp' ? 'screw clamp' : r.family.terminal[school];
  const far = c.to?.kind === 'panel' && landed !== 'screw clamp' ? landed : 'screw clamp';
  return {
    result: r,
    device: `${r.family.name} ${r.ratingA} A, ${c.poles === 1 ? 'one pole' : `${c.poles} poles`}${c.leakageMa === null ? '' : `, ${c.leakageMa} mA residual`}`,
    cut: {
      id: c.id,
      school,
      conductor: size,
      odMm,
      slackM: c.lengthM === null ? 2 * slackM : 0,
      openM: openSlackM * (opens(c.from) + opens(c.to)),
      from: { name: startName(design, c), node: null },
      to: { name: farName(design, c) ?? c.name, node: null },
      circuitId: c.id,
      no: c.no,
      serves: c.name,
      polarity: 'cable',
      size: cableName(r),
      cores: r.cores.length,
      massKgPerKm: (massKgPerKm * (r.cores.length - 1) + r.earth.massKgPerKm) * AC_JACKET,
      areaMm2,
      colour: r.cores.map((core) => colourOf(design, core)).join(' / '),
      lengthM: r.lengthM,
      taped: c.lengthM !== null,
      fromEnd: endName(landed, school, size),
      toEnd: endName(far, school, size),
      label: `${c.no} AC ${c.name}`,
      unplaced: '',
      note: `${coreLengths(design, r)}; ${sides(design, c)}`,
    },
  };
}
